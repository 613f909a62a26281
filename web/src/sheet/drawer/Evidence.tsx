import type { Aspect } from "../../api/types";
import { clock, figure, percent } from "../../lib/format";
import { useSheet } from "../context";
import { Part } from "./Drawer";
import { PitchClasses } from "./PitchClasses";
import { Curve } from "./Curve";

/** The figures and the little plot that a measured reading rests on. */
export function Evidence({ aspect }: { aspect: Aspect }) {
  const { analysis } = useSheet();
  switch (aspect) {
    case "tempo":
      return (
        <Part title="Tempo by bar" aside="BPM">
          <Curve values={analysis.bars.map((bar) => bar.bpm)} unit="BPM" decimals={2} least={1} />
        </Part>
      );
    case "meter":
      return (
        <Part title="Feel">
          <Facts
            facts={[
              ["Off-beat", `${percent(analysis.groove.swing_ratio)} of a pair of ${analysis.groove.swing_unit}s`],
              ["Beats", `${analysis.beats.length} in ${analysis.bars.length} bars`],
              ["Pickup", analysis.pickup_beats === 0 ? "none" : `${analysis.pickup_beats} beats`],
            ]}
          />
        </Part>
      );
    case "key":
      return <PitchClasses />;
    case "tuning":
      return (
        <Part title="Where the partials lie">
          <Facts
            facts={[
              ["A4", `${figure(analysis.tuning.a4, 1)} Hz`],
              ["Offset", `${figure(analysis.tuning.cents, 1)} cents`],
            ]}
          />
        </Part>
      );
    case "loop":
      return analysis.loop ? (
        <Part title="The loop" aside={`${analysis.loop.bars} bars`}>
          <p className="font-medium text-measured">{analysis.loop.symbols.join("  ")}</p>
          <p className="text-ink-2">{analysis.loop.degrees.join("  ")}</p>
        </Part>
      ) : null;
    case "form":
      return <FormList />;
    case "loudness":
      return (
        <Part title="Loudness by bar" aside="LUFS">
          <Curve values={analysis.bars.map((bar) => bar.energy)} unit="LUFS" decimals={1} least={3} />
          <Facts
            facts={[
              ["Sample peak", `${figure(analysis.loudness.peak_db, 1)} dBFS`],
              ["Side energy", widthRange(analysis.bars.map((bar) => bar.width))],
              ["Length", clock(analysis.duration, 1)],
            ]}
          />
        </Part>
      );
  }
}

function widthRange(widths: number[]): string {
  return `${percent(Math.min(...widths))} to ${percent(Math.max(...widths))}`;
}

export function Facts({ facts }: { facts: [string, string][] }) {
  return (
    <dl className="mt-1 grid grid-cols-[92px_1fr] gap-y-1">
      {facts.map(([name, value]) => (
        <div key={name} className="contents">
          <dt className="text-ink-2">{name}</dt>
          <dd className="figure">{value}</dd>
        </div>
      ))}
    </dl>
  );
}

function FormList() {
  const { analysis, select } = useSheet();
  return (
    <Part title="Sections" aside="reason">
      <ul>
        {analysis.sections.map((section, index) => (
          <li key={section.first_bar} className="grid grid-cols-[24px_74px_1fr] items-baseline gap-1 py-0.5">
            <span className="figure">{section.letter}</span>
            <button
              type="button"
              onClick={() => select({ kind: "section", index })}
              className="truncate text-left font-serif text-13 italic hover:underline"
            >
              {section.label}
            </button>
            <span className="text-11 text-ink-2">{section.reason}</span>
          </li>
        ))}
      </ul>
    </Part>
  );
}
