import type { Analysis, Reading } from "../api/types";

export interface Place {
  first: number;
  last: number;
  refuted: boolean;
}

/** A technique with its number on the sheet and the places where it happens. */
export interface TechniqueGroup {
  number: number;
  kind: string;
  name: string;
  /** The reading, when a person noted it. */
  ownId: number | null;
  places: Place[];
}

/** Found ones first, in order of first sight; then those that a person noted. */
export function techniqueGroups(analysis: Analysis, readings: Reading[]): TechniqueGroup[] {
  const groups = new Map<string, TechniqueGroup>();
  for (const sighting of analysis.techniques) {
    const group = groups.get(sighting.kind) ?? {
      number: groups.size + 1,
      kind: sighting.kind,
      name: sighting.name,
      ownId: null,
      places: [],
    };
    group.places.push({ first: sighting.first_bar, last: sighting.last_bar, refuted: sighting.state === "refuted" });
    groups.set(sighting.kind, group);
  }
  for (const reading of readings.filter((candidate) => candidate.aspect === "technique")) {
    const first = reading.first_bar ?? 1;
    groups.set(`own-${reading.id}`, {
      number: groups.size + 1,
      kind: `own-${reading.id}`,
      name: reading.statement,
      ownId: reading.id,
      places: [{ first, last: reading.last_bar ?? first, refuted: false }],
    });
  }
  return [...groups.values()];
}
