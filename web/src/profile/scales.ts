/** Height of the row of one song in plots that share their rows. */
export const ROW = 26;

/** A logarithmic scale from values to pixels. */
export function logScale(low: number, high: number, width: number): (value: number) => number {
  const span = Math.log2(high / low);
  return (value) => (Math.log2(value / low) / span) * width;
}

/** Round figures for an axis of tempos. */
export function tempoTicks(low: number, high: number): number[] {
  return [30, 45, 60, 75, 100, 135, 180, 240].filter((tick) => tick >= low && tick <= high);
}
