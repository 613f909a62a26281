import { figure } from "../../lib/format";
import { useSheet } from "../context";

interface CurveProps {
  values: number[];
  unit: string;
  decimals: number;
  /** The least range of the axis, so that a steady value draws a straight line. */
  least: number;
}

const WIDTH = 230;
const HEIGHT = 62;
const FOOT = 16;
/** Less than this share of the least range is no movement. */
const FLAT = 0.02;
/** Letters nearer than this, in pixels, would lie on each other. */
const LETTER = 11;

/** A series by bar over the sections, with its lowest and highest figure on the axis. One that never moves is a sentence. */
export function Curve({ values, unit, decimals, least }: CurveProps) {
  const { analysis } = useSheet();
  const low = Math.min(...values);
  const high = Math.max(...values);
  if (high - low <= least * FLAT)
    return (
      <p className="font-serif text-15">
        The same in every bar: <span className="figure">{figure(high, decimals)}</span> {unit}.
      </p>
    );
  const middle = (low + high) / 2;
  const half = Math.max(high - low, least) / 2;
  const y = (value: number) => 4 + (1 - (value - middle + half) / (2 * half)) * (HEIGHT - FOOT - 8);
  const x = (index: number) => ((index + 0.5) / values.length) * WIDTH;
  const path = values.map((value, index) => `${x(index).toFixed(1)},${y(value).toFixed(1)}`).join(" L");
  const starts = analysis.sections.filter((section) => section.first_bar <= values.length);
  const edge = (bar: number) => ((bar - 1) / values.length) * WIDTH;
  const lettered = apart(starts, ({ first_bar: bar }) => edge(bar));
  return (
    <figure>
      <svg
        role="img"
        aria-label={`From ${figure(low, decimals)} to ${figure(high, decimals)} ${unit}, bars 1 to ${values.length}`}
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full"
      >
        <rect width={WIDTH} height={HEIGHT - FOOT} fill="var(--paper-deep)" opacity="0.5" />
        {starts.map(({ first_bar: bar }) => (
          <path key={bar} d={`M${edge(bar).toFixed(1)} 0V${HEIGHT - FOOT}`} stroke="var(--rule)" />
        ))}
        <path d={`M${path}`} fill="none" stroke="var(--measured)" strokeWidth="1.4" />
        {lettered.map(({ first_bar: bar, letter }) => (
          <text key={bar} x={edge(bar) + 1} y={HEIGHT - 4} fontSize="11" fill="var(--ink-2)">
            {letter}
          </text>
        ))}
      </svg>
      <figcaption className="flex justify-between text-11 text-ink-2">
        <span>
          lowest <span className="figure">{figure(low, decimals)}</span> {unit}
        </span>
        <span>
          highest <span className="figure">{figure(high, decimals)}</span> {unit}
        </span>
      </figcaption>
    </figure>
  );
}

/** Those that lie far enough from the one before. */
function apart<T>(things: T[], at: (thing: T) => number): T[] {
  return things.reduce<T[]>((kept, thing) => {
    const last = kept.at(-1);
    return last === undefined || at(thing) - at(last) >= LETTER ? [...kept, thing] : kept;
  }, []);
}
