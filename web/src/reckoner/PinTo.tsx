import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { checklistQuery, studyQuery } from "../api/queries";
import type { Item } from "../api/types";
import { useChange } from "../app/useChange";
import { Button } from "../components/Button";
import { messageOf } from "../components/Notice";

interface PinToProps {
  studyId: number;
  calculator: string;
  written: Record<string, string>;
}

/** Keeps what was reckoned with an item of the study's newest checklist. */
export function PinTo({ studyId, calculator, written }: PinToProps) {
  const { data: study } = useQuery(studyQuery(studyId));
  const [chosen, setChosen] = useState<number | null>(null);
  const listId = chosen ?? study?.checklists[0]?.id ?? 0;
  const { data: list } = useQuery({ ...checklistQuery(listId), enabled: listId > 0 });
  const [itemId, setItemId] = useState("");
  const [pinned, setPinned] = useState<string | null>(null);
  const pin = useChange({
    send: (id: number) => write<{ item: Item }>("POST", `/items/${id}/pins`, { calculator, written: filled(written) }),
    stale: [keys.checklist(listId)],
    done: ({ item }) => setPinned(item.title),
    shownHere: true,
  });
  if (!study || study.checklists.length === 0) return null;
  return (
    <span className="flex items-center gap-2">
      {study.checklists.length > 1 && (
        <select
          aria-label="Checklist to pin to"
          value={listId}
          onChange={(event) => setChosen(Number(event.target.value))}
          className="h-7 max-w-[180px] rounded-sm border border-firm bg-sheet px-1.5"
        >
          {study.checklists.map((row) => (
            <option key={row.id} value={row.id}>
              {row.title}
            </option>
          ))}
        </select>
      )}
      <select
        aria-label="Item to pin it to"
        value={itemId}
        onChange={(event) => setItemId(event.target.value)}
        className="h-7 max-w-[240px] rounded-sm border border-firm bg-sheet px-1.5"
      >
        <option value="">pin to an item…</option>
        {(list?.items ?? []).map((item) => (
          <option key={item.id} value={item.id}>
            {`${item.number} ${item.title}`}
          </option>
        ))}
      </select>
      <Button disabled={itemId === ""} onClick={() => pin.mutate(Number(itemId))}>
        Pin it
      </Button>
      {pinned && !pin.error && <span role="status">{`Pinned to “${pinned}”.`}</span>}
      {pin.error && (
        <span role="alert" className="text-conflict">
          {messageOf(pin.error)}
        </span>
      )}
    </span>
  );
}

/** Without what is left to be worked out. */
function filled(written: Record<string, string>): Record<string, string> {
  return Object.fromEntries(Object.entries(written).filter(([, text]) => text.trim() !== ""));
}
