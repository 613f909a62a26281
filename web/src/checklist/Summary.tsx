import { Check, Minus } from "lucide-react";
import { Link } from "react-router";
import type { Checklist, Item } from "../api/types";
import { ITEM_RESULTS } from "../api/contract";
import { SessionPlan } from "./SessionPlan";
import { Button } from "../components/Button";
import { words } from "../words/words";

interface SummaryProps {
  checklist: Checklist;
  studyTitle: string;
  next: Item | undefined;
  onOpen: (item: Item) => void;
}

/** How far each stage is, what comes next, and the time that is left. One line on top when narrow. */
export function Summary({ checklist, studyTitle, next, onOpen }: SummaryProps) {
  const stages = [...new Set(checklist.items.map((item) => item.stage))];
  const open = checklist.items.filter((item) => item.state === "open");
  const minutes = (items: Item[]) => items.reduce((sum, item) => sum + item.minutes + item.extra, 0);
  const worked = checklist.items.reduce((sum, item) => sum + item.spent, 0);
  const done = checklist.items.filter((item) => item.state === "done").length;
  return (
    <aside
      aria-label="Summary"
      className="shrink-0 overflow-y-auto border-rule px-4 py-3 scroll-quiet max-mid:flex max-mid:items-center max-mid:gap-6 max-mid:border-b max-small:flex-wrap max-small:gap-2 mid:w-drawer mid:border-l wide:w-drawer-wide"
    >
      <section className="max-mid:hidden">
        <h2 className="mb-2 font-medium">By stage</h2>
        <ul className="flex flex-col gap-1.5">
          {stages.map((stage) => (
            <li key={stage} className="grid grid-cols-[112px_1fr] items-start">
              <span>{stage}</span>
              <span className="flex flex-wrap gap-1">
                {checklist.items
                  .filter((item) => item.stage === stage)
                  .map((item) => (
                    <StateCell key={item.id} item={item} />
                  ))}
              </span>
            </li>
          ))}
        </ul>
      </section>
      <p className="text-ink-2 mid:mt-3">
        <span className="figure">{`${done} of ${checklist.items.length}`}</span> done,{" "}
        <span className="figure">{checklist.items.filter((item) => item.state === "skipped").length}</span> skipped
        {ITEM_RESULTS.map(
          (result) => [result, checklist.items.filter((item) => item.result === result).length] as const,
        )
          .filter(([, count]) => count > 0)
          .map(([result, count]) => `, ${count} ${result}`)
          .join("")}
      </p>
      {next ? (
        <section className="max-mid:flex max-mid:items-center max-mid:gap-3 mid:mt-3 mid:border-t mid:border-rule mid:pt-3">
          <h2 className="font-medium max-mid:sr-only">Next</h2>
          <p className="font-serif text-18 leading-snug max-mid:text-15 mid:mt-1">{next.title}</p>
          <p className="text-ink-2 mid:mt-1 mid:mb-2">
            {next.stage}, <span className="figure">{next.minutes}</span> minutes.
          </p>
          <Button look="solid" onClick={() => onOpen(next)}>
            Open <span className="figure">{next.number}</span>
          </Button>
        </section>
      ) : (
        <p className="font-serif text-18 mid:mt-3">Everything on the list is settled.</p>
      )}
      <SessionPlan checklist={checklist} onOpen={onOpen} />
      <section className="max-mid:ml-auto mid:mt-4 mid:border-t mid:border-rule mid:pt-3">
        <h2 className="font-medium max-mid:sr-only">Time</h2>
        <p className="flex items-baseline justify-between gap-3">
          <span className="text-ink-2">{words.timeLeft}</span>
          <span>
            <span className="font-mono text-17">{minutes(open)}</span> min
          </span>
        </p>
        <p className="flex justify-between text-ink-2 max-mid:hidden">
          <span>{words.timePlanned}</span>
          <span>
            <span className="figure">{minutes(checklist.items)}</span> min
          </span>
        </p>
        <p className="flex justify-between text-ink-2 max-mid:hidden">
          <span>Worked, by the clock</span>
          <span>
            <span className="figure">{Math.round(worked / 60)}</span> min
          </span>
        </p>
        <p className="mt-1.5 max-mid:hidden">
          <Link to={`/studies/${checklist.study_id}/logbook`} className="underline">
            Logbook
          </Link>
        </p>
      </section>
      <p className="mt-4 border-t border-rule pt-3 text-11 text-ink-3 max-mid:hidden">
        For {studyTitle || "this study"}. Remaking or sampling a recording touches other people's rights; before a
        release, ask a licensed professional.
      </p>
    </aside>
  );
}

function StateCell({ item }: { item: Item }) {
  return (
    <span
      role="img"
      aria-label={`${item.number} ${item.state}`}
      title={`${item.number} ${item.title}: ${item.state}`}
      className={`grid size-[14px] place-items-center border ${item.state === "open" ? "border-dotted border-firm" : item.state === "done" ? "border-confirmed" : "border-firm"}`}
    >
      {item.state === "done" && <Check size={11} strokeWidth={3} className="text-confirmed" />}
      {item.state === "skipped" && <Minus size={10} className="text-ink-2" />}
    </span>
  );
}
