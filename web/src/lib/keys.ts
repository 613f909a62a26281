/** Names that a person can choose from; the engine spells what it finds by itself. */

export const TONICS = ["C", "Db", "D", "Eb", "E", "F", "F#", "G", "Ab", "A", "Bb", "B"] as const;
export const MODES = ["major", "minor", "dorian", "phrygian", "lydian", "mixolydian", "harmonic minor"] as const;
export const METERS = ["4/4", "2/4", "3/4", "5/4", "7/8", "6/8", "12/8"] as const;

/** Beats that a person taps in one bar. */
export const BEATS: Record<string, number> = { "4/4": 4, "2/4": 2, "3/4": 3, "5/4": 5, "7/8": 7, "6/8": 2, "12/8": 4 };

export const ROLES = [
  "kick",
  "snare",
  "hats",
  "percussion",
  "bass",
  "chords",
  "pad",
  "lead",
  "counter-melody",
  "strings",
  "brass",
  "guitar",
  "vocal",
  "texture",
  "fx",
] as const;
