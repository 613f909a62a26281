import type { Analysis, Chord } from "../api/types";
import type { Geometry } from "./geometry";

export interface Bracket {
  x: number;
  width: number;
  times: number;
  firm: boolean;
  /** Where the chords are spelled, when they are not spelled here. */
  asBar: number | null;
}

export interface ChordMark {
  chord: Chord;
  index: number;
  x: number;
  width: number;
  /** Room that the symbol takes; null where it is not spelled. */
  label: number | null;
}

interface Run {
  start: number;
  times: number;
  last: number;
}

/** Returns of a loop are spelled only where a chord has this much room. */
const ROOM = 30;
/** Width of a letter of a symbol, and of the words "as bar 9". */
const LETTER = 7.6;
const PADDING = 5;
const AS_BAR = 58;
/** A symbol may reach over the end of its chord by this share: the ticks say where it really ends. */
const OVERHANG = 2;

/** A loop is spelled once, under a firm bracket; each return has a thin one. Everything else is spelled where it fits. */
export function layoutChords(analysis: Analysis, geometry: Geometry): { brackets: Bracket[]; marks: ChordMark[] } {
  const runs = loopRuns(analysis);
  const first = runs[0];
  const firstPass = first ? first.start + (analysis.loop?.bars ?? 1) : 0;
  const bare = runs.filter((run) => run !== first && (averageWidth(analysis, geometry, run) ?? 0) < ROOM);
  const spellable = (chord: Chord) =>
    chord.degree !== null &&
    !bare.some((run) => within(run, chord)) &&
    !(first && within(first, chord) && chord.bar >= firstPass && geometry.barWidth < ROOM);

  const brackets = runs.map((run) => ({
    x: geometry.xOfBar(run.start),
    width: (run.last - run.start) * geometry.barWidth,
    times: run.times,
    firm: run === first,
    asBar: bare.includes(run) && first ? first.start : null,
  }));
  const taken: [number, number][] = brackets.flatMap(({ asBar, x }) => (asBar === null ? [] : [[x, x + AS_BAR]]));
  const marks = analysis.chords.flatMap((chord, index): ChordMark[] => {
    const x = geometry.xOfTime(chord.start);
    const end = geometry.xOfTime(chord.end);
    // A chord that goes on into a new section is named there again.
    const inside = analysis.sections
      .map((section) => geometry.xOfBar(section.first_bar))
      .filter((edge) => edge > x + ROOM && edge < end - ROOM / 2);
    const edges = [x, ...inside, end];
    return edges.slice(0, -1).map((from, part) => ({
      chord,
      index: part === 0 ? index : -1 - index - part * analysis.chords.length,
      x: from,
      width: (edges[part + 1] ?? end) - from,
      label: null,
    }));
  });
  return { brackets, marks: spell(marks, spellable, taken, geometry.width) };
}

/** What a person wrote is spelled first, then the longest chords; others where nothing stands yet. */
function spell(
  marks: ChordMark[],
  spellable: (chord: Chord) => boolean,
  taken: [number, number][],
  width: number,
): ChordMark[] {
  const labels = new Map<number, number>();
  for (const mark of [...marks].sort((a, b) => own(b) - own(a) || b.width - a.width || a.index - b.index)) {
    const needed = mark.chord.symbol.length * LETTER + PADDING;
    const end = mark.x + needed;
    const free = taken.every(([from, to]) => end <= from || mark.x >= to);
    if (!free || (!own(mark) && (!spellable(mark.chord) || needed > mark.width * OVERHANG || end > width + 4)))
      continue;
    taken.push([mark.x, end]);
    labels.set(mark.index, needed);
  }
  return marks.map((mark) => ({ ...mark, label: labels.get(mark.index) ?? null }));
}

function own({ chord }: ChordMark): number {
  return chord.source === "measured" && chord.state === "open" ? 0 : 1;
}

function within(run: Run, chord: Chord): boolean {
  return chord.bar >= run.start && chord.bar < run.last;
}

function averageWidth(analysis: Analysis, geometry: Geometry, run: Run): number | null {
  const count = analysis.chords.filter((chord) => within(run, chord)).length;
  return count === 0 ? null : ((run.last - run.start) * geometry.barWidth) / count;
}

/** Returns that follow each other at once are one run. */
function loopRuns(analysis: Analysis): Run[] {
  const loop = analysis.loop;
  if (!loop) return [];
  return loop.starts.reduce<Run[]>((runs, start) => {
    const open = runs.at(-1);
    if (open && open.last === start) {
      open.times += 1;
      open.last += loop.bars;
    } else {
      runs.push({ start, times: 1, last: start + loop.bars });
    }
    return runs;
  }, []);
}
