import { useQueryClient } from "@tanstack/react-query";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { checklistQuery } from "../api/queries";
import type { Checklist, Item, ItemResult, ItemState } from "../api/types";
import { tellDone } from "../app/notices";
import { useChange } from "../app/useChange";

/** What can be changed of an item; what has a result is done. */
export interface ItemBody {
  state?: ItemState;
  result?: ItemResult | null;
  why?: string;
  note?: string;
  title?: string;
  target?: string;
  tolerance?: string;
  minutes?: number;
  steps?: string[];
  who?: string;
  links?: string[];
  extra?: number;
}

/** All that can be done with a checklist. Whatever is done can be undone. */
export function useList(checklist: Checklist, onAdded: (item: Item) => void) {
  const client = useQueryClient();
  const key = checklistQuery(checklist.id).queryKey;
  const study = keys.study(checklist.study_id);
  const stale = [study, keys.logbook(checklist.study_id)];
  const show = ({ checklist: changed }: { checklist: Checklist }) => client.setQueryData(key, changed);

  const change = useChange({
    send: ({ id, ...body }: ItemBody & { id: number }) => write<{ item: Item }>("PATCH", `/items/${id}`, body),
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
    stale: [key, ...stale],
    shownHere: true,
  });
  const whole = useChange({ send: (send: () => Promise<{ checklist: Checklist }>) => send(), done: show, stale });
  const add = useChange({
    send: (item: { stage: string; title: string }) =>
      write<{ item: Item }>("POST", `/checklists/${checklist.id}/items`, item),
    done: ({ item }) => onAdded(item),
    stale: [key, ...stale],
  });
  const unpin = useChange({
    send: ({ id, place }: { id: number; place: number }) =>
      write<{ item: Item }>("DELETE", `/items/${id}/pins/${place}`),
    stale: [key],
  });
  const retarget = useChange({
    send: (id: number) => write<{ item: Item }>("POST", `/items/${id}/target`),
    stale: [key],
  });
  const post = (path: string, body?: object) => whole.mutate(() => write<{ checklist: Checklist }>("POST", path, body));

  return {
    error: change.error,
    change: (id: number, body: ItemBody) => change.mutate({ id, ...body }),
    add: (item: { stage: string; title: string }) => add.mutate(item),
    unpin: (id: number, place: number) => unpin.mutate({ id, place }),
    takeTarget: (id: number) => retarget.mutate(id),
    order: (school: string) =>
      whole.mutate(() => write<{ checklist: Checklist }>("PATCH", `/checklists/${checklist.id}`, { school })),
    remove: (id: number) => {
      const title = checklist.items.find((item) => item.id === id)?.title ?? "";
      whole.mutate(() => write<{ checklist: Checklist }>("DELETE", `/items/${id}`), {
        onSuccess: () =>
          tellDone({ message: `“${title}” is deleted.`, undo: () => post(`/checklists/${checklist.id}/undo`) }),
      });
    },
    move: (id: number, to: number) => post(`/items/${id}/move`, { to }),
    split: (id: number, at: number) => post(`/items/${id}/split`, { at }),
    join: (id: number) => post(`/items/${id}/join`),
    clock: (id: number, action: "start" | "stop") => post(`/items/${id}/clock`, { action }),
    undo: () => post(`/checklists/${checklist.id}/undo`),
    redo: () => post(`/checklists/${checklist.id}/redo`),
  };
}

export type List = ReturnType<typeof useList>;
