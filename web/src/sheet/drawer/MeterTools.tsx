import { useState } from "react";
import { useCommands } from "../../app/commands";
import { Button } from "../../components/Button";
import { SmallField } from "../../components/SmallField";
import { usePlayer } from "../../player/context";
import { useSheet } from "../context";
import { Part } from "../card/Part";

const GROUP = "Tempo and bars";

/** Move all first beats, and say how many beats come before the first bar. */
export function MeterTools() {
  const { analysis, edits } = useSheet();
  const player = usePlayer();
  const [pickup, setPickup] = useState(String(analysis.pickup_beats));
  const move = (beats: number) => void edits.post("count", { action: "downbeat", beats });
  useCommands([
    { key: "Shift+ArrowUp", name: "first beats a beat later", group: GROUP, run: () => move(1) },
    { key: "Shift+ArrowDown", name: "first beats a beat earlier", group: GROUP, run: () => move(-1) },
  ]);
  return (
    <>
      <Part title="First beats" aside="of all bars">
        <div className="flex flex-wrap gap-2">
          <Button className="grow px-2" onClick={() => move(-1)}>
            A beat earlier
          </Button>
          <Button className="grow px-2" onClick={() => move(1)}>
            A beat later
          </Button>
        </div>
      </Part>
      <Part title="A bar line here" aside="at the playhead">
        <div className="flex gap-2">
          <Button
            className="grow px-2"
            title="A bar begins where playback stands, whatever was counted before"
            onClick={() => void edits.post("count", { action: "bar_line", at: player.time })}
          >
            Set it
          </Button>
          <Button className="px-2" onClick={() => void edits.post("count", { action: "no_bar_lines" })}>
            Take all back
          </Button>
        </div>
      </Part>
      <Part title="Pickup" aside="beats before bar 1">
        <div className="flex items-center gap-2">
          <SmallField label="beats" inputMode="numeric" className="w-11" value={pickup} onText={setPickup} />
          <Button
            disabled={!/^\d+$/.test(pickup)}
            onClick={() => void edits.post("count", { action: "pickup", beats: Number(pickup) })}
          >
            Mark the pickup
          </Button>
        </div>
      </Part>
    </>
  );
}
