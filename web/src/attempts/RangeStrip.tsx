import type { StyleLine } from "../api/types";

const WIDTH = 150;
const HEIGHT = 22;
const EDGE = 8;

/** A figure on its own scale: where the songs lie as blue strokes, their range as a band, the attempt as a stroke below. */
export function RangeStrip({ line }: { line: StyleLine }) {
  const { range, points, figure } = line;
  if (!range || !points) return null;
  const told = points.filter((point) => point !== null);
  const all = [...range, ...told, ...(figure === null ? [] : [figure])];
  const low = Math.min(...all);
  const span = Math.max(...all) - low || 1;
  const x = (value: number) => EDGE + ((value - low) / span) * (WIDTH - 2 * EDGE);
  const middle = HEIGHT / 2;
  return (
    <svg
      role="img"
      aria-label={`${told.length} songs from ${range[0]} to ${range[1]}; yours ${figure ?? "not told"}`}
      width={WIDTH}
      height={HEIGHT}
      className="block"
    >
      <path d={`M0 ${middle}H${WIDTH}`} stroke="var(--rule)" />
      <rect
        x={x(range[0])}
        y={3}
        width={Math.max(4, x(range[1]) - x(range[0]))}
        height={middle - 3}
        fill="var(--ink-d2)"
      />
      {told.map((point, index) => (
        <path key={index} d={`M${x(point)} 2V${middle}`} stroke="var(--measured)" strokeWidth="1.5" />
      ))}
      {figure !== null && <path d={`M${x(figure)} ${middle}V${HEIGHT - 2}`} stroke="var(--mine)" strokeWidth="3" />}
    </svg>
  );
}
