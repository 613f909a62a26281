import { usePlayer } from "../player/context";
import { ISOLATIONS, isPart } from "../player/isolation";
import type { Command } from "./commands";

const GROUP = "Listening";

/** Play, move about in bars and sections, loop, and how it sounds. */
export function useTransportCommands(): Command[] {
  const player = usePlayer();
  const sections = () => player.snapshot().track?.sections ?? [];
  const here = () => Math.max(1, player.barAt(player.time));

  /** To the start of the section before or after the one that plays. */
  const step = (by: number) => {
    const starts = sections().map((section) => section.first_bar);
    const target = by > 0 ? starts.find((start) => start > here()) : starts.filter((start) => start < here()).at(-1);
    if (target) player.seekBar(target);
  };

  const loopSection = () => {
    if (player.snapshot().loop) {
      player.setLoop(null);
      return;
    }
    const section = sections().find(({ first_bar: first, bars }) => here() >= first && here() < first + bars);
    if (section) player.setLoop({ first: section.first_bar, last: section.first_bar + section.bars - 1 });
  };

  /** The loop starts or ends at the bar that plays, or gets a bar longer or shorter. */
  const bound = (edge: "first" | "last") => {
    const loop = player.snapshot().loop ?? { first: here(), last: here() };
    const moved = { ...loop, [edge]: here() };
    player.setLoop({ first: Math.min(moved.first, moved.last), last: Math.max(moved.first, moved.last) });
  };

  const isolate = (by: number) => {
    const bands = ISOLATIONS.filter((isolation) => !isPart(isolation));
    const place = bands.findIndex((isolation) => isolation === player.snapshot().isolation);
    const next = bands[(place + by + bands.length) % bands.length];
    if (next) player.setIsolation(next);
  };

  return [
    { key: "Space", name: "play or pause", group: GROUP, run: () => player.toggle() },
    { key: "ArrowLeft", name: "a bar back", group: GROUP, run: () => player.seekBar(player.barAt(player.time) - 1) },
    { key: "ArrowRight", name: "a bar on", group: GROUP, run: () => player.seekBar(player.barAt(player.time) + 1) },
    { key: "Shift+ArrowLeft", name: "a section back", group: GROUP, run: () => step(-1) },
    { key: "Shift+ArrowRight", name: "a section on", group: GROUP, run: () => step(1) },
    { key: "l", name: "loop the section that plays, or end the loop", group: GROUP, run: loopSection },
    { key: "[", name: "start the loop at this bar", group: GROUP, run: () => bound("first") },
    { key: "]", name: "end the loop with this bar", group: GROUP, run: () => bound("last") },
    { key: "i", name: "hear the next part alone", group: GROUP, run: () => isolate(1) },
    { key: "w", name: "hear the whole", group: GROUP, run: () => player.setIsolation("whole") },
    { key: "-", name: "slower", group: GROUP, run: () => player.setRate(player.snapshot().rate - 0.05) },
    { key: "+", name: "faster", group: GROUP, run: () => player.setRate(player.snapshot().rate + 0.05) },
    {
      key: ";",
      name: "a semitone down",
      group: GROUP,
      run: () => player.setSemitones(player.snapshot().semitones - 1),
    },
    { key: "'", name: "a semitone up", group: GROUP, run: () => player.setSemitones(player.snapshot().semitones + 1) },
    { key: "k", name: "click on the beats", group: GROUP, run: () => player.setClick(!player.snapshot().click) },
    { name: "count a bar in", group: GROUP, run: () => player.setCountIn(!player.snapshot().countIn) },
  ];
}
