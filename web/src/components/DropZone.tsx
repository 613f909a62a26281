import type { ReactNode } from "react";

/** A place that invites files, on a page that has nothing yet. The page around it takes them wherever they are dropped. */
export function DropZone({ title, children }: { title: string; children?: ReactNode }) {
  return (
    <div className="my-5 grid max-w-[640px] justify-items-start gap-3 border border-dashed border-firm px-6 py-7">
      <p className="font-serif text-18 leading-snug">{title}</p>
      {children}
    </div>
  );
}
