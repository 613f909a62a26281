import type { Mark } from "../api/types";

const NAMES: Record<string, string> = {
  tempo: "tempo",
  key: "key",
  loop: "chords",
  form: "sections",
  layers: "layers",
  techniques: "techniques",
};
const WORDS: Record<Mark, string> = {
  none: "not yet",
  measured: "measured",
  heard: "by ear",
  confirmed: "confirmed",
  corrected: "corrected by ear",
  refuted: "wrong",
};

/** Six marks: tempo, key, chords, sections, layers, techniques. */
export function Marks({ marks }: { marks: Record<string, Mark> }) {
  const text = Object.entries(NAMES)
    .map(([aspect, name]) => `${name}: ${WORDS[marks[aspect] ?? "none"]}`)
    .join(", ");
  return (
    <span role="img" aria-label={text} title={text} className="inline-flex shrink-0 items-end gap-px">
      {Object.keys(NAMES).map((aspect) => (
        <MarkCell key={aspect} mark={marks[aspect] ?? "none"} />
      ))}
    </span>
  );
}

/** A tally: a stroke where it was measured, crossed at its head where it is confirmed, leaning and in ochre by ear, struck out where it is refuted. */
function MarkCell({ mark }: { mark: Mark }) {
  return (
    <svg width="7" height="13" viewBox="0 0 7 13" aria-hidden>
      {mark === "none" && <path d="M3.5 5v7" stroke="var(--rule-firm)" strokeDasharray="1.5 1.5" />}
      {(mark === "measured" || mark === "confirmed") && (
        <path d="M3.3 4.2L3.7 12" stroke="var(--measured)" strokeWidth="2" strokeLinecap="round" />
      )}
      {mark === "confirmed" && (
        <path d="M1 2.4l1.6 1.4L6.4 .6" fill="none" stroke="var(--confirmed)" strokeWidth="1.4" />
      )}
      {(mark === "heard" || mark === "corrected") && (
        <path d="M1.5 12L5.5 4" stroke="var(--heard)" strokeWidth="2" strokeLinecap="round" />
      )}
      {mark === "refuted" && (
        <>
          <path d="M3.5 4v8" stroke="var(--rule-firm)" strokeWidth="1.4" />
          <path d="M.5 9.5l6-4" stroke="var(--conflict)" strokeWidth="1.5" />
        </>
      )}
    </svg>
  );
}
