import { Play, Repeat } from "lucide-react";
import { Button } from "../../components/Button";
import { bars } from "../../lib/format";
import { usePlayer } from "../../player/context";
import type { BarRun } from "../../player/Player";
import { Part } from "./Part";

/** Plays just those bars, once or in a loop. */
export function Listen({ run }: { run: BarRun }) {
  const player = usePlayer();
  return (
    <Part title="Listen" aside={bars(run.first, run.last)}>
      <div className="flex gap-2">
        <Button className="grow" onClick={() => player.playBars(run)}>
          <Play size={11} fill="currentColor" strokeWidth={0} /> once
        </Button>
        <Button
          className="grow"
          onClick={() => {
            player.setLoop(run);
            if (!player.snapshot().playing) player.toggle();
          }}
        >
          <Repeat size={12} /> in a loop
        </Button>
      </div>
    </Part>
  );
}
