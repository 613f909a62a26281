import type { Analysis, Aspect, Reading } from "../../api/types";
import { confidenceStep, inkColour } from "../../lib/ink";
import { oddsAgainst, percent } from "../../lib/format";
import { useSheet } from "../context";
import { Part } from "../card/Part";
import { headline } from "./headline";

interface RivalsProps {
  aspect: Aspect;
  reading: Reading;
  onTake: (value: Record<string, unknown>) => void;
}

/** What else it could be, with odds; a rival can be taken in the place of the reading. */
export function Rivals({ aspect, reading, onTake }: RivalsProps) {
  const { analysis } = useSheet();
  if (reading.rivals.length === 0 || reading.confidence === null) return null;

  const sure = reading.confidence;
  return (
    <Part title="Rivals" aside="odds">
      <ul className="flex flex-col gap-1">
        <Line label={headline(reading)} odds={sure} />
        {reading.rivals.slice(0, 4).map((rival, index) => {
          const value = rivalValue(analysis, aspect, index);
          return (
            <Line
              key={rival.label}
              label={rival.label}
              odds={rival.odds}
              against={oddsAgainst(sure, rival.odds)}
              onTake={value ? () => onTake(value) : undefined}
            />
          );
        })}
      </ul>
    </Part>
  );
}

/** Rivals of a reading stand in the order of the analysis. */
export function rivalValue(analysis: Analysis, aspect: Aspect, index: number): Record<string, unknown> | null {
  if (aspect === "tempo") {
    const candidate = analysis.tempo.candidates[index + 1];
    return candidate ? { bpm: candidate.bpm } : null;
  }
  if (aspect === "meter") {
    const candidate = analysis.meters[index + 1];
    return candidate ? { name: candidate.name } : null;
  }
  if (aspect === "key") {
    const candidate = analysis.key?.rivals[index];
    return candidate ? { tonic: candidate.tonic, mode: candidate.mode } : null;
  }
  return null;
}

function Line({
  label,
  odds,
  against,
  onTake,
}: {
  label: string;
  odds: number;
  against?: string;
  onTake?: (() => void) | undefined;
}) {
  return (
    <li className="grid grid-cols-[84px_1fr_34px_58px] items-center gap-1.5">
      <span className="truncate" title={label}>
        {label}
      </span>
      <span aria-hidden className="h-swatch bg-deep">
        <span
          className="block h-full border border-measured"
          style={{ width: `${Math.max(3, odds * 100)}%`, background: inkColour(confidenceStep(odds)) }}
        />
      </span>
      <span className="figure text-right">{percent(odds)}</span>
      {onTake ? (
        <button
          type="button"
          onClick={onTake}
          title={`Take ${label} instead`}
          className="figure truncate text-right underline decoration-firm underline-offset-2 hover:bg-wash"
        >
          {against}
        </button>
      ) : (
        <span className="figure text-right text-ink-3">{against ?? ""}</span>
      )}
    </li>
  );
}
