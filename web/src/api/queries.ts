/** Everything that is read from the API, by name. */

import { queryOptions, type QueryClient } from "@tanstack/react-query";
import { bytes, get, write } from "./client";
import { told } from "../app/frame";
import { keys } from "./keys";
import type {
  AttemptPage,
  Attempts,
  CalculatorGroup,
  Checklist,
  ChordReading,
  Comparison,
  Hit,
  HowTo,
  Known,
  Logbook,
  ProfilePage,
  Reckoned,
  Progress,
  ReferencePage,
  ScaleUse,
  School,
  Separation,
  Session,
  SoundRow,
  Study,
  StudyCard,
  StudyPage,
  TechniqueEntry,
} from "./types";

export const isWaiting = (state: string | undefined) => state === "queued" || state === "running";

export const studiesQuery = queryOptions({
  queryKey: keys.studies,
  queryFn: () => get<{ studies: StudyCard[]; thrown_away: Study[] }>("/studies"),
});

export const studyQuery = (id: number) =>
  queryOptions({
    queryKey: keys.studyAs(id, told(id)),
    queryFn: () => get<StudyPage>(`/studies/${id}?as=${told(id)}`),
  });

/** How often a page asks how far the work is: while there is some, and while there is none. */
const WORKING_MS = 500;
const IDLE_MS = 2000;

/** How far all work on a study is; without news since the last answer the server says only that. */
export const progressQuery = (client: QueryClient, studyId: number) => {
  const queryKey = keys.progress(studyId);
  return queryOptions({
    queryKey,
    queryFn: async (): Promise<Required<Progress>> => {
      const before = client.getQueryData<Required<Progress>>(queryKey);
      const { edition, runs } = await get<Progress>(`/studies/${studyId}/progress?seen=${before?.edition ?? ""}`);
      return { edition, runs: runs ?? before?.runs ?? [] };
    },
    select: (progress: Required<Progress>) => progress.runs,
    refetchInterval: (query) => (query.state.data?.runs.some((run) => isWaiting(run.state)) ? WORKING_MS : IDLE_MS),
  });
};

export const referenceQuery = (id: number) =>
  queryOptions({
    queryKey: keys.referenceAs(id, told()),
    queryFn: () => get<ReferencePage>(`/references/${id}?as=${told()}`),
  });

/** What a chord symbol says in the key of a bar, or why it can't be read. */
export const chordQuery = (id: number, symbol: string, bar: number) =>
  queryOptions({
    queryKey: keys.chord(id, symbol, bar),
    queryFn: () =>
      get<{ chord: ChordReading | null; problem: string | null }>(
        `/references/${id}/chord?symbol=${encodeURIComponent(symbol)}&bar=${bar}`,
      ),
    staleTime: Infinity,
    enabled: symbol.trim() !== "",
  });

export const scaleQuery = (id: number, tonic: string, mode: string) =>
  queryOptions({
    queryKey: keys.scale(id, tonic, mode),
    queryFn: () =>
      get<{ scale: ScaleUse }>(
        `/references/${id}/scale?tonic=${encodeURIComponent(tonic)}&mode=${encodeURIComponent(mode)}`,
      ).then((answer) => answer.scale),
  });

/** The outline of a recording's waveform; it never changes. */
export const peaksQuery = (id: number) =>
  queryOptions({
    queryKey: keys.peaks(id),
    queryFn: () => bytes(`/references/${id}/peaks`).then((buffer) => new Int8Array(buffer)),
    staleTime: Infinity,
    retry: false,
  });

export const partsQuery = (id: number) =>
  queryOptions({
    queryKey: keys.parts(id),
    queryFn: () => get<{ separation: Separation }>(`/references/${id}/parts`).then((answer) => answer.separation),
  });

export const profileQuery = (studyId: number, against: string) =>
  queryOptions({
    queryKey: keys.profileBeside(studyId, against),
    queryFn: () => get<ProfilePage>(`/studies/${studyId}/profile?against=${encodeURIComponent(against)}`),
    retry: false,
  });

/** This study's profile beside that of another, or beside the songs at its side. */
export const comparisonQuery = (studyId: number, other: string) =>
  queryOptions({
    queryKey: keys.comparison(studyId, other),
    queryFn: () =>
      get<{ comparison: Comparison }>(`/studies/${studyId}/comparison?with=${encodeURIComponent(other)}`).then(
        (answer) => answer.comparison,
      ),
    retry: false,
    staleTime: 0,
  });

