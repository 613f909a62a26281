import { signs } from "../../lib/format";
import { inkColour, type Step } from "../../lib/ink";
import { useSheet } from "../context";
import { Part } from "../card/Part";

const FLATS = ["C", "Db", "D", "Eb", "E", "F", "Gb", "G", "Ab", "A", "Bb", "B"];
const SHARPS = ["C", "C#", "D", "D#", "E", "F", "F#", "G", "G#", "A", "A#", "B"];
const NATURAL: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const COLUMN = 19;
const HEIGHT = 34;

/** How much of the sound each note holds, from the tonic up: all sound above, the bass below. */
export function PitchClasses() {
  const { analysis } = useSheet();
  const key = analysis.key;
  if (!key) return null;

  const tonic = pitchClass(key.tonic);
  const order = Array.from({ length: 12 }, (_, step) => (tonic + step) % 12);
  const scale = new Map(key.scale.map((note) => [pitchClass(note), note]));
  const names = key.signature < 0 ? FLATS : SHARPS;
  return (
    <Part title="Notes, % of what sounds" aside="all, then bass">
      <Bars label="All sound" order={order} shares={analysis.pitch_classes.all} scale={scale} />
      <div aria-hidden className="flex">
        {order.map((note) => (
          <span
            key={note}
            className={`text-center text-11 ${scale.has(note) ? "font-medium" : "text-ink-3"}`}
            style={{ width: COLUMN }}
          >
            {signs(scale.get(note) ?? names[note] ?? "")}
          </span>
        ))}
      </div>
      <Bars label="Bass" order={order} shares={analysis.pitch_classes.bass} scale={scale} />
    </Part>
  );
}

function pitchClass(name: string): number {
  const signs = [...name.slice(1)].reduce((sum, sign) => sum + (sign === "#" ? 1 : -1), 0);
  return ((NATURAL[name.charAt(0)] ?? 0) + signs + 12) % 12;
}

interface BarsProps {
  label: string;
  order: number[];
  shares: number[];
  scale: Map<number, string>;
}

/** Notes outside the scale are outlined; figures stand over those that matter. */
function Bars({ label, order, shares, scale }: BarsProps) {
  const top = Math.max(...shares, 0.01);
  return (
    <svg
      role="img"
      aria-label={`${label}: ${order.map((note) => Math.round((shares[note] ?? 0) * 100)).join(", ")} per cent from the tonic up`}
      width={COLUMN * 12}
      height={HEIGHT + 12}
    >
      {order.map((note, index) => {
        const share = shares[note] ?? 0;
        const height = (share / top) * HEIGHT;
        const inside = scale.has(note);
        const step = Math.min(5, 1 + Math.floor((share / top) * 4.99)) as Step;
        return (
          <g key={note}>
            <rect
              x={index * COLUMN + 2.5}
              y={HEIGHT + 11 - height}
              width={COLUMN - 5}
              height={Math.max(1, height)}
              fill={inside ? inkColour(step) : "none"}
              stroke={inside ? "none" : "var(--rule-firm)"}
            />
            {share >= 0.075 && (
              <text
                x={index * COLUMN + COLUMN / 2}
                y={HEIGHT + 8 - height}
                textAnchor="middle"
                fontSize="11"
                fontFamily="var(--mono)"
                fill="var(--ink)"
              >
                {Math.round(share * 100)}
              </text>
            )}
          </g>
        );
      })}
      <line x1="0" x2={COLUMN * 12} y1={HEIGHT + 11.5} y2={HEIGHT + 11.5} stroke="var(--rule)" />
    </svg>
  );
}
