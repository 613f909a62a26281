/** Figures and times as people read them. Minus signs are true ones. */

export function figure(value: number, decimals = 0): string {
  return value.toFixed(decimals).replace("-", "−");
}

export function clock(seconds: number, decimals = 0): string {
  const safe = Math.max(0, seconds);
  const minutes = Math.floor(safe / 60);
  const rest = (safe - minutes * 60).toFixed(decimals);
  return `${minutes}:${rest.padStart(decimals > 0 ? 3 + decimals : 2, "0")}`;
}

export function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}

/** Pitch and key names with signs: Bb minor to B♭ minor. */
export function signs(name: string): string {
  return name.replace(
    /([A-G])([b#]+)/g,
    (_, letter: string, marks: string) => letter + marks.replaceAll("b", "♭").replaceAll("#", "♯"),
  );
}

export function bars(first: number, last: number): string {
  return first === last ? `bar ${first}` : `bars ${first}–${last}`;
}

export function plural(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}

/** Odds of the first against the second, such as "4 to 1". */
export function oddsAgainst(first: number, other: number): string {
  const ratio = Math.max(1, Math.round(first / Math.max(other, 0.001)));
  return ratio >= 99 ? "99+ to 1" : `${ratio} to 1`;
}

/** Words in a row: "tempo, meter and mode". */
export function listed(words: string[]): string {
  return new Intl.ListFormat("en-GB", { type: "conjunction" }).format(words);
}

export function day(iso: string): string {
  return new Date(iso).toLocaleDateString("en-GB", { day: "numeric", month: "short" });
}

const NOTES = ["C", "C♯", "D", "E♭", "E", "F", "F♯", "G", "A♭", "A", "B♭", "B"];

const FLATS = ["C", "D♭", "D", "E♭", "E", "F", "G♭", "G", "A♭", "A", "B♭", "B"];
const SHARPS = ["C", "C♯", "D", "D♯", "E", "F", "F♯", "G", "G♯", "A", "A♯", "B"];

const STEPS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** The MIDI pitch of a written note such as "Bb2" or "F♯1"; null where it is none. */
export function pitchOf(text: string): number | null {
  const [, letter, sign, octave] = /^\s*([A-Ga-g])([b♭#♯]?)(-?\d)\s*$/.exec(text) ?? [];
  if (letter === undefined || octave === undefined) return null;
  const shift = sign === "" ? 0 : sign === "b" || sign === "♭" ? -1 : 1;
  const pitch = (Number(octave) + 1) * 12 + (STEPS[letter.toUpperCase()] ?? 0) + shift;
  return pitch >= 0 && pitch <= 127 ? pitch : null;
}

/** A MIDI pitch by name, as the key signature spells it (flats below 0, sharps above); middle C is C4. */
export function pitchName(pitch: number, signature = 0): string {
  const names = signature < 0 ? FLATS : signature > 0 ? SHARPS : NOTES;
  return `${names[pitch % 12] ?? ""}${Math.floor(pitch / 12) - 1}`;
}
