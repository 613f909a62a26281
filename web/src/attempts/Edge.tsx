import type { ReactNode } from "react";

/** The right edge of an attempt's page. */
export function Edge({ label, children }: { label: string; children: ReactNode }) {
  return (
    <aside
      aria-label={label}
      className="flex w-[308px] shrink-0 flex-col border-l border-rule bg-sheet mid:w-[324px] wide:w-[380px] max-small:w-full max-small:border-l-0"
    >
      {children}
    </aside>
  );
}

/** Lists at that edge, one of them open. */
export function Lists({ choice, children }: { choice: ReactNode; children: ReactNode }) {
  return (
    <>
      <div className="overflow-x-auto px-4 pt-3 pb-2 max-mid:px-2">{choice}</div>
      <div className="min-h-0 grow overflow-auto px-4 pb-4 scroll-quiet">{children}</div>
    </>
  );
}
