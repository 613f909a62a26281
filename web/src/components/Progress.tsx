import type { Run } from "../api/types";
import { useTimeLeft } from "./useTimeLeft";

const STAGES: Record<string, string> = {
  decoding: "decoding",
  loudness: "loudness and width",
  spectra: "spectra",
  rhythm: "tempo and beats",
  chords: "key and chords",
  form: "sections",
  layers: "layers",
  techniques: "techniques",
  storing: "writing it down",
};

export function stageName(stage: string | null): string {
  return (stage && STAGES[stage]) ?? stage ?? "waiting";
}

/** How far an analysis is, and the name of the stage. */
export function Progress({ run }: { run: Run }) {
  return (
    <ProgressBar
      name="Analysis"
      share={run.progress}
      stage={run.state === "queued" ? "waiting for its turn" : stageName(run.stage)}
    />
  );
}

/** Ink that fills from the left. */
export function ProgressBar({ name, share, stage }: { name: string; share: number; stage: string }) {
  const left = useTimeLeft(share, share > 0 && share < 1);
  const percent = Math.round(share * 100);
  return (
    <span className="flex items-center gap-3">
      <span
        role="progressbar"
        aria-valuenow={percent}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-label={name}
        className="h-swatch w-40 border border-measured"
      >
        <span className="block h-full bg-measured transition-[width] duration-300" style={{ width: `${percent}%` }} />
      </span>
      <span className="figure">{percent} %</span>
      <span className="text-ink-2">
        {stage}
        {left !== null && `, about ${left} s left`}
      </span>
    </span>
  );
}
