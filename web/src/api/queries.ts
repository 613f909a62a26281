/** Everything that is read from the API, by name. */

import { queryOptions } from "@tanstack/react-query";
import { get } from "./client";
import type { Checklist, Profile, ReferencePage, RunState, School, Study, StudyPage, TechniqueEntry } from "./types";

export const studiesQuery = queryOptions({
  queryKey: ["studies"],
  queryFn: () => get<{ studies: Study[] }>("/studies").then((answer) => answer.studies),
});

export const studyQuery = (id: number) =>
  queryOptions({ queryKey: ["study", id], queryFn: () => get<StudyPage>(`/studies/${id}`) });

/** While what was put right is being worked in, the page is asked for again and again. */
const DERIVING_MS = 350;

export const referenceQuery = (id: number) =>
  queryOptions({
    queryKey: ["reference", id],
    queryFn: () => get<ReferencePage>(`/references/${id}`),
    refetchInterval: (query) => (isDeriving(query.state.data) ? DERIVING_MS : false),
  });

export function isDeriving(page: ReferencePage | undefined): boolean {
  const state = page?.derivation?.state;
  return state === "queued" || state === "running";
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

export const techniquesQuery = queryOptions({
  queryKey: ["techniques"],
  queryFn: () => get<{ techniques: TechniqueEntry[] }>("/techniques").then((answer) => answer.techniques),
  staleTime: Infinity,
});
