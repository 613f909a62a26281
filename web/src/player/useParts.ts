import { useQueries } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { isWaiting, partsQuery } from "../api/queries";
import type { Separation } from "../api/types";
import { useChange } from "../app/useChange";
import { useProgress } from "../app/useProgress";
import { usePlayer, usePlayerState } from "./context";
import { isPart, type Isolation } from "./isolation";

/** Chooses what is heard; parts that are not separated yet are, in the background, and heard as soon as they are there. Of a pair both songs are. */
export function useParts() {
  const player = usePlayer();
  const { track } = usePlayerState();
  const ids = track ? [track.id, ...(track.twin ? [track.twin.id] : [])] : [];
  const name = ids.join(" ");
  const found = useQueries({ queries: ids.map((id) => partsQuery(id)) }).map(({ data }) => data ?? null);
  const done = found.length > 0 && found.every((one) => one?.state === "done");
  // What plays may be of another study than the one that is shown.
  useProgress(track?.studyId ?? NaN);
  const wanted = useRef<{ name: string; part: Isolation } | null>(null);
  const start = useChange({
    send: () =>
      Promise.all(
        ids.filter((_, index) => isMissing(found[index])).map((id) => write("POST", `/references/${id}/parts`)),
      ),
    stale: [...ids.map((id) => keys.parts(id)), keys.progress(track?.studyId ?? 0)],
  });
  useEffect(() => {
    if (!done || wanted.current?.name !== name) return;
    player.setIsolation(wanted.current.part);
    wanted.current = null;
  }, [done, name, player]);

  const choose = (isolation: Isolation) => {
    wanted.current = null;
    if (!isPart(isolation) || done) {
      player.setIsolation(isolation);
      return;
    }
    wanted.current = { name, part: isolation };
    start.mutate();
  };
  return { choose, separation: slowest(found) };
}

const isMissing = (separation: Separation | null | undefined) =>
  separation?.state !== "done" && !isWaiting(separation?.state);

/** The one that is waited for: what failed, or what is least far. */
export function slowest(found: (Separation | null)[]): Separation | null {
  const told = found.filter((one) => one !== null);
  return (
    told.find(({ state }) => state === "failed") ??
    told.filter(({ state }) => state !== "done").sort((one, other) => one.progress - other.progress)[0] ??
    told[0] ??
    null
  );
}
