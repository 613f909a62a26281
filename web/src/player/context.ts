import { createContext, use, useEffect, useSyncExternalStore } from "react";
import { Player, type PlayerState } from "./Player";

export const PlayerContext = createContext<Player | null>(null);

export function usePlayer(): Player {
  const player = use(PlayerContext);
  if (!player) throw new Error("usePlayer needs a PlayerContext");
  return player;
}

export function usePlayerState(): PlayerState {
  const player = usePlayer();
  return useSyncExternalStore(player.subscribe, player.snapshot);
}

/** Seconds into the recording, told every twentieth of a second: often enough for figures, seldom enough for React. */
export function usePlayTime(): number {
  const player = usePlayer();
  useSyncExternalStore(player.subscribe, () => Math.floor(player.time * 20));
  return player.time;
}

/** Calls with the exact time on each frame that it moves; for lines that are drawn without React. */
export function usePlayhead(move: (seconds: number) => void): void {
  const player = usePlayer();
  useEffect(() => {
    const follow = () => move(player.time);
    follow();
    return player.subscribe(follow);
  }, [player, move]);
}
