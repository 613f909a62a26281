import type { PlayedLine } from "../api/types";
import { amountStep, inkColour } from "../lib/ink";
import { pitchName } from "../lib/naming";
import { joined, rectangle } from "../lib/path";
import { useSheet } from "./context";
import { beatsPerBar, notesOf, type PlayedNote } from "./played";

/** Rows of notes are tall enough for pitch to be seen, rows of strokes for how hard they are. */
export const NOTES_HEIGHT = 92;
export const STROKES_HEIGHT = 40;

const MARGIN = 4;
const NOTE = 8;
/** A note this wide, in pixels, has room for its name. */
const NAMED = 22;
const STROKE = 4;
/** Where a note begins is marked, so that repeated ones are told apart. */
const ATTACK = 1.6;

export function pitched(line: PlayedLine): boolean {
  return line.notes.some((note) => note[2] !== null && note[2] !== undefined);
}

/** One layer close to: strokes as uprights, taller and darker where they are harder; notes as bars at their pitch, with their names. */
export function PlayedPlot({ line, chosen }: { line: PlayedLine; chosen: boolean }) {
  const { analysis, geometry, view } = useSheet();
  const perBar = beatsPerBar(analysis);
  const signature = analysis.key?.signature ?? 0;
  const height = pitched(line) ? NOTES_HEIGHT : STROKES_HEIGHT;
  const notes = notesOf(line).filter(
    ({ beat }) => beat >= (view.first - 1) * perBar - 0.2 && beat < view.last * perBar,
  );
  const x = (beat: number) => Math.max(0, (beat / perBar) * geometry.barWidth);
  return (
    <svg
      role="img"
      aria-label={spoken(line, notes, Math.max(1, view.first), perBar, signature)}
      width={geometry.width}
      height={height}
      className={chosen ? "bg-wash" : ""}
    >
      <path d={`M0 ${height - 0.5}H${geometry.width}`} stroke="var(--rule-faint)" />
      {pitched(line) ? (
        <Notes notes={notes} x={x} height={height} signature={signature} />
      ) : (
        joined(
          notes,
          ({ velocity }) => inkColour(amountStep(Math.max(0.35, velocity))),
          ({ beat, velocity }) => {
            const tall = (height - 2 * MARGIN) * (0.3 + 0.7 * velocity);
            return rectangle(x(beat), height - MARGIN - tall, STROKE, tall);
          },
        ).map(([fill, path]) => <path key={fill} d={path} fill={fill} />)
      )}
    </svg>
  );
}

interface NotesProps {
  notes: PlayedNote[];
  x: (beat: number) => number;
  height: number;
  signature: number;
}

function Notes({ notes, x, height, signature }: NotesProps) {
  const pitches = notes.map(({ pitch }) => pitch ?? 0);
  const low = Math.min(...pitches);
  const span = Math.max(1, Math.max(...pitches) - low);
  const top = (pitch: number) => height - MARGIN - NOTE - ((pitch - low) / span) * (height - 2 * MARGIN - NOTE - 9);
  return (
    <>
      {joined(
        notes,
        ({ velocity }) => inkColour(amountStep(Math.max(0.35, velocity))),
        ({ beat, beats, pitch }) =>
          rectangle(x(beat), top(pitch ?? low), Math.max(2.5, x(beat + beats) - x(beat) - 1.5), NOTE),
      ).map(([fill, path]) => (
        <path key={fill} d={path} fill={fill} />
      ))}
      <path
        d={notes.map(({ beat, pitch }) => rectangle(x(beat), top(pitch ?? low) - 1, ATTACK, NOTE + 2)).join("")}
        fill="var(--ink)"
      />
      {named(notes, x).map(({ beat, pitch }, index) => (
        <text
          key={`${beat} ${pitch} ${index}`}
          x={x(beat)}
          y={top(pitch ?? low) - 2}
          fontSize={9.5}
          fill="var(--ink-2)"
          className="font-mono"
        >
          {pitchName(pitch ?? 0, signature)}
        </text>
      ))}
    </>
  );
}

/** The notes whose names have room: the highest of each moment, and not too near the one before. */
function named(notes: PlayedNote[], x: (beat: number) => number): PlayedNote[] {
  let last = -Infinity;
  const highest = new Map<number, PlayedNote>();
  for (const note of notes) {
    const at = Math.round(note.beat * 8);
    const other = highest.get(at);
    if (!other || (note.pitch ?? 0) > (other.pitch ?? 0)) highest.set(at, note);
  }
  return [...highest.values()].filter(({ beat }) => {
    const at = x(beat);
    if (at - last < NAMED) return false;
    last = at;
    return true;
  });
}

function spoken(line: PlayedLine, notes: PlayedNote[], firstBar: number, perBar: number, signature: number): string {
  const bar = notes
    .filter(({ beat }) => beat >= (firstBar - 1) * perBar - 0.1 && beat < firstBar * perBar - 0.1)
    .slice(0, 16);
  const list = bar.map(({ beat, pitch }) => {
    const place = String(Math.round((beat - (firstBar - 1) * perBar + 1) * 100) / 100);
    return pitch === null ? place : `${pitchName(pitch, signature)} on ${place}`;
  });
  return `${line.layer}: ${notes.length} in view; bar ${firstBar}: ${list.length > 0 ? list.join(", ") : "rests"}`;
}
