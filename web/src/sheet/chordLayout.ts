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
  spelled: boolean;
}

/** Loops are spelled at each return only where a chord has this much room. */
const ROOM = 28;
const LETTER = 7.6;

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
    const fits = chord.symbol.length * LETTER + 5 <= width;
    return {
      chord,
      index,
      x,
      width,
      spelled: chord.degree !== null && fits && (run === undefined || firstPass || width >= ROOM),
    };
  });
  const brackets = runs.map((run, place) => {
    const last = run.start + run.times * loopBars;
    const here = marks.filter((mark) => mark.chord.bar >= run.start && mark.chord.bar < last);
    const bare = place > 0 && !here.some((mark) => mark.spelled);
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
