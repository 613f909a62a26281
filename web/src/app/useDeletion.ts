import { useQueryClient } from "@tanstack/react-query";
import { write } from "../api/client";
import type { Key } from "../api/keys";
import { tellDone } from "./notices";
import { useChange } from "./useChange";

interface Deletion {
  /** Of the thing, such as /checklists/5. */
  path: string;
  title: string;
  stale: Key[];
  done?: () => void;
  /** What restores it, where that is called otherwise. */
  back?: string;
  restored?: () => void;
}

/** Deletes something that can be restored, says so, and offers to undo it. */
export function useDeletion(): (deletion: Deletion) => void {
  const client = useQueryClient();
  const ask = (keys: Key[]) => Promise.all(keys.map((queryKey) => client.invalidateQueries({ queryKey })));
  const restore = useChange({ send: ({ path, back = "bring-back" }: Deletion) => write("POST", `${path}/${back}`) });
  const remove = useChange({ send: ({ path }: Deletion) => write("DELETE", path) });
  return (deletion) =>
    remove.mutate(deletion, {
      onSuccess: () => {
        void ask(deletion.stale);
        deletion.done?.();
        tellDone({
          message: `“${deletion.title}” is deleted.`,
          undo: () =>
            restore.mutate(deletion, {
              onSuccess: () => {
                void ask(deletion.stale);
                deletion.restored?.();
              },
            }),
        });
      },
    });
}
