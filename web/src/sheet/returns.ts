import type { Analysis, Section } from "../api/types";

/** "+2", "−3" */
export function signed(semitones: number): string {
  return `${semitones < 0 ? "−" : "+"}${Math.abs(semitones)}`;
}

/** "2 semitones higher", "an octave lower", "in unison" */
export function movedWords(semitones: number): string {
  if (semitones === 0) return "in unison";
  const size = Math.abs(semitones);
  const octaves = size / 12;
  const way = semitones < 0 ? "lower" : "higher";
  if (octaves === 1) return `an octave ${way}`;
  if (Number.isInteger(octaves)) return `${octaves} octaves ${way}`;
  return `${size === 1 ? "a semitone" : `${size} semitones`} ${way}`;
}

/** A section's letter, or the letter of the section that comes back in it, moved: "A(−3)". */
export function letterOf(analysis: Analysis, section: Pick<Section, "first_bar" | "letter">): string {
  const moved = analysis.returns.sections.find((one) => one.first_bar === section.first_bar);
  return moved ? `${moved.of}(${signed(moved.semitones)})` : section.letter;
}

/** What of a section was there before, moved, as sentences. */
export function returnsIn(analysis: Analysis, firstBar: number): string[] {
  const { sections, layers } = analysis.returns;
  return [
    ...sections
      .filter((one) => one.first_bar === firstBar)
      .map((one) => `Chords of ${one.of} at bar ${one.of_bar}, ${movedWords(one.semitones)}`),
    ...layers
      .filter((one) => one.first_bar === firstBar)
      .map((one) => `${one.layer} as at bar ${one.of_bar}, ${movedWords(one.semitones)}`),
  ];
}

/** What a layer shares with others, and with itself elsewhere, as sentences. */
export function returnsOf(analysis: Analysis, layer: string): string[] {
  const { layers, doublings } = analysis.returns;
  return [
    ...doublings
      .filter((one) => one.layer === layer || one.like === layer)
      .map((one) => {
        const own = one.layer === layer;
        return `As ${own ? one.like : one.layer}, ${movedWords(own ? one.semitones : -one.semitones)}, from bar ${one.bars.join(", ")}`;
      }),
    ...layers
      .filter((one) => one.layer === layer)
      .map((one) => `From bar ${one.first_bar} as at bar ${one.of_bar}, ${movedWords(one.semitones)}`),
  ];
}
