import { useQuery, useQueryClient, type QueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { keys, type Key } from "../api/keys";
import { isWaiting, partsQuery, progressQuery, referenceQuery, studyQuery } from "../api/queries";
import type { ReferencePage, Run, Separation, StudyPage, WorkRun } from "../api/types";

/**
 * Follows all work on a study: pages show how far it is, and what changes when some of it ends is asked for again. The page asks again and again
 * instead of holding a line open: a browser has few of them, and every tab would take one.
 */
export function useProgress(studyId: number): void {
  const client = useQueryClient();
  const { data: runs } = useQuery({ ...progressQuery(client, studyId), enabled: Number.isFinite(studyId) });
  const before = useRef<Set<string>>(new Set());
  useEffect(() => {
    if (!runs) return;
    const ended = endedSince(new Set([...before.current, ...shownBusy(client, studyId)]), runs);
    before.current = busy(runs);
    show(client, studyId, runs);
    for (const key of staleAfter(ended, studyId, runs)) void client.invalidateQueries({ queryKey: key });
  }, [client, studyId, runs]);
}

/** A piece of work by what it is done on, for a derivation may be replaced by another one of the same song. */
export function nameOf(run: Pick<WorkRun, "kind" | "id" | "reference_id">): string {
  return run.kind === "stem" || run.kind === "assembly"
    ? `${run.kind} ${run.id}`
    : `${run.kind} of ${run.reference_id}`;
}

/** The work that waits or runs. */
export function busy(runs: WorkRun[]): Set<string> {
  return new Set(runs.filter((run) => isWaiting(run.state)).map(nameOf));
}

/** Work that was under way and is not any more, by name. */
export function endedSince(before: Set<string>, now: WorkRun[]): string[] {
  const left = busy(now);
  return [...before].filter((name) => !left.has(name));
}

/** What the pages that are kept show as under way. */
function shownBusy(client: QueryClient, studyId: number): string[] {
  const study = client.getQueryData<StudyPage>(studyQuery(studyId).queryKey);
  return (study?.references ?? []).flatMap((row) => {
    const page = client.getQueryData<ReferencePage>(referenceQuery(row.id).queryKey);
    return [
      ...(isBusy(row.analysis) || isBusy(page?.reference.run) ? [`analysis of ${row.id}`] : []),
      ...(isWaiting(page?.derivation?.state) ? [`derivation of ${row.id}`] : []),
      ...(page?.stems.filter((stem) => isWaiting(stem.state)).map((stem) => `stem ${stem.id}`) ?? []),
    ];
  });
}

/** What is asked for again when work has ended. */
export function staleAfter(ended: string[], studyId: number, runs: WorkRun[]): Key[] {
  if (ended.length === 0) return [];
  const songs = ended.flatMap((name) => {
    const id = Number(/ of (\d+)$/.exec(name)?.[1] ?? runs.find((run) => nameOf(run) === name)?.reference_id ?? NaN);
    return Number.isNaN(id) ? [] : [keys.reference(id), keys.parts(id)];
  });
  return [keys.study(studyId), keys.profile(studyId), keys.attempts(studyId), ...songs];
}

/** Puts how far the work is into the pages that are kept. */
function show(client: QueryClient, studyId: number, runs: WorkRun[]): void {
  client.setQueryData<StudyPage>(studyQuery(studyId).queryKey, (page) => page && withRuns(page, runs));
  for (const run of runs) {
    if (run.reference_id === null || !isWaiting(run.state)) continue;
    client.setQueryData<ReferencePage>(referenceQuery(run.reference_id).queryKey, (page) => page && withRun(page, run));
    if (run.kind === "separation")
      client.setQueryData<Separation>(
        partsQuery(run.reference_id).queryKey,
        (parts) => parts && { ...parts, ...shown(run) },
      );
  }
}

function shown({ state, progress, error }: WorkRun) {
  return { state: state === "open" ? ("queued" as const) : state, progress, error };
}

/** The study with how far its analyses and the songs that are put together are. */
export function withRuns(page: StudyPage, runs: WorkRun[]): StudyPage {
  const find = (kind: WorkRun["kind"], test: (run: WorkRun) => boolean) =>
    runs.find((run) => run.kind === kind && test(run));
  return {
    ...page,
    references: page.references.map((row) => {
      const run = find("analysis", (candidate) => candidate.reference_id === row.id);
      return run && row.analysis
        ? { ...row, analysis: { ...row.analysis, id: run.id, stage: run.stage, ...shown(run) } }
        : row;
    }),
    assemblies: page.assemblies.map((assembly) => {
      const run = find("assembly", (candidate) => candidate.id === assembly.id);
      return run ? { ...assembly, state: run.state, progress: run.progress, error: run.error } : assembly;
    }),
  };
}

/** The page of a song with how far the work on it is. */
export function withRun(page: ReferencePage, run: WorkRun): ReferencePage {
  if (run.kind === "derivation" && isWaiting(page.derivation?.state))
    return { ...page, derivation: { stage: run.stage, ...shown(run) } };
  if (run.kind === "stem")
    return { ...page, stems: page.stems.map((stem) => (stem.id === run.id ? { ...stem, ...shown(run) } : stem)) };
  return page;
}

export function isBusy(run: Pick<Run, "state"> | null | undefined): boolean {
  return isWaiting(run?.state);
}
