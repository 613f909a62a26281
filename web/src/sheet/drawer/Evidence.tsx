import type { Aspect } from "../../api/types";
import { clock, figure, percent, plural } from "../../lib/format";
import { useSheet } from "../context";
import { Facts } from "../card/Facts";
import { Part } from "../card/Part";
import { Columns, hertz } from "../card/Columns";
import { Curve } from "../card/Curve";
import { DriftEvidence } from "./DriftEvidence";
import { FeelTable } from "./FeelTable";
import { KeyEvidence } from "./KeyEvidence";
import { MeterEvidence } from "./MeterEvidence";
import { PulseCurve } from "./PulseCurve";
import { WidthList } from "./WidthList";

/** The figures and the little plot that a measured reading rests on. */
export function Evidence({ aspect }: { aspect: Aspect }) {
  const { page, analysis } = useSheet();
  switch (aspect) {
    case "tempo":
      return (
        <>
          <TempoEvidence />
          <DriftEvidence />
          <FeelTable />
        </>
      );
    case "meter":
      return <MeterEvidence />;
    case "key":
      return <KeyEvidence />;
    case "tuning":
      return (
        <Part title="Where the partials lie" aside="cents from A 440">
          <Columns
            values={analysis.tuning.histogram}
            names={analysis.tuning.histogram.map((_, index) => String(index - 50))}
            unit="of all partials"
            label="Partials by distance from the nearest semitone"
            every={25}
            decimals={3}
          />
          <Facts
            facts={[
              ["A4", `${figure(analysis.tuning.a4, 1)} Hz`],
              ["Offset", `${figure(analysis.tuning.cents, 1)} cents`],
            ]}
          />
        </Part>
      );
    case "loop":
      return <LoopList />;
    case "form":
      return <FormList />;
    case "loudness":
      return (
        <>
          <Part title="Short-term loudness" aside="LUFS, 3 s">
            <Curve
              values={analysis.loudness.short_term.filter((level) => level > -60)}
              unit="LUFS"
              decimals={1}
              least={3}
            />
            <Facts
              facts={[
                ["Range", analysis.loudness.range === null ? "–" : `${figure(analysis.loudness.range, 1)} LU`],
                ["Loudest", `${figure(analysis.loudness.loudest_short_term, 1)} LUFS`],
                ["True peak", `${figure(analysis.loudness.true_peak, 1)} dBTP`],
                ["Side energy", widthRange(analysis.bars.map((bar) => bar.width))],
                ["Length", clock(analysis.duration / (page.frame?.ratio ?? 1), 1)],
              ]}
            />
          </Part>
          <WidthList registers={analysis.mix.registers} />
          <Part title="Mean spectrum" aside="dB by third octave">
            <Columns
              values={analysis.mix.spectrum.map((level) => Math.max(-60, level) + 60)}
              names={analysis.mix.centres.map(hertz)}
              unit="dB over the floor"
              label="Mean spectrum"
              every={6}
              decimals={0}
            />
          </Part>
        </>
      );
  }
}

function TempoEvidence() {
  const { analysis } = useSheet();
  const { candidates, pulse, constant } = analysis.tempo;
  return (
    <>
      {pulse.length > 0 && (
        <Part title="How well onsets repeat" aside="BPM">
          <PulseCurve pulse={pulse} marks={candidates.map((candidate) => candidate.bpm)} />
        </Part>
      )}
      {!constant && (
        <Part title="Tempo by bar" aside="BPM">
          <Curve values={analysis.bars.map((bar) => bar.bpm)} unit="BPM" decimals={2} least={1} />
        </Part>
      )}
      {candidates.length > 1 && (
        <Part title="Why it could be counted otherwise">
          <ul>
            {candidates.slice(1, 4).map((candidate) => (
              <li key={candidate.bpm} className="grid grid-cols-[52px_1fr] items-baseline gap-1 py-0.5">
                <span className="figure">{figure(candidate.bpm, 2)}</span>
                <span className="text-ink-2">{candidate.reason}</span>
              </li>
            ))}
          </ul>
        </Part>
      )}
    </>
  );
}

function LoopList() {
  const { analysis } = useSheet();
  return (
    <>
      {analysis.loops.map((loop) => (
        <Part
          key={loop.letters.join()}
          title={`In ${loop.letters.join(", ")}`}
          aside={`${plural(loop.bars, "bar")}, from bar ${loop.starts[0] ?? 1}`}
        >
          <p className="font-medium text-measured">{loop.symbols.join("  ")}</p>
          <p className="text-ink-2">{loop.degrees.join("  ")}</p>
        </Part>
      ))}
    </>
  );
}

function widthRange(widths: number[]): string {
  return `${percent(Math.min(...widths))} to ${percent(Math.max(...widths))}`;
}

function FormList() {
  const { analysis, select } = useSheet();
  return (
    <>
      {analysis.novelty.length > 1 && (
        <Part title="Where something new begins" aside="0 to 1 by bar">
          <Curve values={analysis.novelty.map((share) => share * 100)} unit="% likely" decimals={0} least={100} />
        </Part>
      )}
      <Part title="Sections" aside="reason">
        <ul>
          {analysis.sections.map((section) => (
            <li key={section.first_bar} className="grid grid-cols-[24px_74px_1fr] items-baseline gap-1 py-0.5">
              <span className="figure">{section.letter}</span>
              <button
                type="button"
                onClick={() => select({ kind: "section", at: section.start })}
                className="truncate text-left font-serif text-13 italic hover:underline"
              >
                {section.label}
              </button>
              <span className="text-11 text-ink-2">{section.reason}</span>
            </li>
          ))}
        </ul>
      </Part>
    </>
  );
}
