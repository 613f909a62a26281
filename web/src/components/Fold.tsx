import { ChevronRight } from "lucide-react";
import { useState, type ReactNode } from "react";

interface FoldProps {
  title: string;
  aside?: ReactNode;
  /** Open until somebody folds it; how a fold of that name was left is remembered while the page is open. */
  open?: boolean;
  children: ReactNode;
}

const left = new Map<string, boolean>();

/** A part of a card that can be folded away. What is in it stays alive: its keys work also while it is folded. */
export function Fold({ title, aside, open = false, children }: FoldProps) {
  const [first] = useState(() => left.get(title) ?? open);
  return (
    <details
      className="group mt-3 border-t border-rule pt-1.5"
      open={first}
      onToggle={(event) => left.set(title, event.currentTarget.open)}
    >
      <summary className="-mx-1 flex min-h-6 cursor-pointer list-none items-center gap-1 rounded-sm px-1 font-medium hover:bg-wash">
        <ChevronRight size={13} aria-hidden className="shrink-0 group-open:rotate-90" />
        {title}
        {aside && <span className="ml-auto text-11 font-normal text-ink-2">{aside}</span>}
      </summary>
      {children}
    </details>
  );
}
