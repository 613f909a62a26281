import type { LayerFeel, PlayedLine } from "../../api/types";
import { figure, percent } from "../../lib/format";
import { useSheet } from "../context";
import { Part } from "../card/Part";

const WIDTH = 232;
const LINE = 15;
const LEFT = 64;
const RIGHT = 8;
/** A feel is straight up to this ratio. */
const STRAIGHT = 0.53;

/** The feel of every layer that stems or notes tell: one beat drawn, a dot where each layer's off-beat falls, and the figures. */
export function FeelTable() {
  const { analysis, select } = useSheet();
  const told = analysis.lines.flatMap((line) => (line.feel ? [{ line, feel: line.feel }] : []));
  if (told.length === 0) return null;

  return (
    <Part title="Feel by layer" aside="one beat, off-beats as dots">
      <Drawing told={told} />
      <table className="mt-2 w-full text-left text-12">
        <thead className="text-11 text-ink-2">
          <tr>
            <th className="pr-1 font-normal">layer</th>
            <th className="pr-1 text-right font-normal">off-beat</th>
            <th className="pr-1 text-right font-normal">ms</th>
            <th className="pr-1 text-right font-normal">spread</th>
            <th className="text-right font-normal">hard, soft</th>
          </tr>
        </thead>
        <tbody>
          {told.map(({ line, feel }) => (
            <tr key={line.layer} className="border-t border-faint">
              <th className="max-w-20 truncate py-0.5 pr-1 font-normal">
                <button
                  type="button"
                  className="truncate hover:underline"
                  onClick={() => select({ kind: "layer", name: line.layer })}
                >
                  {line.layer}
                </button>
              </th>
              <td className="figure pr-1 text-right whitespace-nowrap">{swingText(feel)}</td>
              <td className="figure pr-1 text-right">{feel.ratio > STRAIGHT ? figure(feel.ms, 0) : "–"}</td>
              <td className="figure pr-1 text-right">{feel.spread_ms === null ? "–" : figure(feel.spread_ms, 1)}</td>
              <td className="figure text-right whitespace-nowrap">
                {feel.ladder ? feel.ladder.map((value) => percent(value)).join(", ") : "–"}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1 text-11 text-ink-2">Off-beat in its pair; ms after the straight one; spread in ms.</p>
    </Part>
  );
}

export function swingText(feel: LayerFeel): string {
  return feel.ratio > STRAIGHT ? `${percent(feel.ratio)} ${feel.unit}` : "straight";
}

/** Where in the beat a layer's off-beats fall. */
function places(feel: LayerFeel): number[] {
  if (feel.ratio <= STRAIGHT) return [0, 0.5];
  return feel.unit === "8th" ? [0, feel.ratio] : [0, feel.ratio / 2, 0.5, 0.5 + feel.ratio / 2];
}

function Drawing({ told }: { told: { line: PlayedLine; feel: LayerFeel }[] }) {
  const height = told.length * LINE + 14;
  const x = (share: number) => LEFT + share * (WIDTH - LEFT - RIGHT);
  return (
    <svg
      role="img"
      aria-label={told.map(({ line, feel }) => `${line.layer}: ${swingText(feel)}`).join("; ")}
      viewBox={`0 0 ${WIDTH} ${height}`}
      className="w-full bg-deep/50"
    >
      {[0, 0.25, 0.5, 0.75, 1].map((share) => (
        <path
          key={share}
          d={`M${x(share)} 0V${told.length * LINE}`}
          stroke={share === 0 || share === 1 ? "var(--rule-firm)" : "var(--rule)"}
        />
      ))}
      {["beat", "¼", "½", "¾"].map((name, index) => (
        <text key={name} x={x(index / 4)} y={height - 3} fontSize={9} fill="var(--ink-2)" textAnchor="middle">
          {name}
        </text>
      ))}
      {told.map(({ line, feel }, index) => (
        <g key={line.layer}>
          <text x={4} y={index * LINE + 11} fontSize={10} fill="var(--ink)">
            {line.layer.length > 10 ? `${line.layer.slice(0, 9)}…` : line.layer}
          </text>
          {places(feel).map((share) => (
            <circle key={share} cx={x(share)} cy={index * LINE + 8} r={3} fill="var(--measured)" />
          ))}
        </g>
      ))}
    </svg>
  );
}
