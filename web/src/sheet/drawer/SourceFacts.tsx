import type { ScorePart, StemSound } from "../../api/types";
import { figure, plural } from "../../lib/format";
import { pitchName } from "../../lib/naming";
import { BEATS } from "../../api/contract";
import { useSheet } from "../context";
import { Facts } from "../card/Facts";
import { Part } from "../card/Part";
import { words } from "../../words/words";

/** Note values of so many steps in a beat. */
const GATED: Record<number, string> = {
  1: "quarters",
  2: "8ths",
  3: "8th triplets",
  4: "16ths",
  6: "16th triplets",
  8: "32nds",
};
const gatedIn = (steps: number) => GATED[steps] ?? `${steps} steps a beat`;

/** All that was measured on a stem, in words and figures. */
export function StemFacts({ stem }: { stem: StemSound }) {
  const facts: [string, string | null][] = [
    ["Image", imageText(stem)],
    [
      "Wanders",
      stem.motion && `${figure(stem.motion.range / 2, 2)} of the way, a turn in ${figure(stem.motion.bars, 1)} bars`,
    ],
    ["Frequencies", `${hertz(stem.bandwidth[0])} to ${hertz(stem.bandwidth[1])}`],
    ["Brightness", hertz(stem.brightness)],
    ["Attack", stem.shape && `${stem.shape.attack}, ${stem.shape.attack_ms} ms`],
    ["Decay", stem.shape && `${stem.shape.decay}${stem.shape.decay_ms === null ? "" : `, ${stem.shape.decay_ms} ms`}`],
    ["Crest", `${figure(stem.crest_db, 1)} dB`],
    [
      "Pumps",
      stem.pumping &&
        `${figure(stem.pumping.depth_db, 1)} dB, every ${stem.pumping.rate}${stem.pumping.follows ? `, with ${stem.pumping.follows}` : ""}`,
    ],
    ["Repeats itself", stem.echo && echoText(stem.echo)],
    ["Dies away in", stem.tail_s === null ? null : `about ${figure(stem.tail_s, 1)} s`],
    [words.gated, stem.gating && `in ${gatedIn(stem.gating.steps)}, ${figure(stem.gating.depth_db, 0)} dB`],
    [
      "Register",
      stem.pitch &&
        `${pitchName(stem.pitch.low)} to ${pitchName(stem.pitch.high)}, mostly ${pitchName(stem.pitch.middle)}`,
    ],
    ["Voices", stem.pitch && (stem.pitch.line ? "one at a time" : `about ${figure(stem.pitch.polyphony, 1)}`)],
    ["Onsets", `${figure(stem.density, 2)} a beat`],
    ["Against the grid", lateText(stem)],
    ["Swing", stem.timing.swing === null ? null : `${Math.round(stem.timing.swing * 100)} %`],
    ["Comes back", stem.period === null ? "not within 16 bars" : `after ${plural(stem.period, "bar")}`],
    ["By section", variationText(stem.variations)],
  ];
  return (
    <Part title="On its stem" aside={stem.name}>
      <Facts facts={facts.filter((fact): fact is [string, string] => Boolean(fact[1]))} />
    </Part>
  );
}

/** What the notes of a part tell exactly. */
export function ScorePartFacts({ part }: { part: ScorePart }) {
  const { velocity } = part;
  const facts: [string, string | null][] = [
    ["Notes", String(part.notes)],
    ["Register", `${pitchName(part.low)} to ${pitchName(part.high)}, mostly ${pitchName(part.middle)}`],
    ["At once", `up to ${part.polyphony}`],
    ["Length", `mostly ${figure(part.length_beats, 2)} quarters`],
    [
      "Velocity",
      `${velocity.low} to ${velocity.high}, mostly ${velocity.middle}, spread ${figure(velocity.spread, 1)}`,
    ],
    ["By sixteenth", velocity.by_sixteenth.map((value) => value ?? "–").join("  ")],
    ["Grid", part.grid && `${part.grid}, within ${figure(part.residual_ms ?? 0, 1)} ms`],
    ["Comes back", part.period === null ? null : `after ${plural(part.period, "bar")}`],
    ["Moved", part.transposed && movedText(part.transposed)],
    ["By section", variationText(part.variations)],
  ];
  return (
    <Part title="In its notes" aside={part.name}>
      <Facts facts={facts.filter((fact): fact is [string, string] => Boolean(fact[1]))} />
      {part.pattern.length > 0 && <NoteGrid part={part} />}
    </Part>
  );
}

