import { useEffect, type ReactNode } from "react";
import { useHouse } from "../app/house";

/** The head of every page: a title in the reading serif, a remark in italics, and what can be done on the right. It names the browser's tab, too. */
export function PageHead({ title, remark, children }: { title: string; remark?: string | null; children?: ReactNode }) {
  const house = useHouse();
  useEffect(() => {
    if (title)
      document.title = [title, remark, `Ethoscope${house ? ` (${house.name})` : ""}`].filter(Boolean).join(" · ");
  }, [title, remark, house]);
  return (
    <header className="flex min-h-13 shrink-0 items-center gap-4 border-b border-rule px-4 py-1 max-small:flex-wrap max-small:gap-y-1">
      <h1 className="line-clamp-2 max-w-[70%] min-w-[120px] font-serif text-26 leading-[1.15]">{title}</h1>
      {remark && <p className="mt-1 min-w-0 truncate font-serif text-15 italic text-ink-2">{remark}</p>}
      <div className="ml-auto flex shrink-0 items-center gap-2 wide:gap-4 max-small:ml-0 max-small:w-full max-small:shrink max-small:flex-wrap">
        {children}
      </div>
    </header>
  );
}
