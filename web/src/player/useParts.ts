import { useQuery } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { partsQuery } from "../api/queries";
import { useChange } from "../app/useChange";
import { useProgress } from "../app/useProgress";
import { usePlayer, usePlayerState } from "./context";
import { isPart, type Isolation } from "./isolation";

/** Chooses what is heard; parts that are not separated yet are, in the background, and heard as soon as they are there. */
export function useParts() {
  const player = usePlayer();
  const { track } = usePlayerState();
  const id = track?.id ?? 0;
  const { data } = useQuery({ ...partsQuery(id), enabled: track !== null });
  // What plays may be of another study than the one that is shown.
  useProgress(track?.studyId ?? NaN);
  const wanted = useRef<{ id: number; part: Isolation } | null>(null);
  const start = useChange({
    send: () => write("POST", `/references/${id}/parts`),
    stale: [keys.parts(id), keys.progress(track?.studyId ?? 0)],
  });
  useEffect(() => {
    if (data?.state !== "done" || wanted.current?.id !== id) return;
    player.setIsolation(wanted.current.part);
    wanted.current = null;
  }, [data?.state, id, player]);

  const choose = (isolation: Isolation) => {
    wanted.current = null;
    if (!isPart(isolation) || data?.state === "done") {
      player.setIsolation(isolation);
      return;
    }
    wanted.current = { id, part: isolation };
    start.mutate();
  };
  return { choose, separation: data ?? null };
}
