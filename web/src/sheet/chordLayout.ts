import type { Analysis, Chord, Loop } from "../api/types";
import type { Geometry } from "./geometry";

export interface Bracket {
  /** The bar it begins with. */
  bar: number;
  x: number;
  width: number;
  times: number;
  firm: boolean;
  /** What the loop is called, whether it is said how often it goes round, and where its chords are spelled if not here: as far as there is room before the next bracket. */
  name: string | null;
  counted: boolean;
  asBar: number | null;
  /** Its chords in a row, where they have no room over their own bars; null otherwise. */
  row: LoopRow | null;
}

export interface ChordMark {
  chord: Chord;
  index: number;
  x: number;
  width: number;
  /** Room that the symbol takes; null where it is not spelled. */
  label: number | null;
}

export interface LoopRow {
  cells: LoopCell[];
  /** Whether it has more chords than there is room for. */
  cut: boolean;
}

interface LoopCell {
  symbol: string;
  degree: string;
  width: number;
  /** The chord of its first pass, where that is played as the loop is written. */
  chord: Chord | null;
}

interface Run {
  loop: Loop;
  name: string;
  start: number;
  times: number;
  last: number;
}

/** Returns of a loop are spelled only where a chord has this much room. */
const ROOM = 30;
/** Width of a letter of a symbol, and of the words "as bar 9". */
const LETTER = 7.6;
/** What an m is wider, and width of a letter of a degree. */
const BROAD = 4;
const SMALL = 6.5;
/** Loops have small letters, for sections have capital ones. */
const LETTERS = "abcdefghijklmnopqrstuvwxyz";
const PADDING = 5;
/** The ellipsis after a row that goes on. */
const CUT = 14;
const AS_BAR = 58;
/** Room that "loop a" needs, a letter alone, and "×24" beside it. */
const NAMED = 44;
const LETTERED = 14;
const TIMES = 32;
/** A symbol may reach over the end of its chord by this share: the ticks say where it really ends. */
const OVERHANG = 2;

/** Each loop is spelled once, under a firm bracket; each return has a thin one. Everything else is spelled where it fits. */
export function layoutChords(analysis: Analysis, geometry: Geometry): { brackets: Bracket[]; marks: ChordMark[] } {
  const runs = loopRuns(analysis);
  const firsts = new Map(runs.toReversed().map((run) => [run.loop, run]));
  const isFirst = (run: Run) => firsts.get(run.loop) === run;
  const rows = new Map(runs.filter(isFirst).map((run) => [run.loop, inARow(run, analysis, geometry)]));
  const row = (run: Run) => rows.get(run.loop) ?? null;
  // Runs whose chords do not stand over their own bars.
  const bare = runs.filter(
    (run) => row(run) !== null || (!isFirst(run) && (averageWidth(analysis, geometry, run) ?? 0) < ROOM),
  );
  const spellable = (chord: Chord) =>
    chord.degree !== null &&
    !bare.some((run) => within(run, chord)) &&
    !runs.some(
      (run) => isFirst(run) && within(run, chord) && chord.bar >= run.start + run.loop.bars && geometry.barWidth < ROOM,
    );

  const brackets = runs.map((run, index): Bracket => {
    const x = geometry.xOfBar(run.start);
    const next = runs[index + 1];
    const room = (next ? geometry.xOfBar(next.start) : geometry.width) - x;
    return {
      bar: run.start,
      x,
      width: (run.last - run.start) * geometry.barWidth,
      firm: isFirst(run),
      times: run.times,
      ...nameIn(room, run),
      row: isFirst(run) ? row(run) : null,
      asBar: !isFirst(run) && bare.includes(run) && room >= AS_BAR ? (firsts.get(run.loop)?.start ?? null) : null,
    };
  });
  const taken = brackets.flatMap(({ asBar, row: written, x }): [number, number][] => {
    if (written !== null) return [[x, x + rowWidth(written)]];
    return asBar === null ? [] : [[x, x + AS_BAR]];
  });
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
    const fits = (needed: number) => {
      const end = mark.x + needed;
      const free = taken.every(([from, to]) => end <= from || mark.x >= to);
      return free && (own(mark) || (spellable(mark.chord) && needed <= mark.width * OVERHANG && end <= width + 4));
    };
    const { symbol, degree } = mark.chord;
    const needed = [nameWidth(symbol, degree ?? ""), widthOf(symbol)].find(fits);
    if (needed === undefined) continue;
    taken.push([mark.x, mark.x + needed]);
    labels.set(mark.index, needed);
  }
  return marks.map((mark) => ({ ...mark, label: labels.get(mark.index) ?? null }));
}

/** "loop a ×4", or as much of it as there is room for. */
function nameIn(room: number, { name, times }: Run): Pick<Bracket, "name" | "counted"> {
  const [text, needed] = room >= NAMED ? [`loop ${name}`, NAMED] : [name, LETTERED];
  return { name: room >= needed ? text : null, counted: times > 1 && room >= needed + TIMES };
}

function widthOf(text: string): number {
  return text.length * LETTER + (text.split("m").length - 1) * BROAD + PADDING;
}

/** The chords of a loop, as many as its bars have room for; null where each has room over its own bar, or where there is none for two. */
function inARow({ loop, start, last }: Run, analysis: Analysis, geometry: Geometry): LoopRow | null {
  const widest = Math.max(...loop.symbols.map(widthOf));
  if (widest * loop.symbols.length <= loop.bars * geometry.barWidth) return null;
  const pass = analysis.chords.filter(({ bar, degree }) => bar >= start && bar < start + loop.bars && degree !== null);
  const played = loop.symbols.every((symbol, index) => pass[index]?.symbol === symbol);
  const cells = loop.symbols.map((symbol, index) => {
    const degree = loop.degrees[index] ?? "";
    return { symbol, degree, width: nameWidth(symbol, degree), chord: (played && pass[index]) || null };
  });
  const room = (last - start) * geometry.barWidth;
  const rows = cells.map((_, index) => ({ cells: cells.slice(0, index + 1), cut: index + 1 < cells.length }));
  return rows.slice(1).findLast((row) => rowWidth(row) <= room) ?? null;
}

function rowWidth({ cells, cut }: LoopRow): number {
  return cells.reduce((sum, { width }) => sum + width, cut ? CUT : 0);
}

/** What a chord takes over its degree. */
export function nameWidth(symbol: string, degree: string): number {
  return Math.max(widthOf(symbol), degree.length * SMALL + PADDING);
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

/** Loops by their letters, in order of appearance; returns that follow each other at once are one run. */
function loopRuns(analysis: Analysis): Run[] {
  const loops: Loop[] = analysis.loops.length > 0 ? analysis.loops : analysis.loop ? [analysis.loop] : [];
  return loops
    .flatMap((loop, index) =>
      [...loop.starts]
        .sort((a, b) => a - b)
        .reduce<Run[]>((runs, start) => {
          const open = runs.at(-1);
          if (open && open.last === start) {
            open.times += 1;
            open.last += loop.bars;
          } else {
            runs.push({ loop, name: LETTERS[index % LETTERS.length] ?? "", start, times: 1, last: start + loop.bars });
          }
          return runs;
        }, []),
    )
    .sort((a, b) => a.start - b.start);
}
