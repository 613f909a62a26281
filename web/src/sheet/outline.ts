/** Stretches a second of a waveform's outline, and what full scale is, as the core writes them. */
const RATE = 100;
const FULL = 127;

/** The outline of a waveform between two moments as one closed path: along the highest samples and back along the lowest. */
export function outline(
  peaks: Int8Array,
  from: number,
  to: number,
  xOfTime: (seconds: number) => number,
  height: number,
): string {
  const first = Math.max(0, Math.floor(from * RATE));
  const last = Math.min(peaks.length / 2, Math.ceil(to * RATE));
  if (last <= first) return "";
  const places = Array.from({ length: last - first }, (_, index) => first + index);
  // Quiet songs fill the row as loud ones do: the loudest stretch of the song reaches its edge.
  const top =
    Math.max(
      1,
      peaks.reduce((most, peak) => Math.max(most, Math.abs(peak)), 0),
    ) / FULL;
  const y = (peak: number) => (height / 2) * (1 - peak / FULL / top);
  const point = (index: number, edge: 0 | 1) =>
    `${xOfTime((index + 0.5) / RATE).toFixed(1)},${y(peaks[2 * index + edge] ?? 0).toFixed(1)}`;
  const above = places.map((index) => point(index, 1));
  const below = places.reverse().map((index) => point(index, 0));
  return `M${[...above, ...below].join("L")}Z`;
}
