/** A field of a card. */
export const TEXT = "h-7 w-full min-w-0 rounded-sm border border-firm bg-sheet px-1.5 text-12 placeholder:text-ink-3";
