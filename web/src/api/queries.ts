/** Everything that is read from the API, by name. */

import { queryOptions, type QueryClient } from "@tanstack/react-query";
import { get } from "./client";
import type {
  Checklist,
  HowTo,
  ProfilePage,
  ReferencePage,
  Run,
  RunState,
  School,
  SoundRow,
  Study,
  StudyPage,
  TechniqueEntry,
} from "./types";

/** While something is being worked in, its page is asked for again and again. */
const DERIVING_MS = 350;

export const isWaiting = (state: string | undefined) => state === "queued" || state === "running";

export const studiesQuery = queryOptions({
  queryKey: ["studies"],
  queryFn: () => get<{ studies: Study[] }>("/studies").then((answer) => answer.studies),
});

export const studyQuery = (id: number) =>
  queryOptions({
    queryKey: ["study", id],
    queryFn: () => get<StudyPage>(`/studies/${id}`),
    refetchInterval: (query) =>
      query.state.data?.assemblies.some((assembly) => isWaiting(assembly.state)) ? DERIVING_MS : false,
  });

/** The newest run of each reference of a study. */
export type RunsById = Record<number, Run | null>;

/** How often a page asks how far the work is. */
const PROGRESS_MS = 500;

interface Progress {
  edition: number;
  runs: RunsById;
}

/** How far the analyses of a study are; without news since the last answer the server says only that. */
export const progressQuery = (client: QueryClient, studyId: number) => {
  const queryKey = ["progress", studyId] as const;
  return queryOptions({
    queryKey,
    queryFn: async (): Promise<Progress> => {
      const before = client.getQueryData<Progress>(queryKey);
      const { edition, runs } = await get<Partial<Progress> & { edition: number }>(
        `/studies/${studyId}/progress?seen=${before?.edition ?? ""}`,
      );
      return { edition, runs: runs ?? before?.runs ?? {} };
    },
    select: (progress: Progress) => progress.runs,
    refetchInterval: PROGRESS_MS,
  });
};

export const referenceQuery = (id: number) =>
  queryOptions({
    queryKey: ["reference", id],
    queryFn: () => get<ReferencePage>(`/references/${id}`),
    refetchInterval: (query) => (isDeriving(query.state.data) ? DERIVING_MS : false),
  });

/** While the analysis is worked out anew, or a stem is measured. */
export function isDeriving(page: ReferencePage | undefined): boolean {
  return isWaiting(page?.derivation?.state) || (page?.stems.some((stem) => isWaiting(stem.state)) ?? false);
}

export interface ChordReading {
  symbol: string;
  notes: string[];
  degree: string | null;
  function: string | null;
  function_of: string | null;
  names: string[];
}

/** What a chord symbol says in the key of a bar, or why it can't be read. */
export const chordQuery = (id: number, symbol: string, bar: number) =>
  queryOptions({
    queryKey: ["chord", id, symbol, bar],
    queryFn: () =>
      get<{ chord: ChordReading | null; problem: string | null }>(
        `/references/${id}/chord?symbol=${encodeURIComponent(symbol)}&bar=${bar}`,
      ),
    staleTime: Infinity,
    enabled: symbol.trim() !== "",
  });

export interface ScaleUse {
  name: string;
  relative: NamedKey;
  parallel: NamedKey;
  notes: { name: string; inside: boolean; share: number; beats: number; bars: number[] }[];
}

interface NamedKey {
  tonic: string;
  mode: string;
  name: string;
}

export const scaleQuery = (id: number, tonic: string, mode: string) =>
  queryOptions({
    queryKey: ["reference", id, "scale", tonic, mode],
    queryFn: () =>
      get<{ scale: ScaleUse }>(
        `/references/${id}/scale?tonic=${encodeURIComponent(tonic)}&mode=${encodeURIComponent(mode)}`,
      ).then((answer) => answer.scale),
  });

export interface Separation {
  state: "none" | RunState;
  progress: number;
  error: string | null;
}

export const partsQuery = (id: number) =>
  queryOptions({
    queryKey: ["parts", id],
    queryFn: () => get<{ separation: Separation }>(`/references/${id}/parts`).then((answer) => answer.separation),
    refetchInterval: (query) =>
      query.state.data?.state === "queued" || query.state.data?.state === "running" ? 500 : false,
  });

export const profileQuery = (studyId: number) =>
  queryOptions({
    queryKey: ["profile", studyId],
    queryFn: () => get<ProfilePage>(`/studies/${studyId}/profile`),
    retry: false,
  });

export const checklistQuery = (id: number) =>
  queryOptions({
    queryKey: ["checklist", id],
    queryFn: () => get<{ checklist: Checklist }>(`/checklists/${id}`).then((answer) => answer.checklist),
    // What is put right on a sheet changes what its items would say.
    staleTime: 0,
  });

export const schoolsQuery = queryOptions({
  queryKey: ["schools"],
  queryFn: () => get<{ schools: School[] }>("/schools").then((answer) => answer.schools),
  staleTime: Infinity,
});

/** The library with a study's own words and entries. */
export const techniquesQuery = (studyId: number) =>
  queryOptions({
    queryKey: ["techniques", studyId],
    queryFn: () =>
      get<{ techniques: TechniqueEntry[] }>(`/studies/${studyId}/techniques`).then((answer) => answer.techniques),
    staleTime: Infinity,
  });

export const howToQuery = (referenceId: number, kind: string) =>
  queryOptions({
    queryKey: ["reference", referenceId, "how-to", kind],
    queryFn: () => get<HowTo>(`/references/${referenceId}/how-to/${encodeURIComponent(kind)}`),
    retry: false,
  });

export const soundsQuery = (studyId: number) =>
  queryOptions({
    queryKey: ["sounds", studyId],
    queryFn: () => get<{ sounds: SoundRow[] }>(`/studies/${studyId}/sounds`).then((answer) => answer.sounds),
  });
