/** What of a comparison is looked at: a difference by its place in the list, a bar of the reference, or an item of the checklist. */
export type Chosen =
  { kind: "difference"; index: number } | { kind: "bar"; bar: number } | { kind: "item"; id: number } | null;
