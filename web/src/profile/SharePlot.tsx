import type { Claim } from "../api/types";
import { percent } from "../lib/format";

const WIDTH = 190;
const HEIGHT = 16;
const x = (share: number) => 4 + share * (WIDTH - 8);

/** The share of the songs as a bar, the interval in which it may lie as a line, and other music as an upright. */
export function SharePlot({ claim }: { claim: Pick<Claim, "share" | "low" | "high" | "elsewhere"> }) {
  const { share, low, high, elsewhere } = claim;
  const label = `${percent(share)} of the songs, somewhere from ${percent(low)} to ${percent(high)}${elsewhere === null ? "" : `; ${percent(elsewhere)} elsewhere`}`;
  return (
    <svg role="img" aria-label={label} width={WIDTH} height={HEIGHT} className="block">
      <path d={[0, 0.5, 1].map((tick) => `M${x(tick)} 0V${HEIGHT}`).join("")} stroke="var(--rule-faint)" />
      <rect x={x(0)} y={5} width={x(share) - x(0)} height={6} fill="var(--measured)" opacity="0.55" />
      <path
        d={`M${x(low)} 8H${x(high)}M${x(low)} 5V11M${x(high)} 5V11`}
        stroke="var(--measured)"
        strokeWidth="1.3"
        fill="none"
      />
      {elsewhere !== null && <path d={`M${x(elsewhere)} 1V15`} stroke="var(--ink)" strokeWidth="2" />}
    </svg>
  );
}

/** The axis above them. */
export function ShareAxis() {
  return (
    <svg aria-hidden width={WIDTH} height={14} className="block" fontSize="11" fontFamily="var(--mono)">
      <text x={x(0)} y={11} fill="var(--ink-3)">
        0
      </text>
      <text x={x(0.5)} y={11} textAnchor="middle" fill="var(--ink-3)">
        50
      </text>
      <text x={x(1)} y={11} textAnchor="end" fill="var(--ink-3)">
        100 %
      </text>
    </svg>
  );
}
