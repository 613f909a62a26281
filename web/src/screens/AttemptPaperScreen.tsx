import { useQuery } from "@tanstack/react-query";
import { useParams } from "react-router";
import { attemptQuery, checklistQuery } from "../api/queries";
import type { AttemptPage, Difference } from "../api/types";
import { about, CLOSENESS, places, sentence, verdictWords } from "../attempts/words";
import { PageHead } from "../components/PageHead";
import { Paper } from "../components/Paper";
import { figure } from "../lib/format";
import { useStudyId } from "./params";

/** What an attempt has otherwise, on paper: for the room without a screen, or for somebody else. */
export function AttemptPaperScreen() {
  const studyId = useStudyId();
  const id = Number(useParams().attemptId);
  const { data: page } = useQuery(attemptQuery(studyId, id));
  if (!page) return <PageHead title="Attempt" />;

  const title = page.reference ? `${page.attempt.title} against ${page.reference.title}` : page.attempt.title;
  return (
    <Paper title={title} back={{ path: `/studies/${studyId}/attempts/${id}`, name: "Back to the attempt" }}>
      {page.attempt.note && <p className="mb-1 font-serif text-15 italic">{page.attempt.note}</p>}
      <Differences page={page} />
      <Style page={page} />
      <Items page={page} />
    </Paper>
  );
}

function Differences({ page }: { page: AttemptPage }) {
  const { comparison } = page;
  if (!comparison) return page.problem ? <p className="my-3">{page.problem}</p> : null;
  if (comparison.alignment.refused) return <p className="my-3">{comparison.alignment.refused}</p>;
  return (
    <section className="mb-4">
      <h3 className="mt-3 mb-1 border-b border-rule pb-0.5 font-serif text-18">What differs</h3>
      {comparison.differences.length === 0 && <p>Nothing differs by more than the measurement error.</p>}
      {comparison.differences.map((difference, index) => (
        <Told key={index} difference={difference} />
      ))}
    </section>
  );
}

function Told({ difference }: { difference: Difference }) {
  return (
    <div className="break-inside-avoid border-b border-faint py-1.5">
      <p className="flex items-baseline gap-3">
        <span aria-hidden className="text-15">
          □
        </span>
        <span className="grow font-serif text-15">{sentence(difference)}</span>
        <span className="figure">{figure(difference.size, 1)} ×</span>
      </p>
      <p className="pl-7 text-12 text-ink-2">
        {about(difference)}, <span className="figure">{places(difference.bars)}</span>
        {difference.reference && `; there ${difference.reference}`}
        {difference.attempt && `; yours ${difference.attempt}`}
      </p>
      <ul className="pl-7 text-13">
        {difference.how.map((step) => (
          <li key={step}>{step}</li>
        ))}
      </ul>
    </div>
  );
}

function Style({ page }: { page: AttemptPage }) {
  if (!page.style) return null;
  const apart = page.style.lines.filter(({ standing }) => standing === "outside" || standing === "edge");
  return (
    <section className="mb-4">
      <h3 className="mt-3 mb-1 border-b border-rule pb-0.5 font-serif text-18">Outside the style, or at its edge</h3>
      {apart.map((line) => (
        <p key={line.id} className="flex gap-3 border-b border-faint py-1">
          <span aria-hidden>□</span>
          <span className="grow font-serif text-15">{line.words}</span>
          <span>{line.attempt}</span>
          <span className="figure text-ink-2">{`${line.holds[0]} of ${line.holds[1]}`}</span>
        </p>
      ))}
    </section>
  );
}

function Items({ page }: { page: AttemptPage }) {
  const listId = page.attempt.checklist_id;
  const { data: checklist } = useQuery({ ...checklistQuery(listId ?? 0), enabled: listId !== null });
  if (!checklist || Object.keys(page.verdicts).length === 0) return null;
  return (
    <section className="break-before-auto">
      <h3 className="mt-3 mb-1 border-b border-rule pb-0.5 font-serif text-18">{checklist.title}</h3>
      <p className="mb-1 text-12 text-ink-2">
        {CLOSENESS.map((word) => `${page.attempt.counts[word] ?? 0} ${word}`).join(", ")}
      </p>
      <ul className="gap-x-8 sm:columns-2">
        {checklist.items.map((item) => (
          <li key={item.id} className="flex gap-2 break-inside-avoid border-b border-faint py-0.5 text-13">
            <span className="w-9 shrink-0 figure text-ink-2">{item.number}</span>
            <span className="grow">{item.title}</span>
            <span>{verdictWords(page.verdicts[item.id])}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
