/** A small synthesiser for checking by ear: a note, a chord or a scale against the recording. */

const ATTACK = 0.02;
const RELEASE = 0.25;
const CHORD_SECONDS = 1.6;
const NOTE_SECONDS = 0.42;
const LEVEL = 0.5;
const NATURALS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };

/** The MIDI number of a note name in the octave from C3, or in the octave that it says ("C4" is 60). */
export function midiOf(name: string): number | null {
  const match = /^([A-G])([b#♭♯x]*)(-?\d)?$/.exec(name.trim());
  if (!match) return null;
  const [, letter = "C", signs = "", octave] = match;
  const shift = [...signs].reduce((sum, sign) => sum + (sign === "b" || sign === "♭" ? -1 : sign === "x" ? 2 : 1), 0);
  return (NATURALS[letter] ?? 0) + shift + 12 * (Number(octave ?? 3) + 1);
}

/** Notes upward from the first: each is put over the one before it. */
export function piled(names: string[]): number[] {
  const pile: number[] = [];
  for (const name of names) {
    let note = midiOf(name);
    if (note === null) continue;
    const below = pile.at(-1);
    if (!/\d$/.test(name.trim())) while (below !== undefined && note <= below) note += 12;
    pile.push(note);
  }
  return pile;
}

export function hertzOf(midi: number, a4 = 440): number {
  return a4 * 2 ** ((midi - 69) / 12);
}

export class Tones {
  private readonly bus: GainNode;

  constructor(
    private readonly context: AudioContext,
    output: AudioNode,
  ) {
    this.bus = context.createGain();
    this.bus.gain.value = LEVEL;
    this.bus.connect(output);
  }

  chord(notes: number[], a4: number): void {
    for (const note of notes) this.note(note, 0, CHORD_SECONDS, 1 / Math.max(2, notes.length), a4);
  }

  /** One after another. */
  line(notes: number[], a4: number): void {
    notes.forEach((note, index) => this.note(note, index * NOTE_SECONDS, NOTE_SECONDS, 0.4, a4));
  }

  private note(midi: number, delay: number, seconds: number, level: number, a4: number): void {
    const start = this.context.currentTime + 0.03 + delay;
    const envelope = this.context.createGain();
    envelope.gain.setValueAtTime(0, start);
    envelope.gain.linearRampToValueAtTime(level, start + ATTACK);
    envelope.gain.setValueAtTime(level, start + seconds - RELEASE * 0.5);
    envelope.gain.exponentialRampToValueAtTime(0.0008, start + seconds + RELEASE);
    envelope.connect(this.bus);
    for (const [partial, share] of [
      [1, 1],
      [2, 0.28],
      [3, 0.1],
    ] as const) {
      const tone = this.context.createOscillator();
      const gain = this.context.createGain();
      tone.frequency.value = hertzOf(midi, a4) * partial;
      gain.gain.value = share;
      tone.connect(gain).connect(envelope);
      tone.start(start);
      tone.stop(start + seconds + RELEASE + 0.05);
    }
  }
}
