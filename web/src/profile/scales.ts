/** A logarithmic scale from values to pixels. */
export function logScale(low: number, high: number, width: number): (value: number) => number {
  const span = Math.log2(high / low);
  return (value) => (Math.log2(value / low) / span) * width;
}

/** Round figures for an axis of tempos. */
export function tempoTicks(low: number, high: number): number[] {
  return [40, 50, 60, 70, 80, 100, 120, 140, 160, 180, 200].filter((tick) => tick >= low && tick <= high);
}
