import { useMutation, useQueryClient } from "@tanstack/react-query";
import { write } from "../api/client";
import type { Reading, ReadingState, Source } from "../api/types";
import { useSheet } from "./context";

export interface CorrectionBody {
  value: Record<string, unknown>;
  source?: Source;
  note?: string;
}

/** What a person can do to readings; every change refreshes the sheet and what rests on it. */
export function useReadings() {
  const { page } = useSheet();
  const client = useQueryClient();
  const refresh = async () => {
    await client.invalidateQueries({ queryKey: ["reference", page.reference.id] });
    void client.invalidateQueries({ queryKey: ["study", page.reference.study_id] });
    void client.invalidateQueries({ queryKey: ["profile", page.reference.study_id] });
  };
  const mark = useMutation({
    mutationFn: ({ id, state }: { id: number; state: ReadingState }) =>
      write<{ reading: Reading }>("PATCH", `/readings/${id}`, { state }),
    onSettled: refresh,
  });
  const correct = useMutation({
    mutationFn: ({ id, body }: { id: number; body: CorrectionBody }) =>
      write<{ reading: Reading }>("POST", `/readings/${id}/corrections`, body),
    onSettled: refresh,
  });
  const paint = useMutation({
    mutationFn: ({ id, ...run }: { id: number; first_bar: number; last_bar: number; level: number }) =>
      write("POST", `/readings/${id}/cells`, run),
    onSettled: refresh,
  });
  const remove = useMutation({ mutationFn: (id: number) => write("DELETE", `/readings/${id}`), onSettled: refresh });
  return { mark, correct, paint, remove };
}