/** What of a checklist fits into so many minutes; settled counts what is done with, so that it is asked anew when that changes. */
export const sessionQuery = (id: number, minutes: number, settled: number) =>
  queryOptions({
    queryKey: keys.session(id, minutes, settled),
    queryFn: () =>
      get<{ session: Session }>(`/checklists/${id}/session?minutes=${minutes}`).then((answer) => answer.session),
  });

export const checklistQuery = (id: number) =>
  queryOptions({
    queryKey: keys.checklistAs(id, told()),
    queryFn: () =>
      get<{ checklist: Checklist }>(`/checklists/${id}${told() === "theirs" ? "?as=theirs" : ""}`).then(
        (answer) => answer.checklist,
      ),
    // What is put right on a sheet changes what its items would say.
    staleTime: 0,
  });

/** What was done on a study's checklists. */
export const logbookQuery = (studyId: number) =>
  queryOptions({
    queryKey: keys.logbook(studyId),
    queryFn: () => get<Logbook>(`/studies/${studyId}/logbook`),
    staleTime: 0,
  });

export const schoolsQuery = queryOptions({
  queryKey: keys.schools,
  queryFn: () => get<{ schools: School[] }>("/schools").then((answer) => answer.schools),
  staleTime: Infinity,
});

/** The library with a study's own words and entries. */
export const techniquesQuery = (studyId: number) =>
  queryOptions({
    queryKey: keys.techniques(studyId),
    queryFn: () =>
      get<{ techniques: TechniqueEntry[] }>(`/studies/${studyId}/techniques`).then((answer) => answer.techniques),
    staleTime: Infinity,
  });

export const howToQuery = (referenceId: number, kind: string) =>
  queryOptions({
    queryKey: keys.howTo(referenceId, kind),
    queryFn: () => get<HowTo>(`/references/${referenceId}/how-to/${encodeURIComponent(kind)}`),
    retry: false,
  });

/** Whatever has a name or was written, by words in it. */
export const searchQuery = (words: string) =>
  queryOptions({
    queryKey: keys.search(words),
    queryFn: () => get<{ found: Hit[] }>(`/search?words=${encodeURIComponent(words)}`).then((answer) => answer.found),
    enabled: words.length > 1,
    placeholderData: (before) => before,
    staleTime: 0,
  });

export const reckonerQuery = queryOptions({
  queryKey: keys.reckoner,
  queryFn: () => get<{ groups: CalculatorGroup[] }>("/reckoner").then((answer) => answer.groups),
  staleTime: Infinity,
});

/** What a sentence comes to, or why it can't be worked out. */
export const reckonedQuery = (id: string, written: Record<string, string>) =>
  queryOptions({
    queryKey: keys.reckoned(id, written),
    queryFn: () => write<{ reckoned: Reckoned | null; problem: string | null }>("POST", `/reckoner/${id}`, { written }),
    staleTime: Infinity,
  });

/** What of a song goes into the blanks. */
export const knownQuery = (referenceId: number, layer: string) =>
  queryOptions({
    queryKey: keys.known(referenceId, layer, told()),
    queryFn: () =>
      get<{ known: Known }>(
        `/references/${referenceId}/known?as=${told()}${layer && `&layer=${encodeURIComponent(layer)}`}`,
      ).then((answer) => answer.known),
    enabled: referenceId > 0,
    retry: false,
  });

export const soundsQuery = (studyId: number) =>
  queryOptions({
    queryKey: keys.sounds(studyId),
    queryFn: () => get<{ sounds: SoundRow[] }>(`/studies/${studyId}/sounds`).then((answer) => answer.sounds),
  });

export const attemptsQuery = (studyId: number) =>
  queryOptions({
    queryKey: keys.attempts(studyId),
    queryFn: () => get<Attempts>(`/studies/${studyId}/attempts`),
  });

/** An attempt beside what it is held against, or beside another attempt. */
export const attemptQuery = (studyId: number, id: number, beside?: number) =>
  queryOptions({
    queryKey: keys.attempt(studyId, id, beside),
    queryFn: () => get<AttemptPage>(beside ? `/attempts/${id}/versions/${beside}` : `/attempts/${id}`),
  });
