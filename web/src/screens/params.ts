import { useParams } from "react-router";

export function useStudyId(): number {
  return Number(useParams().studyId);
}

export function useReferenceId(): number {
  return Number(useParams().referenceId);
}

export function useChecklistId(): number {
  return Number(useParams().checklistId);
}
