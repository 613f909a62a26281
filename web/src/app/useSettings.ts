import { useEffect, useRef } from "react";
import { setNaming } from "../lib/naming";
import { usePlayer } from "../player/context";
import { useHouse } from "./house";
import { setKeymap } from "./keymap";

/** Lets the page follow the settings: names of notes, keys, and, once, the volume. */
export function useSettings(): void {
  const house = useHouse();
  const player = usePlayer();
  const started = useRef(false);
  useEffect(() => {
    if (!house) return;
    const { names, middle_c: middle, shortcuts, keys, volume } = house.settings;
    setNaming({ names, middle: middle === "C3" ? 3 : 4 });
    setKeymap({ on: shortcuts, own: keys });
    if (!started.current) player.setVolume(volume / 100);
    started.current = true;
  }, [house, player]);
}
