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
  const settle = (keys: Key[], then?: () => void) => {
    for (const queryKey of keys) void client.invalidateQueries({ queryKey });
    then?.();
  };
  const restore = useChange({ send: ({ path, back = "bring-back" }: Deletion) => write("POST", `${path}/${back}`) });
  const remove = useChange({ send: ({ path }: Deletion) => write("DELETE", path) });
  // Promises, not callbacks of the mutation: what was deleted has often left the page by then, and its callbacks with it.
  // A failure is said along the top of the page.
  const undo = (deletion: Deletion) =>
    restore.mutateAsync(deletion).then(() => settle(deletion.stale, deletion.restored), noop);
  return (deletion) =>
    void remove.mutateAsync(deletion).then(() => {
      settle(deletion.stale, deletion.done);
      tellDone({ message: `“${deletion.title}” is deleted.`, undo: () => undo(deletion) });
    }, noop);
}

const noop = () => undefined;
