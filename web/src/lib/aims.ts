import type { Aim } from "../api/contract";

/** What people work for, in their words. */
export const AIMS: Record<Aim, string> = { exact: "exact remake", style: "in the style of", study: "study only" };
