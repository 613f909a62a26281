/** How notes are named: which signs, and which octave middle C is in. */

export interface Naming {
  names: "key" | "sharps" | "flats";
  /** The octave of middle C. */
  middle: 3 | 4;
}

let naming: Naming = { names: "key", middle: 4 };

export function setNaming(next: Naming): void {
  naming = next;
}

const MIXED = ["C", "C♯", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B"];
const FLATS = ["C", "D♭", "D", "E♭", "E", "F", "G♭", "G", "A♭", "A", "B♭", "B"];
const SHARPS = ["C", "C♯", "D", "D♯", "E", "F", "F♯", "G", "G♯", "A", "A♯", "B"];

/** A MIDI pitch by name, as the key signature spells it (flats below 0, sharps above) unless settings say otherwise. */
export function pitchName(pitch: number, signature = 0): string {
  const names = named(signature);
  return `${names[pitch % 12] ?? ""}${Math.floor(pitch / 12) - 5 + naming.middle}`;
}

function named(signature: number): string[] {
  if (naming.names !== "key") return naming.names === "flats" ? FLATS : SHARPS;
  return signature < 0 ? FLATS : signature > 0 ? SHARPS : MIXED;
}

const STEPS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** The MIDI pitch of a written note such as "Bb2" or "F♯1"; null where it is none. */
export function pitchOf(text: string): number | null {
  const [, letter, sign, octave] = /^\s*([A-Ga-g])([b♭#♯]?)(-?\d)\s*$/.exec(text) ?? [];
  if (letter === undefined || octave === undefined) return null;
  const shift = sign === "" ? 0 : sign === "b" || sign === "♭" ? -1 : 1;
  const pitch = (Number(octave) + 5 - naming.middle) * 12 + (STEPS[letter.toUpperCase()] ?? 0) + shift;
  return pitch >= 0 && pitch <= 127 ? pitch : null;
}
