import type { ScorePart, StemSound } from "../../api/types";
import { figure, pitchName } from "../../lib/format";
import { Facts } from "./Evidence";
import { Part } from "./Drawer";

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
    ["Chopped", stem.gating && `${stem.gating.steps} times a beat, ${figure(stem.gating.depth_db, 0)} dB`],
    [
      "Register",
      stem.pitch &&
        `${pitchName(stem.pitch.low)} to ${pitchName(stem.pitch.high)}, mostly ${pitchName(stem.pitch.middle)}`,
    ],
    ["Voices", stem.pitch && (stem.pitch.line ? "one at a time" : `about ${figure(stem.pitch.polyphony, 1)}`)],
    ["Onsets", `${figure(stem.density, 2)} a beat`],
    ["Against the grid", lateText(stem)],
    ["Swing", stem.timing.swing === null ? null : `${Math.round(stem.timing.swing * 100)} %`],
    [
      "Repeats",
      stem.period === null ? "not within 16 bars" : `after ${stem.period} ${stem.period === 1 ? "bar" : "bars"}`,
    ],
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
    ["Repeats", part.period === null ? null : `after ${part.period} ${part.period === 1 ? "bar" : "bars"}`],
  ];
  return (
    <Part title="In its notes" aside={part.name}>
      <Facts facts={facts.filter((fact): fact is [string, string] => Boolean(fact[1]))} />
    </Part>
  );
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
