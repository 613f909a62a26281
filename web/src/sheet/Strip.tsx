import { Check } from "lucide-react";
import { ASPECTS } from "../api/contract";
import type { Aspect, Reading } from "../api/types";
import { Confidence, HeardSwatch } from "../components/Ink";
import { currentReading, useSelection, useSheet } from "./context";
import { same } from "./selection";
import { headline } from "./drawer/headline";

/** The reading strip: what holds, in sentences, with how sure and what else it could be. */
export function Strip() {
  const { page } = useSheet();
  return (
    <div
      role="group"
      aria-label="Readings"
      className="grid shrink-0 grid-cols-7 border-b border-firm max-small:flex max-small:overflow-x-auto"
    >
      {ASPECTS.map((aspect) => {
        const reading = currentReading(page, aspect);
        return reading && <StripCell key={aspect} aspect={aspect} reading={reading} />;
      })}
    </div>
  );
}

function StripCell({ aspect, reading }: { aspect: Aspect; reading: Reading }) {
  const { page, select } = useSheet();
  const selection = useSelection();
  const selected = { kind: "reading" as const, aspect };
  const chosen = same(selection, selected);
  const refuted = reading.state === "refuted";
  return (
    <button
      type="button"
      aria-pressed={chosen}
      title={[reading.statement, reading.note].filter(Boolean).join(" · ")}
      onClick={() => select(chosen ? null : selected)}
      className={`flex min-w-0 flex-col max-small:min-w-[112px] margin-stroke-t border-r border-r-rule px-3 pt-1.5 pb-2 text-left last:border-r-0 first:pl-4 mid:h-[91px] wide:h-[98px] ${
        chosen ? "border-t-select bg-sheet" : "border-t-transparent hover:bg-wash"
      }`}
    >
      <span className="flex items-center gap-1.5 text-ink-2">
        <span className="capitalize">{aspect}</span>
        <StateWord reading={reading} />
        {page.contradictions[aspect] && <span className="ml-auto text-conflict">to settle</span>}
      </span>
      <span
        className={`line-clamp-2 font-serif text-15 leading-[19px] wide:text-17 wide:leading-[22px] ${refuted ? "line-through decoration-conflict" : ""}`}
      >
        <span className="max-mid:hidden">{reading.statement}</span>
        <span className="mid:hidden">{headline(reading)}</span>
      </span>
      <span className="mt-auto flex items-center gap-2 pt-1 text-ink-2 max-mid:hidden">
        {reading.source !== "measured" ? (
          <HeardSwatch />
        ) : reading.value === null && !reading.confidence ? null : (
          <Confidence value={reading.confidence ?? 0} />
        )}
        <span className="truncate text-11">
          {reading.source === "measured" ? reading.note : reading.note || reading.source}
        </span>
      </span>
    </button>
  );
}

function StateWord({ reading }: { reading: Reading }) {
  if (reading.state === "refuted") return <span className="text-conflict">wrong</span>;
  if (reading.source !== "measured")
    return <span className="truncate text-heard-text">{reading.source === "heard" ? "by ear" : reading.source}</span>;
  if (reading.state === "confirmed")
    return (
      <span className="flex items-center gap-0.5 text-confirmed">
        <Check size={12} strokeWidth={2.6} aria-hidden /> <span className="max-mid:sr-only">confirmed</span>
      </span>
    );
  return null;
}
