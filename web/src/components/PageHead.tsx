import type { ReactNode } from "react";

/** The head of every page: a title in the reading serif, a remark in italics, and what can be done on the right. */
export function PageHead({ title, remark, children }: { title: string; remark?: string | null; children?: ReactNode }) {
  return (
    <header className="flex h-13 shrink-0 items-center gap-4 border-b border-rule px-4">
      <h1 className="max-w-[70%] shrink-0 truncate pb-1 font-serif text-26 leading-none">{title}</h1>
      {remark && <p className="mt-1 min-w-0 truncate font-serif text-15 italic text-ink-2">{remark}</p>}
      <div className="ml-auto flex shrink-0 items-center gap-2 wide:gap-4">{children}</div>
    </header>
  );
}
