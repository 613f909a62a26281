import type { Run } from "../api/types";
import { Progress } from "../components/Progress";

/** Rows of the sheet, with the share of the work after which each can be read. */
const ROWS: [string, number][] = [
  ["Energy", 0.25],
  ["Tempo and meter", 0.72],
  ["Chords", 0.84],
  ["Section", 0.9],
  ["kick", 0.95],
  ["snare", 0.95],
  ["hats", 0.95],
  ["bass", 0.95],
  ["chords", 0.95],
  ["lead", 0.95],
  ["Techniques", 1],
];

/** The ruled rows of a sheet whose analysis is under way: ink fills in, and names stay grey until their stage is done. */
export function Unfinished({ run }: { run: Run }) {
  return (
    <div className="px-4 pt-4">
      <Progress run={run} />
      <div className="mt-4 border-t border-rule">
        {ROWS.map(([name, done], index) => {
          const before = Math.max(
            0,
            ...ROWS.slice(0, index)
              .map(([, end]) => end)
              .filter((end) => end < done),
          );
          const share = Math.min(1, Math.max(0, (run.progress - before) / (done - before)));
          return (
            <div key={name} className="flex h-9 items-center gap-4 border-b border-faint">
              <span className={`w-labels shrink-0 text-13 ${run.progress >= done ? "text-ink" : "text-ink-3"}`}>
                {name}
              </span>
              <span aria-hidden className="h-[13px] grow">
                <span
                  className="block h-full bg-[var(--ink-d2)] transition-[width] duration-700"
                  style={{ width: `${share * 100}%` }}
                />
              </span>
            </div>
          );
        })}
      </div>
    </div>
  );
}
