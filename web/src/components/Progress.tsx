import type { Run } from "../api/types";

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

/** How far an analysis is: ink that fills from the left, and the name of the stage. */
export function Progress({ run }: { run: Run }) {
  const share = Math.round(run.progress * 100);
  return (
    <span className="flex items-center gap-3">
      <span
        role="progressbar"
        aria-valuenow={share}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-label="Analysis"
        className="h-[9px] w-40 border border-measured"
      >
        <span className="block h-full bg-measured transition-[width] duration-300" style={{ width: `${share}%` }} />
      </span>
      <span className="figure">{share} %</span>
      <span className="text-ink-2">{run.state === "queued" ? "waiting for its turn" : stageName(run.stage)}</span>
    </span>
  );
}
