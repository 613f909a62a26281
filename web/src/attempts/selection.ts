/** What of a comparison is looked at: a difference by its place in the list, or a bar of the reference. */
export type Chosen = { kind: "difference"; index: number } | { kind: "bar"; bar: number } | null;
