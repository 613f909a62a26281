import { startTransition, useCallback, useEffect, useMemo, useRef } from "react";
import { useSearchParams } from "react-router";
import { ASPECTS, type Analysis } from "../api/contract";
import type { Zoom } from "./geometry";
import { aboutOf, fromAddress, toAddress, type Selection } from "./selection";

export const ZOOMS = [
  { value: "song", name: "whole song" },
  { value: "section", name: "section" },
  { value: "bar", name: "bar" },
] as const;

/** What is selected on a sheet and how near one is: both are in the address, so that they last, and can be kept and sent. */
export function useAddress(analysis: Analysis) {
  const [search, setSearch] = useSearchParams();
  const latest = useRef(setSearch);
  useEffect(() => {
    latest.current = setSearch;
  });
  const selection = useMemo(() => selectedBy(search, analysis), [search, analysis]);
  const zoom = zoomOf(search);

  const select = useCallback((next: Selection | null) => {
    latest.current(
      (before) => {
        const after = new URLSearchParams(before);
        for (const name of ["about", "reading", "card"]) after.delete(name);
        if (next) after.set("card", toAddress(next));
        return after;
      },
      { replace: true },
    );
  }, []);

  // A long sheet is drawn anew in slices, so that what plays goes on moving.
  const zoomTo = useCallback((next: Zoom) => {
    startTransition(() =>
      latest.current(
        (before) => {
          const after = new URLSearchParams(before);
          if (next === "song") after.delete("zoom");
          else after.set("zoom", next);
          return after;
        },
        { replace: true },
      ),
    );
  }, []);
  return { selection, select, zoom, zoomTo };
}

export function zoomOf(search: URLSearchParams): Zoom {
  return ZOOMS.find(({ value }) => value === search.get("zoom"))?.value ?? "song";
}

/** What an address asks to see: a card, or as a checklist's items do a reading of the strip, or what of it they rest on. */
export function selectedBy(search: URLSearchParams, analysis: Analysis): Selection | null {
  const about = search.get("about");
  const aspect = ASPECTS.find((candidate) => candidate === search.get("reading"));
  return (
    fromAddress(search.get("card") ?? "") ??
    (about === null ? null : aboutOf(about, analysis)) ??
    (aspect ? { kind: "reading", aspect } : null)
  );
}
