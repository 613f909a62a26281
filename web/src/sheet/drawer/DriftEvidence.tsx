import { figure } from "../../lib/format";
import { Curve } from "../card/Curve";
import { Facts } from "../card/Facts";
import { Part } from "../card/Part";
import { Button } from "../../components/Button";
import { currentReading, useSheet } from "../context";

/** How far what is struck lies from the grid bar by bar, and the tempo that would follow it better. */
export function DriftEvidence() {
  const { page, analysis, edits } = useSheet();
  const { residuals, drift_ms: drift, better } = analysis.tempo;
  const known = residuals.filter((value): value is number => value !== null);
  const reading = currentReading(page, "tempo");
  if (known.length < 4) return null;

  const sorted = known.map(Math.abs).sort((one, other) => one - other);
  return (
    <Part title="Against the grid" aside="ms late, by bar">
      <Curve values={known} unit="ms" decimals={1} least={10} />
      <Facts
        facts={[
          ["Half within", `${figure(sorted[Math.floor(sorted.length / 2)] ?? 0, 1)} ms`],
          ["Drift", drift === null ? "not told" : `${figure(drift, 1)} ms, first to last bar`],
        ]}
      />
      {better !== null && reading && (
        <div className="mt-1.5 flex items-center justify-between gap-2">
          <p className="text-ink-2">
            Even beats at <span className="figure">{figure(better, 2)}</span> BPM would stay with it.
          </p>
          <Button
            className="shrink-0 px-2"
            onClick={() => void edits.correct(reading.id, { value: { bpm: better }, note: "The tempo without drift." })}
          >
            Take {figure(better, 2)}
          </Button>
        </div>
      )}
    </Part>
  );
}
