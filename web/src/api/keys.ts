/** What is asked of the server, by name: the one place where a query's key is written. */
export const keys = {
  studies: ["studies"] as const,
  /** The pages of all studies. */
  studyPages: ["study"] as const,
  study: (id: number) => ["study", id] as const,
  /** Told as theirs or as mine; what is stale is stale in both. */
  studyAs: (id: number, as: string) => ["study", id, as] as const,
  progress: (studyId: number) => ["progress", studyId] as const,
  profile: (studyId: number) => ["profile", studyId] as const,
  profileBeside: (studyId: number, against: string) => ["profile", studyId, against] as const,
  comparison: (studyId: number, other: string) => ["profile", studyId, "comparison", other] as const,
  sounds: (studyId: number) => ["sounds", studyId] as const,
  techniques: (studyId: number) => ["techniques", studyId] as const,
  /** All that is told of any reference. */
  references: ["reference"] as const,
  /** All that is told of one reference: its page, and what is asked about it. */
  reference: (id: number) => ["reference", id] as const,
  referenceAs: (id: number, as: string) => ["reference", id, "page", as] as const,
  scale: (id: number, tonic: string, mode: string) => ["reference", id, "scale", tonic, mode] as const,
  howTo: (id: number, kind: string) => ["reference", id, "how-to", kind] as const,
  chord: (id: number, symbol: string, bar: number) => ["chord", id, symbol, bar] as const,
  peaks: (id: number) => ["peaks", id] as const,
  parts: (id: number) => ["parts", id] as const,
  checklists: ["checklist"] as const,
  checklist: (id: number) => ["checklist", id] as const,
  checklistAs: (id: number, as: string) => ["checklist", id, as] as const,
  reckoner: ["reckoner"] as const,
  reckoned: (id: string, written: Record<string, string>) => ["reckoner", id, written] as const,
  known: (referenceId: number, layer: string, as: string) => ["reference", referenceId, "known", layer, as] as const,
  house: ["house"] as const,
  search: (words: string) => ["search", words] as const,
  session: (checklistId: number, minutes: number, settled: number) =>
    ["session", checklistId, minutes, settled] as const,
  logbook: (studyId: number) => ["logbook", studyId] as const,
  schools: ["schools"] as const,
  /** All attempts of a study, and the page of one of them. */
  attempts: (studyId: number) => ["attempts", studyId] as const,
  attempt: (studyId: number, id: number, beside?: number) => ["attempts", studyId, id, beside ?? null] as const,
};

export type Key = readonly unknown[];
