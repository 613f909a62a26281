import type { Item } from "../api/types";
import { joined, rectangle, upright } from "../lib/path";
import { pitchName } from "../lib/naming";

export interface WrittenNote {
  bar: number;
  beat: number;
  beats: number;
  pitch: number;
}

/** The widest that a beat and the whole row are drawn. */
const BEAT = 15;
const WIDEST = 330;
const STEP = 4;
/** Bars that are drawn of a line. */
const MOST = 8;

const isNote = (value: unknown): value is WrittenNote =>
  typeof value === "object" && value !== null && "pitch" in value && "beat" in value && "bar" in value;

/** The notes that an item asks for, or none where it asks for something else. */
export function notesOf(item: Pick<Item, "targets">): WrittenNote[] | null {
  const value = item.targets.find((target) => target.measure === "lines.notes")?.value;
  if (!Array.isArray(value)) return null;
  const notes = value.filter(isNote);
  return notes.length > 0 ? notes : null;
}

/** A line of notes over its beats: longer is longer, higher is higher, with the lowest and the highest named. */
export function NoteRow({ notes, label, beatsPerBar }: { notes: WrittenNote[]; label: string; beatsPerBar: number }) {
  const shown = notes.filter((note) => note.bar <= MOST);
  const bars = Math.max(...shown.map((note) => note.bar));
  const low = Math.min(...shown.map((note) => note.pitch));
  const high = Math.max(...shown.map((note) => note.pitch));
  const height = (high - low + 1) * STEP + 4;
  const beat = Math.min(BEAT, WIDEST / (bars * beatsPerBar));
  const width = bars * beatsPerBar * beat;
  const lines = Array.from({ length: bars + 1 }, (_, bar) => upright(bar * beatsPerBar * beat + 0.5, 0, height)).join(
    "",
  );
  return (
    <span className="my-1 flex items-stretch gap-1.5">
      <svg role="img" aria-label={label} width={width + 1} height={height} className="block">
        <path d={lines} stroke="var(--rule-firm)" />
        {joined(
          shown,
          () => "var(--measured)",
          (note) =>
            rectangle(
              ((note.bar - 1) * beatsPerBar + note.beat - 1) * beat + 1,
              2 + (high - note.pitch) * STEP,
              Math.max(2, note.beats * beat - 2),
              STEP - 1,
            ),
        ).map(([fill, path]) => (
          <path key={fill} d={path} fill={fill} />
        ))}
      </svg>
      <span aria-hidden className="flex flex-col justify-between text-11 text-ink-2">
        <span>{pitchName(high)}</span>
        {high - low > 4 && <span>{pitchName(low)}</span>}
      </span>
    </span>
  );
}
