import type { ReactNode } from "react";

/** A part of a card, parted by a hairline. */
export function Part({ title, aside, children }: { title: string; aside?: ReactNode; children: ReactNode }) {
  return (
    <section className="mt-3 border-t border-rule pt-2.5 first:mt-0 first:border-t-0 first:pt-0">
      <h3 className="mb-1.5 flex items-baseline justify-between gap-2 font-medium">
        {title}
        {aside && <span className="text-11 font-normal text-ink-2">{aside}</span>}
      </h3>
      {children}
    </section>
  );
}
