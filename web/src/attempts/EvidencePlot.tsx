import type { EvidencePlot as Plot } from "../api/types";
import { figure } from "../lib/format";

const WIDTH = 268;
const HALF = 34;
const HEIGHT = 2 * HALF + 30;
/** Room for the name of a place. */
const NAME = 24;

/** Both songs in one plot, as on the sheet: the reference above the hairline, the attempt below it, the places in question underlined. */
export function EvidencePlot({ plot }: { plot: Plot }) {
  const told = [...plot.reference, ...plot.attempt].filter((value) => value !== null);
  if (told.length === 0) return null;
  const low = Math.min(0, ...told) < 0 ? Math.min(...told) : 0;
  const span = Math.max(...told) - low || 1;
  const step = WIDTH / plot.places.length;
  const height = (value: number) => 1 + ((value - low) / span) * (HALF - 4);
  const every = Math.max(1, Math.ceil(NAME / step));
  return (
    <figure className="mt-3">
      <figcaption className="text-12 text-ink-2">
        {plot.title}
        {plot.unit && `, ${figure(low, 0)} to ${figure(low + span, 0)} ${plot.unit}`}
      </figcaption>
      <svg role="img" aria-label={described(plot)} width={WIDTH} height={HEIGHT} className="mt-1 block">
        {plot.places.map((_, index) => (
          <g key={index}>
            <Column value={plot.reference[index]} x={index * step} width={step} up height={height} />
            <Column value={plot.attempt[index]} x={index * step} width={step} up={false} height={height} />
          </g>
        ))}
        <path d={`M0 ${HALF}H${WIDTH}`} stroke="var(--firm)" />
        {plot.marked.map((index) => (
          <path
            key={index}
            d={`M${index * step} ${2 * HALF + 2}H${(index + 1) * step}`}
            stroke="var(--conflict)"
            strokeWidth="2.5"
          />
        ))}
        {plot.places.map((place, index) =>
          place !== "" && (plot.places.length <= 16 || index % every === 0) ? (
            <text
              key={index}
              x={index * step + Math.min(step / 2, 1)}
              y={2 * HALF + 17}
              fontSize="11"
              fill="var(--ink-2)"
              className="font-mono"
            >
              {short(place, step)}
            </text>
          ) : null,
        )}
      </svg>
    </figure>
  );
}

interface ColumnProps {
  value: number | null | undefined;
  x: number;
  width: number;
  up: boolean;
  height: (value: number) => number;
}

function Column({ value, x, width, up, height }: ColumnProps) {
  if (value === null || value === undefined) return null;
  const tall = height(value);
  return (
    <rect
      x={x}
      y={up ? HALF - tall : HALF}
      width={Math.max(1, width - (width > 4 ? 1 : 0))}
      height={tall}
      fill={up ? "var(--measured)" : "var(--mine)"}
    />
  );
}

/** The name of a place, or as much of it as there is room for. */
function short(place: string, step: number): string {
  const room = Math.max(3, Math.floor(step / 7));
  const [first = place] = place.split(" ");
  return place.length <= room ? place : first.slice(0, room);
}

function described({ title, places, reference, attempt, marked }: Plot): string {
  const told = (marked.length > 0 && marked.length <= 4 ? marked : []).map(
    (index) => `${places[index]}: reference ${reference[index] ?? "none"}, yours ${attempt[index] ?? "none"}`,
  );
  return [title, ...told].join("; ");
}
