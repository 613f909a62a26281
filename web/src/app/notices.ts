import { lastSaid } from "./lastSaid";

/** What was just done, with what takes it back. */
export interface Done {
  message: string;
  undo: () => unknown;
}

/** Says what was done, and offers to undo it, until something else is done or it is dismissed. */
export const [tellDone, useDone] = lastSaid<Done>();
