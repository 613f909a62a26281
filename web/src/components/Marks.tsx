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
  refuted: "refuted",
};

/** Six marks: tempo, key, chords, sections, layers, techniques. */
export function Marks({ marks }: { marks: Record<string, Mark> }) {
  const text = Object.entries(NAMES)
    .map(([aspect, name]) => `${name}: ${WORDS[marks[aspect] ?? "none"]}`)
    .join(", ");
  return (
    <span role="img" aria-label={text} title={text} className="inline-flex shrink-0 items-end gap-[2px]">
      {Object.keys(NAMES).map((aspect) => (
        <MarkCell key={aspect} mark={marks[aspect] ?? "none"} />
      ))}
    </span>
  );
}

function MarkCell({ mark }: { mark: Mark }) {
  return (
    <svg width="7" height="11" viewBox="0 0 7 11" aria-hidden>
      {mark === "none" && (
        <rect x="0.5" y="2.5" width="6" height="8" fill="none" stroke="var(--rule-firm)" strokeDasharray="1.5 1.5" />
      )}
      {(mark === "measured" || mark === "confirmed") && <rect y="2" width="7" height="9" fill="var(--measured)" />}
      {mark === "confirmed" && <rect width="7" height="1.4" fill="var(--confirmed)" />}
      {(mark === "heard" || mark === "corrected") && (
        <>
          <rect x="0.5" y="2.5" width="6" height="8" fill="none" stroke="var(--heard)" />
          <path d="M0.5 7.5 L5.5 2.5 M1.5 10.5 L6.5 5.5" stroke="var(--heard)" strokeWidth="1.3" />
        </>
      )}
      {mark === "refuted" && (
        <>
          <rect x="0.5" y="2.5" width="6" height="8" fill="none" stroke="var(--conflict)" />
          <path d="M0.5 10.5 L6.5 2.5" stroke="var(--conflict)" strokeWidth="1.3" />
        </>
      )}
    </svg>
  );
}
