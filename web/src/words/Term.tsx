import { Tooltip } from "radix-ui";
import type { ReactNode } from "react";
import { meaningOf } from "./glossary";

/** A word that may need help: pointed at, or reached by Tab, it says what it means. */
export function Term({ of, children }: { of: string; children?: ReactNode }) {
  return (
    <Tooltip.Root>
      <Tooltip.Trigger asChild>
        <button type="button" className="min-h-0 cursor-help border-b border-dotted border-firm leading-tight">
          {children ?? of}
        </button>
      </Tooltip.Trigger>
      <Tooltip.Portal>
        <Tooltip.Content
          sideOffset={4}
          className="z-50 max-w-[300px] border border-firm bg-sheet px-3 py-2 font-serif text-15 leading-snug"
        >
          {meaningOf(of)}
        </Tooltip.Content>
      </Tooltip.Portal>
    </Tooltip.Root>
  );
}
