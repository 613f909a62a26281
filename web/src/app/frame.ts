/** In whose tempo and key everything is told: as theirs, or in those of the new track. One switch for a whole study, kept beside the browser's other settings. */

import { useEffect } from "react";
import { useSearchParams } from "react-router";

export type Told = "theirs" | "mine";

const nameOf = (studyId: number) => `ethoscope-told-${studyId}`;

/** The study whose pages are open; none on the page of all studies. */
export function openStudy(path = location.pathname): number | null {
  const id = Number(/^\/studies\/(\d+)/.exec(path)?.[1]);
  return id > 0 ? id : null;
}

/** How a study is told: as its address says, or else as it was told last. */
export function told(studyId = openStudy()): Told {
  if (studyId === null) return "theirs";
  const asked = studyId === openStudy() ? new URLSearchParams(location.search).get("as") : null;
  if (asked === "mine" || asked === "theirs") return asked;
  return localStorage.getItem(nameOf(studyId)) === "mine" ? "mine" : "theirs";
}

function tell(studyId: number, as: Told): void {
  localStorage.setItem(nameOf(studyId), as);
}

/** How a study is told, and how to have it told otherwise. It is part of every query's key that depends on it, and of the address. */
export function useTold(studyId: number): [Told, (as: Told) => void] {
  const [, setSearch] = useSearchParams();
  return [
    told(studyId),
    (next) => {
      tell(studyId, next);
      setSearch((before) => framed(before, next), { replace: true });
    },
  ];
}

function framed(search: URLSearchParams, as: Told): URLSearchParams {
  const after = new URLSearchParams(search);
  after.set("as", as);
  return after;
}

/** Whatever page of a study is open, its address says "as mine" while the study is told so; an address that says how is believed, and remembered. */
export function useFrameInAddress(studyId: number | null): void {
  const [search, setSearch] = useSearchParams();
  const asked = search.get("as");
  useEffect(() => {
    if (studyId === null) return;
    if (asked === "mine" || asked === "theirs") tell(studyId, asked);
    else if (told(studyId) === "mine") setSearch((before) => framed(before, "mine"), { replace: true });
  }, [studyId, asked, setSearch]);
}
