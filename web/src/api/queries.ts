/** Everything that is read from the API, by name. */

import { queryOptions } from "@tanstack/react-query";
import { get } from "./client";
import type { Checklist, Profile, ReferencePage, School, Study, StudyPage, TechniqueEntry } from "./types";

export const studiesQuery = queryOptions({
  queryKey: ["studies"],
  queryFn: () => get<{ studies: Study[] }>("/studies").then((answer) => answer.studies),
});

export const studyQuery = (id: number) =>
  queryOptions({ queryKey: ["study", id], queryFn: () => get<StudyPage>(`/studies/${id}`) });

export const referenceQuery = (id: number) =>
  queryOptions({ queryKey: ["reference", id], queryFn: () => get<ReferencePage>(`/references/${id}`) });

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
