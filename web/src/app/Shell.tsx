import { useState } from "react";
import { Outlet } from "react-router";
import { usePlayer } from "../player/context";
import { Transport } from "../player/Transport";
import { KeysHelp } from "./KeysHelp";
import { Navigation } from "./Navigation";
import { toggleTheme } from "./theme";
import { useKeys } from "./useKeys";

/** Navigation on the left, the page, and playback along the bottom. */
export function Shell() {
  const player = usePlayer();
  const [help, setHelp] = useState(false);
  useKeys({
    "?": () => setHelp(true),
    "Shift+?": () => setHelp(true),
    n: () => toggleTheme(),
    Space: () => player.toggle(),
    ArrowLeft: () => player.seekBar(player.barAt(player.time) - 1),
    ArrowRight: () => player.seekBar(player.barAt(player.time) + 1),
    "Shift+ArrowLeft": () => step(-1),
    "Shift+ArrowRight": () => step(1),
    l: () => loopSection(),
  });

  const sections = () => player.snapshot().track?.sections ?? [];

  /** To the start of the section before or after the one that plays. */
  const step = (by: number) => {
    const starts = sections().map((section) => section.first_bar);
    const bar = Math.max(1, player.barAt(player.time));
    const target = by > 0 ? starts.find((start) => start > bar) : starts.filter((start) => start < bar).at(-1);
    if (target) player.seekBar(target);
  };

  const loopSection = () => {
    if (player.snapshot().loop) {
      player.setLoop(null);
      return;
    }
    const bar = Math.max(1, player.barAt(player.time));
    const section = sections().find(
      (candidate) => bar >= candidate.first_bar && bar < candidate.first_bar + candidate.bars,
    );
    if (section) player.setLoop({ first: section.first_bar, last: section.first_bar + section.bars - 1 });
  };

  return (
    <div className="flex h-full flex-col">
      <div className="flex min-h-0 grow">
        <Navigation onHelp={() => setHelp(true)} />
        <main className="flex min-w-0 grow flex-col bg-paper">
          <Outlet />
        </main>
      </div>
      <Transport />
      <KeysHelp open={help} onClose={() => setHelp(false)} />
    </div>
  );
}
