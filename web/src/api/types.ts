/** What the server tells, as Ruby declares it (docs/schema.md). */
export type * from "./contract";
