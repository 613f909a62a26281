/** How close the latest attempt came to each item of a checklist, and whether that is closer than before. */

import { useQuery } from "@tanstack/react-query";
import { attemptQuery, attemptsQuery } from "../api/queries";
import type { Checklist, Closeness } from "../api/types";
import { TREND, trend } from "./words";

export interface Standing {
  /** The attempt that says it. */
  attempt: number;
  words: string;
  closeness: Closeness | null;
  mark: string;
  /** What the mark means; empty without one. */
  course: string;
}

export function useStandings(checklist: Checklist): Map<number, Standing> {
  const { data } = useQuery(attemptsQuery(checklist.study_id));
  const latest = data?.attempts.filter((attempt) => attempt.checklist_id === checklist.id).at(-1);
  const { data: page } = useQuery({
    ...attemptQuery(checklist.study_id, latest?.id ?? 0),
    enabled: latest?.run?.state === "done",
  });
  const standings = new Map<number, Standing>();
  if (!page) return standings;
  const at = page.attempts.findIndex((attempt) => attempt.id === page.attempt.id);
  for (const [id, verdict] of Object.entries(page.verdicts)) {
    const { mark, words } = TREND[trend(page.attempts[at - 1]?.closeness[Number(id)], verdict.closeness)];
    standings.set(Number(id), {
      attempt: page.attempt.number,
      words: verdict.closeness ?? "by ear",
      closeness: verdict.closeness,
      mark,
      course: words,
    });
  }
  return standings;
}
