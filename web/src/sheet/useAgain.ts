import { write } from "../api/client";
import { keys } from "../api/keys";
import type { ReferencePage } from "../api/types";
import { useChange } from "../app/useChange";

/** Queues another run of the engine; what a person said stays. */
export function useAgain({ reference }: ReferencePage) {
  return useChange({
    send: () => write("POST", `/references/${reference.id}/analyses`),
    stale: [keys.reference(reference.id), keys.study(reference.study_id), keys.progress(reference.study_id)],
  });
}
