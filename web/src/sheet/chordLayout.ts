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
  /** Size of the symbol in px; null where it would not fit. */
  size: 12 | 11 | null;
}

/** Loops are spelled at each return only where a chord has this much room. */
const ROOM = 28;
/** Width of a letter of a symbol, in shares of its size. */
const LETTER = 0.6;
const PADDING = 4;

/** A loop is spelled once, under a firm bracket; each return has a thin one. Everything else is spelled where it fits. */
export function layoutChords(analysis: Analysis, geometry: Geometry): { brackets: Bracket[]; marks: ChordMark[] } {
  const runs = loopRuns(analysis);
  const loopBars = analysis.loop?.bars ?? 1;
  const first = runs[0];
  const marks = analysis.chords.map((chord, index) => {
    const x = geometry.xOfTime(chord.start);
    const width = geometry.xOfTime(chord.end) - x;
    const run = runs.find(
      (candidate) => chord.bar >= candidate.start && chord.bar < candidate.start + candidate.times * loopBars,
    );
    const firstPass = run !== undefined && run === first && chord.bar < run.start + loopBars;
    const wanted = chord.degree !== null && (run === undefined || firstPass || width >= ROOM);
    return { chord, index, x, width, size: wanted ? fittingSize(chord.symbol, width) : null };
  });
  const brackets = runs.map((run, place) => {
    const last = run.start + run.times * loopBars;
    const here = marks.filter((mark) => mark.chord.bar >= run.start && mark.chord.bar < last);
    const bare = place > 0 && !here.some((mark) => mark.size !== null);
    return {
      x: geometry.xOfBar(run.start),
      width: run.times * loopBars * geometry.barWidth,
      times: run.times,
      firm: place === 0,
      asBar: bare && first ? first.start : null,
    };
  });
  return { brackets, marks };
}

function fittingSize(symbol: string, width: number): 12 | 11 | null {
  const sizes = [12, 11] as const;
  return sizes.find((size) => symbol.length * size * LETTER + PADDING <= width) ?? null;
}

interface LoopRun {
  start: number;
  times: number;
}

/** Returns that follow each other at once are one run. */
function loopRuns(analysis: Analysis): LoopRun[] {
  const loop = analysis.loop;
  if (!loop) return [];
  return loop.starts.reduce<LoopRun[]>((runs, start) => {
    const last = runs.at(-1);
    if (last && start === last.start + last.times * loop.bars) last.times += 1;
    else runs.push({ start, times: 1 });
    return runs;
  }, []);
}
