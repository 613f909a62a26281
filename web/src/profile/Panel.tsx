import type { ReactNode } from "react";

/** A panel of the profile: a title, what its figures count, and the rows. */
export function Panel({ title, aside, children }: { title: string; aside?: string; children: ReactNode }) {
  return (
    <section className="min-w-0">
      <h2 className="mb-1.5 flex items-baseline justify-between gap-3">
        <span className="font-medium">{title}</span>
        {aside && <span className="text-11 text-ink-2">{aside}</span>}
      </h2>
      {children}
    </section>
  );
}
