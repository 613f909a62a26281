import { Link } from "react-router";
import type { AttemptRow } from "../api/types";
import { isWaiting } from "../api/queries";
import { stageName } from "../components/Progress";
import { day } from "../lib/format";
import { CLOSENESS } from "./words";

interface VersionsProps {
  studyId: number;
  attempts: AttemptRow[];
  chosen: number | null;
}

/** All versions, the newest last: how many items each has exact, close, in the ballpark and missing. No single score. */
export function Versions({ studyId, attempts, chosen }: VersionsProps) {
  return (
    <ul aria-label="Attempts" className="flex shrink-0 overflow-x-auto border-b border-rule bg-paper scroll-quiet">
      {attempts.map((attempt) => (
        <li key={attempt.id} className="max-w-[280px] min-w-[190px] grow max-small:min-w-[230px] border-r border-rule">
          <Link
            to={`/studies/${studyId}/attempts/${attempt.id}`}
            aria-current={attempt.id === chosen ? "page" : undefined}
            title={attempt.note || attempt.file}
            className={`block h-full margin-stroke-t px-4 pt-1.5 pb-2 ${attempt.id === chosen ? "border-select bg-sheet" : "border-transparent hover:bg-wash"}`}
          >
            <span className="flex items-baseline justify-between gap-2">
              <span className="truncate text-13 font-medium">{attempt.title}</span>
              <span className="font-serif text-13 italic text-ink-2">{day(attempt.created_at)}</span>
            </span>
            <State attempt={attempt} />
          </Link>
        </li>
      ))}
    </ul>
  );
}

function State({ attempt }: { attempt: AttemptRow }) {
  const { run, counts, problem } = attempt;
  if (run && isWaiting(run.state))
    return (
      <span className="mt-1 block text-ink-2">
        <span className="figure">{Math.round(run.progress * 100)} %</span>, {stageName(run.stage)}
      </span>
    );
  if (run?.state === "failed")
    return <span className="mt-1 block truncate text-conflict">{run.error ?? "It could not be analysed."}</span>;
  if (problem) return <span className="mt-1 block truncate text-ink-2">{problem}</span>;
  const total = CLOSENESS.reduce((sum, word) => sum + (counts[word] ?? 0), 0);
  if (total === 0) return <span className="mt-1 block text-ink-2">laid on the reference, no checklist</span>;
  return (
    <>
      <svg aria-hidden width="100%" height="9" className="mt-1.5 block">
        {bars(counts, total).map(({ word, from, share }) => (
          <rect
            key={word}
            x={`${from * 100}%`}
            y="1"
            width={`${share * 100}%`}
            height="7"
            fill={FILLS[word]}
            stroke={word === "missing" ? "var(--conflict)" : "var(--ink-2)"}
            strokeDasharray={word === "missing" ? "2 2" : undefined}
          />
        ))}
      </svg>
      <span className="mt-1 flex gap-2.5 text-11 whitespace-nowrap">
        {CLOSENESS.map((word) => (
          <span key={word}>
            <b className="figure font-semibold">{counts[word] ?? 0}</b> {word}
          </span>
        ))}
      </span>
    </>
  );
}

const FILLS: Record<string, string> = {
  exact: "var(--confirmed)",
  close: "color-mix(in srgb, var(--confirmed) 50%, var(--sheet))",
  ballpark: "var(--sheet)",
  missing: "transparent",
};

function bars(counts: Record<string, number>, total: number) {
  return CLOSENESS.map((word, index) => ({
    word,
    from: CLOSENESS.slice(0, index).reduce((sum, before) => sum + (counts[before] ?? 0), 0) / total,
    share: (counts[word] ?? 0) / total,
  }));
}
