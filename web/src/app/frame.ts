/** In whose tempo and key everything is told: as theirs, or in those of the new track. One switch for a whole study, kept beside the browser's other settings. */

import { useQueryClient } from "@tanstack/react-query";
import { useSyncExternalStore } from "react";
import { keys } from "../api/keys";

export type Told = "theirs" | "mine";

const listeners = new Set<() => void>();
const nameOf = (studyId: number) => `ethoscope-told-${studyId}`;

/** The study whose pages are open; none on the page of all studies. */
export function openStudy(path = location.pathname): number | null {
  const id = Number(/^\/studies\/(\d+)/.exec(path)?.[1]);
  return id > 0 ? id : null;
}

/** How the study that is open is told. */
export function told(studyId = openStudy()): Told {
  return studyId !== null && localStorage.getItem(nameOf(studyId)) === "mine" ? "mine" : "theirs";
}

export function tell(studyId: number, as: Told): void {
  localStorage.setItem(nameOf(studyId), as);
  listeners.forEach((listener) => listener());
}

function subscribe(listener: () => void): () => void {
  listeners.add(listener);
  return () => listeners.delete(listener);
}

/** How a study is told, and how to have it told otherwise: whatever is on the page is asked for again. */
export function useTold(studyId: number): [Told, (as: Told) => void] {
  const client = useQueryClient();
  const as = useSyncExternalStore(subscribe, () => told(studyId));
  return [
    as,
    (next) => {
      tell(studyId, next);
      for (const queryKey of [keys.study(studyId), keys.references, keys.checklists])
        void client.invalidateQueries({ queryKey });
    },
  ];
}
