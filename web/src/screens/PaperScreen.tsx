import { useQuery } from "@tanstack/react-query";
import { checklistQuery } from "../api/queries";
import type { Item } from "../api/types";
import { gridOf, TargetGrid } from "../checklist/TargetGrid";
import { NoteRow, notesOf } from "../checklist/NoteRow";
import { beatsOf } from "../checklist/meter";
import { PageHead } from "../components/PageHead";
import { Paper } from "../components/Paper";
import { runsOf } from "../lib/runs";
import { useChecklistId, useStudyId } from "./params";

/** The whole list as one would work from it on paper: everything open, step grids and note rows drawn, a box to tick. */
export function PaperScreen() {
  const studyId = useStudyId();
  const id = useChecklistId();
  const { data: checklist } = useQuery(checklistQuery(id));
  if (!checklist) return <PageHead title="Checklist" />;

  const groups = runsOf(checklist.items, (item) => item.heading);
  const beatsPerBar = beatsOf(checklist.items);
  return (
    <Paper title={checklist.title} back={{ path: `/studies/${studyId}/checklists/${id}`, name: "Back to the list" }}>
      <p className="mb-3 text-ink-2">
        {checklist.items.length} items, {checklist.items.reduce((sum, item) => sum + item.minutes + item.extra, 0)}{" "}
        minutes planned.
      </p>
      {groups.map(([heading, items], index) => (
        <section key={`${index} ${heading}`} className="mb-4">
          <h3 className="mb-1 border-b border-rule pb-0.5 font-serif text-18">{heading}</h3>
          {items.map((item) => (
            <PaperItem key={item.id} item={item} beatsPerBar={beatsPerBar} />
          ))}
        </section>
      ))}
      <p className="mt-4 border-t border-rule pt-2 text-11 text-ink-2">
        Remaking or sampling a recording touches other people's rights; the law differs by place. Before a release, ask
        a licensed professional.
      </p>
    </Paper>
  );
}

const BOXES = { open: "□", done: "☑", skipped: "–" } as const;

function PaperItem({ item, beatsPerBar }: { item: Item; beatsPerBar: number }) {
  const grid = gridOf(item);
  const notes = notesOf(item);
  return (
    <div className="grid grid-cols-[20px_44px_1fr_60px] break-inside-avoid border-b border-faint py-1.5">
      <span aria-label={item.state}>{BOXES[item.state]}</span>
      <span className="figure text-ink-2">{item.number}</span>
      <div>
        <p>
          <span className="font-medium">{item.title}</span>: {item.target}
          {item.tolerance && <span className="text-ink-2"> ({item.tolerance})</span>}
          {item.result && (
            <span className="font-serif italic"> {[item.result, item.why].filter(Boolean).join(": ")}</span>
          )}
          {item.who && <span className="text-ink-2"> for {item.who}</span>}
        </p>
        {grid && <TargetGrid grid={grid} label={`${item.title}: ${item.target}`} />}
        {notes && <NoteRow notes={notes} beatsPerBar={beatsPerBar} label={`${item.title}: ${item.target}`} />}
        {item.steps.length > 0 && (
          <ol className="text-12">
            {item.steps.map((step, index) => (
              <li key={`${index} ${step}`}>{step}</li>
            ))}
          </ol>
        )}
        {item.note && <p className="font-serif italic">{item.note}</p>}
      </div>
      <span className="text-right text-ink-2">{item.minutes + item.extra} min</span>
    </div>
  );
}
