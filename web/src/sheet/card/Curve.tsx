import { figure } from "../../lib/format";

interface CurveProps {
  values: number[];
  unit: string;
  decimals: number;
  /** The least range of the axis, so that a steady value draws a straight line. */
  least: number;
}

const WIDTH = 230;
const HEIGHT = 44;

/** A series by bar, with its lowest and highest figure. */
export function Curve({ values, unit, decimals, least }: CurveProps) {
  const low = Math.min(...values);
  const high = Math.max(...values);
  const middle = (low + high) / 2;
  const half = Math.max(high - low, least) / 2;
  const y = (value: number) => 3 + (1 - (value - middle + half) / (2 * half)) * (HEIGHT - 6);
  const x = (index: number) => ((index + 0.5) / values.length) * WIDTH;
  const path = values.map((value, index) => `${x(index).toFixed(1)},${y(value).toFixed(1)}`).join(" L");
  return (
    <figure>
      <svg
        role="img"
        aria-label={`From ${figure(low, decimals)} to ${figure(high, decimals)} ${unit}`}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full bg-deep/50"
      >
        <path d={`M${path}`} fill="none" stroke="var(--measured)" strokeWidth="1.4" />
      </svg>
      <figcaption className="mt-1 flex justify-between text-11 text-ink-2">
        <span>
          lowest <span className="figure">{figure(low, decimals)}</span>
        </span>
        <span>
          highest <span className="figure">{figure(high, decimals)}</span>
        </span>
      </figcaption>
    </figure>
  );
}
