/** Presence over bars as one stroke of a pen along a hairline: pointed where it sets on and lifts off, thicker where there is more. */

/** Under this nothing is there. */
const THERE = 0.12;
/** However little is there, the pen leaves a line of so much of its width. */
const THINNEST = 0.14;
/** Share of a bar in which the pen sets on and lifts off. */
const TIP = 0.35;

export interface Stroke {
  first: number;
  last: number;
  d: string;
}

/** Strokes on one side of a hairline at y: up (−1) or down (1), as thick as `most` where all of it is there. */
export function strokes(values: (number | null)[], barWidth: number, y: number, side: 1 | -1, most: number): Stroke[] {
  return presentRuns(values).map(({ first, last }) => {
    const x = (bar: number) => ((bar - 1) * barWidth).toFixed(1);
    const edge = (bar: number) => (y + side * thickness(values[bar - 1] ?? 0, bar, most)).toFixed(1);
    const tip = TIP * barWidth;
    const start = (first - 1) * barWidth;
    const end = last * barWidth;
    const middles = Array.from({ length: last - first + 1 }, (_, index) => first + index);
    const line = middles.map((bar) => `L${x(bar + 0.5)} ${edge(bar)}`).join("");
    return {
      first,
      last,
      d: `M${start.toFixed(1)} ${y}L${(start + tip).toFixed(1)} ${edge(first)}${line}L${(end - tip).toFixed(1)} ${edge(last)}L${end.toFixed(1)} ${y}Z`,
    };
  });
}

/** A hand is never quite even. */
function thickness(value: number, bar: number, most: number): number {
  return (THINNEST + (1 - THINNEST) * Math.min(1, value)) * most * (0.9 + 0.1 * Math.sin(bar * 2.4));
}

/** Bars in which it is there, in runs. */
export function presentRuns(values: (number | null)[]): { first: number; last: number }[] {
  const runs: { first: number; last: number }[] = [];
  values.forEach((value, index) => {
    if ((value ?? 0) < THERE) return;
    const last = runs.at(-1);
    if (last && last.last === index) last.last = index + 1;
    else runs.push({ first: index + 1, last: index + 1 });
  });
  return runs;
}

/** A filled profile on one side of a hairline; bars without a value are a gap. */
export function profile(values: (number | null)[], barWidth: number, y: number, side: 1 | -1, most: number): string {
  const parts: string[] = [];
  let open = false;
  values.forEach((value, index) => {
    const [from, to] = [index * barWidth, (index + 1) * barWidth];
    if (value === null) {
      if (open) parts.push(`L${from.toFixed(1)} ${y}Z`);
      open = false;
      return;
    }
    const edge = (y + side * value * most).toFixed(1);
    parts.push(`${open ? "" : `M${from.toFixed(1)} ${y}`}L${((from + to) / 2).toFixed(1)} ${edge}`);
    if (index === values.length - 1) parts.push(`L${to.toFixed(1)} ${edge}L${to.toFixed(1)} ${y}Z`);
    open = true;
  });
  return parts.join("");
}