const ROW = 7;
const STEP = 14;

/** The notes of a pattern on their sixteenths, high ones at the top. */
function NoteGrid({ part }: { part: ScorePart }) {
  const { analysis } = useSheet();
  const bar = (BEATS[analysis.meter] ?? 4) * 4;
  const bars = Math.floor(Math.max(...part.pattern.map(([step]) => step)) / bar) + 1;
  const pitches = [...new Set(part.pattern.map(([, pitch]) => pitch))].sort((a, b) => b - a);
  const size = { width: bars * bar * STEP, height: pitches.length * ROW };
  return (
    <figure className="mt-2">
      <svg
        role="img"
        aria-label={`Pattern of ${part.name}, ${plural(bars, "bar")}: ${part.pattern.map(([step, pitch]) => `${pitchName(pitch)} on sixteenth ${step + 1}`).join(", ")}`}
        viewBox={`0 0 ${size.width} ${size.height}`}
        preserveAspectRatio="none"
        className="w-full border border-faint"
        style={{ height: size.height }}
      >
        {Array.from({ length: bars * (bar / 4) }, (_, beat) => (
          <line
            key={beat}
            x1={beat * 4 * STEP}
            x2={beat * 4 * STEP}
            y1={0}
            y2={size.height}
            vectorEffect="non-scaling-stroke"
            className={(beat * 4) % bar === 0 ? "stroke-firm" : "stroke-faint"}
          />
        ))}
        {part.pattern.map(([step, pitch]) => (
          <rect
            key={`${step}-${pitch}`}
            x={step * STEP + 1}
            y={pitches.indexOf(pitch) * ROW + 1}
            width={STEP - 2}
            height={ROW - 2}
            className="fill-measured"
          />
        ))}
      </svg>
      <figcaption className="mt-1 text-11 text-ink-3">
        {`${part.period === null ? "Its first bar" : `${plural(bars, "bar")} until it comes back`}, by sixteenth, ${pitchName(pitches[0] ?? 0)} at the top`}
      </figcaption>
    </figure>
  );
}

function echoText(echo: NonNullable<StemSound["echo"]>): string {
  return `after ${echo.unit}, ${echo.ms} ms, ${figure(echo.under_db, 0)} dB under${echo.alternates ? ", from side to side" : ""}`;
}

function movedText({ bars, semitones }: NonNullable<ScorePart["transposed"]>): string {
  return `${plural(Math.abs(semitones), "semitone")} ${semitones > 0 ? "up" : "down"} after ${plural(bars, "bar")}`;
}

/** Nothing where it is the same in every section. */
function variationText(variations: (string | null)[]): string | null {
  return new Set(variations).size > 1 ? variations.map((name) => name ?? "–").join("  ") : null;
}

function hertz(value: number): string {
  return value >= 1000 ? `${figure(value / 1000, 1)} kHz` : `${figure(value, 0)} Hz`;
}

function imageText(stem: StemSound): string {
  const side = stem.pan < 0 ? "left" : "right";
  return Math.abs(stem.pan) < 0.08
    ? `${stem.image}, in the middle`
    : `${stem.image}, ${Math.round(Math.abs(stem.pan) * 100)} % ${side}`;
}

function lateText({ timing }: StemSound): string | null {
  if (timing.late_ms === null) return null;
  const place =
    Math.abs(timing.late_ms) < 3
      ? "on it"
      : `${figure(Math.abs(timing.late_ms), 0)} ms ${timing.late_ms > 0 ? "late" : "early"}`;
  return `${place}, spread ${figure(timing.spread_ms ?? 0, 1)} ms`;
}
