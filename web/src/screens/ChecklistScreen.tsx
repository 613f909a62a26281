import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useSearchParams } from "react-router";
import { checklistQuery, schoolsQuery, studyQuery } from "../api/queries";
import type { Checklist } from "../api/types";
import { useCommands } from "../app/commands";
import { useStandings } from "../attempts/useStandings";
import { AddItem } from "../checklist/AddItem";
import { nextOf } from "../checklist/next";
import { ItemRow } from "../checklist/ItemRow";
import { Summary } from "../checklist/Summary";
import { useList, type List } from "../checklist/useList";
import { Button } from "../components/Button";
import { Failure } from "../components/Notice";
import { LINK_LOOK } from "../components/linkLook";
import { PageHead } from "../components/PageHead";
import { useChecklistId, useStudyId } from "./params";
import { words } from "../words/words";

export function ChecklistScreen() {
  const studyId = useStudyId();
  const id = useChecklistId();
  const { data: checklist, error } = useQuery(checklistQuery(id));
  const { data: study } = useQuery(studyQuery(studyId));
  if (error && !checklist)
    return (
      <>
        <PageHead title="No such checklist" />
        <div className="grow bg-sheet p-4">
          <Failure
            error={error}
            action={
              <Link to={`/studies/${studyId}/checklists`} className="underline">
                All checklists
              </Link>
            }
          />
        </div>
      </>
    );
  if (!checklist) return <PageHead title="Checklist" />;

  return <Working key={id} checklist={checklist} studyTitle={study?.study.title ?? ""} />;
}

/** The schools disagree about what comes first; the items stay, with what was ticked. */
function Order({ checklist, list }: { checklist: Checklist; list: List }) {
  const { data: schools } = useQuery(schoolsQuery);
  return (
    <span className="flex items-center gap-2 text-ink-2">
      <span className="max-wide:hidden">Order</span>
      <select
        aria-label="Order of work"
        value={checklist.by_hand ? "" : checklist.school}
        title={schools?.find((school) => school.id === checklist.school)?.reason}
        onChange={(event) => list.order(event.target.value)}
        className="h-7 rounded-sm border border-firm bg-sheet px-1.5 text-ink"
      >
        {checklist.by_hand && <option value="">an order of your own</option>}
        {(schools ?? []).map((school) => (
          <option key={school.id} value={school.id} title={school.reason}>
            {school.name}
          </option>
        ))}
      </select>
    </span>
  );
}

/** Takes back the last change of the list, and does it again. */
function Steps({ checklist, list }: { checklist: Checklist; list: List }) {
  return (
    <>
      <Button
        disabled={!checklist.undo}
        title={checklist.undo ? `Undo: ${checklist.undo}` : "Nothing to undo"}
        onClick={list.undo}
      >
        Undo
      </Button>
      <Button
        disabled={!checklist.redo}
        title={checklist.redo ? `Redo: ${checklist.redo}` : "Nothing to redo"}
        onClick={list.redo}
      >
        Redo
      </Button>
    </>
  );
}

const GROUP = "On a checklist";

function Working({ checklist, studyTitle }: { checklist: Checklist; studyTitle: string }) {
  const standings = useStandings(checklist);
  const [search] = useSearchParams();
  const [open, setOpen] = useState<number | null>(Number(search.get("item")) || null);
  const { items } = checklist;
  const list = useList(checklist, (item) => setOpen(item.id));
  const next = nextOf(items, standings);
  const place = items.findIndex((item) => item.id === open);
  const current = items[place];
  const step = (by: number) => setOpen(items[Math.min(Math.max(0, place + by), items.length - 1)]?.id ?? null);
  const move = (by: number) => current && list.move(current.id, Math.max(0, place + by));
  useCommands([
    { key: "j", name: "open the next item", group: GROUP, run: () => step(1) },
    { key: "k", name: "open the one before", group: GROUP, run: () => step(-1) },
    { key: "Shift+ArrowDown", name: "move the open item down", group: GROUP, run: () => move(1) },
    { key: "Shift+ArrowUp", name: "move it up", group: GROUP, run: () => move(-1) },
    {
      key: "t",
      name: "start or stop its clock",
      group: GROUP,
      run: () => current && list.clock(current.id, current.started_at ? "stop" : "start"),
    },
    { key: "Escape", name: "close the open item", group: GROUP, run: () => setOpen(null) },
    { key: "Delete", name: "delete it", group: GROUP, run: () => current && list.remove(current.id) },
    { key: "Mod+z", name: "undo", group: GROUP, run: list.undo },
    { key: "Mod+Shift+z", name: "redo", group: GROUP, run: list.redo },
  ]);
  return (
    <>
      <PageHead title="Checklist" remark={checklist.title}>
        <Steps checklist={checklist} list={list} />
        <Order checklist={checklist} list={list} />
        <Link to={`/studies/${checklist.study_id}/checklists/${checklist.id}/paper`} className={LINK_LOOK}>
          Print
        </Link>
        <a href={`/api/checklists/${checklist.id}/checklist.md`} download className={LINK_LOOK}>
          {words.exportMarkdown}
        </a>
      </PageHead>
      <div className="flex min-h-0 grow bg-sheet max-mid:flex-col-reverse">
        <div className="min-h-0 min-w-0 grow overflow-y-auto px-4 pb-4 scroll-quiet">
          {list.error && (
            <div className="py-2">
              <Failure error={list.error} />
            </div>
          )}
          <table className="w-full table-fixed border-collapse text-left">
            <Head />
            <tbody>
              {items.map((item, index) => (
                <ItemRow
                  key={item.id}
                  item={item}
                  checklist={checklist}
                  firstOfHeading={items[index - 1]?.heading !== item.heading}
                  open={open === item.id}
                  onOpen={() => setOpen(open === item.id ? null : item.id)}
                  place={index}
                  of={items.length}
                  list={list}
                  standing={standings.get(item.id)}
                  onDrop={(id) => id !== item.id && list.move(id, index)}
                />
              ))}
            </tbody>
          </table>
          <AddItem stages={[...new Set(items.map((item) => item.stage))]} onAdd={list.add} />
        </div>
        <Summary checklist={checklist} studyTitle={studyTitle} next={next} onOpen={(item) => setOpen(item.id)} />
      </div>
    </>
  );
}

const COLUMNS: [string, string][] = [
  ["Stage or section", "w-[118px] max-small:hidden"],
  ["Number", "w-[34px]"],
  ["Done", "w-[28px]"],
  ["Item", ""],
  ["Target", "w-[24%] max-small:hidden"],
  [words.tolerance, "w-[92px] max-small:hidden"],
  [words.minutes, "w-[58px]"],
  ["From", "w-[74px] max-small:hidden"],
];

function Head() {
  return (
    <thead className="text-ink-2">
      <tr className="border-b border-rule">
        {COLUMNS.map(([name, width]) => (
          <th key={name} scope="col" className={`h-8 font-normal ${width}`}>
            {["Stage or section", "Number", "Done"].includes(name) ? <span className="sr-only">{name}</span> : name}
          </th>
        ))}
      </tr>
    </thead>
  );
}
