import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { checklistQuery, schoolsQuery, studyQuery } from "../api/queries";
import type { Checklist, Item } from "../api/types";
import { useChange } from "../app/useChange";
import { AddItem } from "../checklist/AddItem";
import { ItemRow, type ItemBody } from "../checklist/ItemRow";
import { Summary } from "../checklist/Summary";
import { Failure } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { Segmented } from "../components/Segmented";
import { useChecklistId, useStudyId } from "./params";

export function ChecklistScreen() {
  const studyId = useStudyId();
  const id = useChecklistId();
  const { data: checklist, error } = useQuery(checklistQuery(id));
  const { data: study } = useQuery(studyQuery(studyId));
  if (error)
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

  return (
    <>
      <PageHead title="Checklist" remark={checklist.title}>
        <Order checklist={checklist} />
        <a
          href={`/api/checklists/${id}/checklist.md`}
          download
          className="inline-flex h-7 items-center rounded-sm border border-firm px-3 font-medium whitespace-nowrap hover:bg-wash"
        >
          Take away as Markdown
        </a>
      </PageHead>
      <List key={id} checklist={checklist} studyTitle={study?.study.title ?? ""} />
    </>
  );
}

/** The schools disagree about what comes first; the items stay, with what was ticked. */
function Order({ checklist }: { checklist: Checklist }) {
  const client = useQueryClient();
  const { data: schools } = useQuery(schoolsQuery);
  const reorder = useChange({
    send: (school: string) => write<{ checklist: Checklist }>("PATCH", `/checklists/${checklist.id}`, { school }),
    done: ({ checklist: changed }) => client.setQueryData(checklistQuery(checklist.id).queryKey, changed),
  });
  return (
    <span className="flex items-center gap-3 text-ink-2">
      <span className="max-mid:hidden">Order</span>
      <Segmented
        label="Order of work"
        choices={(schools ?? []).map((school) => ({ value: school.id, name: school.name, hint: school.reason }))}
        value={checklist.school}
        onChange={(school) => reorder.mutate(school)}
      />
    </span>
  );
}

export interface ItemChange extends ItemBody {
  id: number;
}

function List({ checklist, studyTitle }: { checklist: Checklist; studyTitle: string }) {
  const client = useQueryClient();
  const [open, setOpen] = useState<number | null>(null);
  const key = checklistQuery(checklist.id).queryKey;
  const change = useChange({
    send: ({ id, ...body }: ItemChange) => write<{ item: Item }>("PATCH", `/items/${id}`, body),
    // The tick is on the paper at once; a failure takes it back.
    early: async ({ id, ...body }) => {
      await client.cancelQueries({ queryKey: key });
      const before = client.getQueryData(key);
      client.setQueryData(
        key,
        (now) => now && { ...now, items: now.items.map((item) => (item.id === id ? { ...item, ...body } : item)) },
      );
      return before;
    },
    undo: (before) => client.setQueryData(key, before),
    stale: [keys.study(checklist.study_id)],
    shownHere: true,
  });
  const retarget = useChange({
    send: (id: number) => write<{ item: Item }>("POST", `/items/${id}/target`),
    stale: [key],
  });
  const add = useChange({
    send: (item: { stage: string; title: string }) =>
      write<{ item: Item }>("POST", `/checklists/${checklist.id}/items`, item),
    done: ({ item }) => setOpen(item.id),
    stale: [key, keys.study(checklist.study_id)],
  });
  const remove = useChange({
    send: (id: number) => write("DELETE", `/items/${id}`),
    stale: [key, keys.study(checklist.study_id)],
  });
  const next = checklist.items.find((item) => item.state === "open");
  return (
    <div className="flex min-h-0 grow bg-sheet max-mid:flex-col-reverse">
      <div className="min-h-0 min-w-0 grow overflow-y-auto px-4 pb-4 scroll-quiet">
        {change.error && (
          <div className="py-2">
            <Failure error={change.error} />
          </div>
        )}
        <table className="w-full table-fixed border-collapse text-left">
          <Head />
          <tbody>
            {checklist.items.map((item, index) => (
              <ItemRow
                key={item.id}
                item={item}
                checklist={checklist}
                firstOfStage={checklist.items[index - 1]?.stage !== item.stage}
                open={open === item.id}
                onOpen={() => setOpen(open === item.id ? null : item.id)}
                onChange={(body) => change.mutate({ id: item.id, ...body })}
                onTakeTarget={() => retarget.mutate(item.id)}
                onRemove={() => remove.mutate(item.id)}
              />
            ))}
          </tbody>
        </table>
        <AddItem stages={[...new Set(checklist.items.map((item) => item.stage))]} onAdd={(item) => add.mutate(item)} />
      </div>
      <Summary checklist={checklist} studyTitle={studyTitle} next={next} onOpen={(item) => setOpen(item.id)} />
    </div>
  );
}

const COLUMNS: [string, string][] = [
  ["Stage", "w-[118px]"],
  ["Number", "w-[34px]"],
  ["Done", "w-[28px]"],
  ["Item", ""],
  ["Target", "w-[24%]"],
  ["Within", "w-[92px]"],
  ["Box, min", "w-[58px]"],
  ["From", "w-[74px]"],
];

function Head() {
  return (
    <thead className="text-ink-2">
      <tr className="border-b border-rule">
        {COLUMNS.map(([name, width]) => (
          <th key={name} scope="col" className={`h-8 font-normal ${width}`}>
            {["Stage", "Number", "Done"].includes(name) ? <span className="sr-only">{name}</span> : name}
          </th>
        ))}
      </tr>
    </thead>
  );
}
