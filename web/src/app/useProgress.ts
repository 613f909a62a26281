import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { studyQuery } from "../api/queries";
import type { Run, StudyPage } from "../api/types";

/** Follows the analyses of a study while any is waiting or running, and refreshes what changes when one ends. */
export function useProgress(studyId: number, busy: boolean): void {
  const client = useQueryClient();
  useEffect(() => {
    if (!busy) return;
    const source = new EventSource(`/api/studies/${studyId}/events`);
    const known = new Map<number, string>();
    source.addEventListener("progress", (event: MessageEvent<string>) => {
      const runs = JSON.parse(event.data) as Record<string, Run | null>;
      client.setQueryData<StudyPage>(
        studyQuery(studyId).queryKey,
        (page) =>
          page && {
            ...page,
            references: page.references.map((row) => ({ ...row, analysis: runs[row.id] ?? row.analysis })),
          },
      );
      for (const [id, run] of Object.entries(runs)) {
        const before = known.get(Number(id));
        if (run && before && before !== run.state && (run.state === "done" || run.state === "failed")) {
          void client.invalidateQueries({ queryKey: ["study", studyId] });
          void client.invalidateQueries({ queryKey: ["reference", Number(id)] });
          void client.invalidateQueries({ queryKey: ["profile", studyId] });
        }
        if (run) known.set(Number(id), run.state);
      }
    });
    source.addEventListener("idle", () => {
      source.close();
      void client.invalidateQueries({ queryKey: ["study", studyId] });
      void client.invalidateQueries({ queryKey: ["reference"] });
      void client.invalidateQueries({ queryKey: ["profile", studyId] });
    });
    return () => source.close();
  }, [client, studyId, busy]);
}

export function isBusy(run: Run | null | undefined): boolean {
  return run?.state === "queued" || run?.state === "running";
}
