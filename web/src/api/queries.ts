/** Everything that is read from the API, by name. */

import { queryOptions } from "@tanstack/react-query";
import { get } from "./client";
import type {
  Checklist,
  HowTo,
  Profile,
  ReferencePage,
  RunState,
  School,
  SoundRow,
  Study,
  StudyPage,
  TechniqueEntry,
} from "./types";

/** While something is being worked in, its page is asked for again and again. */
const DERIVING_MS = 350;

const isWaiting = (state: string | undefined) => state === "queued" || state === "running";

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
    queryFn: () => get<{ profile: Profile }>(`/studies/${studyId}/profile`).then((answer) => answer.profile),
    retry: false,
  });

export const checklistQuery = (id: number) =>
  queryOptions({
    queryKey: ["checklist", id],
    queryFn: () => get<{ checklist: Checklist }>(`/checklists/${id}`).then((answer) => answer.checklist),
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
