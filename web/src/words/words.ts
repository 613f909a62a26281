import table from "./words.json";

/** What buttons, heads and fields are called: the one place to change a word. Browser tests read the same file. */
export const words = table;
