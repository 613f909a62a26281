import { lastSaid } from "./lastSaid";

/** The last thing that failed and has no place of its own to say so. */
export const [tellFailure, useFailure] = lastSaid<string>();
