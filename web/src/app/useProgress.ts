import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { progressQuery, studyQuery, type RunsById } from "../api/queries";
import type { Run, StudyPage } from "../api/types";

/**
 * Follows the analyses of a study while any is waiting or running, and refreshes what changes when one ends. The page asks again and
 * again instead of holding a line open: a browser has few of them, and every tab would take one.
 */
export function useProgress(studyId: number, busy: boolean): void {
  const client = useQueryClient();
  const { data: runs } = useQuery({ ...progressQuery(client, studyId), enabled: busy });
  const known = useRef<RunsById>({});
  useEffect(() => {
    if (!runs) return;
    client.setQueryData<StudyPage>(studyQuery(studyId).queryKey, (page) => page && withRuns(page, runs));
    const ended = endedSince(known.current, runs);
    known.current = runs;
    if (ended.length === 0) return;
    void client.invalidateQueries({ queryKey: ["study", studyId] });
    void client.invalidateQueries({ queryKey: ["profile", studyId] });
    for (const id of ended) void client.invalidateQueries({ queryKey: ["reference", id] });
  }, [client, studyId, runs]);
}

/** The study with the newest run of each of its references. */
export function withRuns(page: StudyPage, runs: RunsById): StudyPage {
  return { ...page, references: page.references.map((row) => ({ ...row, analysis: runs[row.id] ?? row.analysis })) };
}

/** References whose run is over now and was not before, or was not known. */
export function endedSince(before: RunsById, now: RunsById): number[] {
  return Object.entries(now)
    .filter(([id, run]) => run && !isBusy(run) && before[Number(id)]?.state !== run.state)
    .map(([id]) => Number(id));
}

export function isBusy(run: Run | null | undefined): boolean {
  return run?.state === "queued" || run?.state === "running";
}
