import { figure } from "../../lib/format";

interface SpectrumProps {
  /** One value a column; drawn up or down from zero. */
  values: number[];
  names: string[];
  unit: string;
  label: string;
  /** Every so many columns carry their name. */
  every: number;
  decimals?: number;
}

const WIDTH = 230;
const HEIGHT = 56;
const FOOT = 14;

/** Columns around a zero line, such as decibels by band or offsets by step. */
export function Columns({ values, names, unit, label, every, decimals = 1 }: SpectrumProps) {
  const high = Math.max(0, ...values);
  const low = Math.min(0, ...values);
  const range = Math.max(high - low, 1e-6);
  const y = (value: number) => 2 + ((high - value) / range) * (HEIGHT - 4);
  const column = WIDTH / Math.max(1, values.length);
  return (
    <figure>
      <svg
        role="img"
        aria-label={`${label}: from ${figure(low, decimals)} to ${figure(high, decimals)} ${unit}`}
        viewBox={`0 0 ${WIDTH} ${HEIGHT + FOOT}`}
        className="w-full"
      >
        <line x1="0" x2={WIDTH} y1={y(0)} y2={y(0)} stroke="var(--rule-firm)" />
        {values.map((value, index) => (
          <rect
            key={index}
            x={index * column + 0.6}
            y={Math.min(y(0), y(value))}
            width={Math.max(1, column - 1.2)}
            height={Math.max(0.6, Math.abs(y(value) - y(0)))}
            fill="var(--measured)"
          >
            <title>{`${names[index] ?? ""}: ${figure(value, decimals)} ${unit}`}</title>
          </rect>
        ))}
        {names.map((name, index) =>
          index % every === 0 ? (
            <text
              key={index}
              x={index * column + column / 2}
              y={HEIGHT + FOOT - 3}
              textAnchor={index === 0 ? "start" : "middle"}
              fontSize="9.5"
              fontFamily="var(--mono)"
              fill="var(--ink-2)"
            >
              {name}
            </text>
          ) : null,
        )}
      </svg>
    </figure>
  );
}

/** Hz as short as a label allows. */
export function hertz(value: number): string {
  return value >= 1000 ? `${value / 1000}k` : String(value);
}
