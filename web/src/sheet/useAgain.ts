import { useMutation, useQueryClient } from "@tanstack/react-query";
import { write } from "../api/client";
import type { ReferencePage } from "../api/types";
import { TOLD } from "../app/queryClient";

/** Queues another run of the engine; what a person said stays. */
export function useAgain(page: ReferencePage) {
  const client = useQueryClient();
  const { reference } = page;
  return useMutation({
    meta: TOLD,
    mutationFn: () => write("POST", `/references/${reference.id}/analyses`),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ["reference", reference.id] });
      await client.invalidateQueries({ queryKey: ["study", reference.study_id] });
    },
  });
}
