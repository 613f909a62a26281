import { useState } from "react";
import { useCommands } from "../../app/commands";
import { Button } from "../../components/Button";
import { SmallField } from "../../components/SmallField";
import { percent } from "../../lib/format";
import { usePlayer } from "../../player/context";
import { words } from "../../words/words";
import { useSheet } from "../context";
import { Part } from "../card/Part";

const GROUP = "Tempo and bars";
const SHIFTS = [
  { beats: -1, name: "a beat earlier", short: "−1" },
  { beats: -0.5, name: "half a beat earlier", short: "−½" },
  { beats: 0.5, name: "half a beat later", short: "+½" },
  { beats: 1, name: "a beat later", short: "+1" },
];

/** Where bar 1 begins: all bar lines moved by beats and halves, each with how likely that is. */
export function BarLines() {
  const { analysis, edits } = useSheet();
  const player = usePlayer();
  const move = (beats: number) => void edits.post("count", { action: "downbeat", beats });
  useCommands([
    { key: "Shift+ArrowUp", name: "bar lines half a beat later", group: GROUP, run: () => move(0.5) },
    { key: "Shift+ArrowDown", name: "bar lines half a beat earlier", group: GROUP, run: () => move(-0.5) },
  ]);
  const likely = (beats: number) => analysis.bar_lines.find((line) => line.beats === beats)?.odds;
  return (
    <Part title={words.barLines} aside="bar 1, in beats">
      <div className="grid grid-cols-4 gap-1.5">
        {SHIFTS.map(({ beats, name, short }) => {
          const odds = likely(beats);
          return (
            <Button
              key={beats}
              className="h-auto min-h-7 flex-col gap-0 px-0.5 py-0.5"
              aria-label={`Bar 1 ${name}${odds === undefined ? "" : `, ${percent(odds)} likely`}`}
              title={`Bar 1 ${name}`}
              onClick={() => move(beats)}
            >
              <span className="figure">{short}</span>
              {odds !== undefined && <span className="figure text-11 font-normal text-ink-2">{percent(odds)}</span>}
            </Button>
          );
        })}
      </div>
      <div className="mt-1.5 flex gap-1.5">
        <Button
          className="grow px-1"
          title="A bar begins where playback stands; the bars after it follow"
          onClick={() => void edits.post("count", { action: "bar_line", at: player.time })}
        >
          {words.barLineHere}
        </Button>
        <Button className="px-2" onClick={() => void edits.post("count", { action: "no_bar_lines" })}>
          Clear all
        </Button>
      </div>
    </Part>
  );
}

/** How many beats come before the first bar. */
export function PickupTool() {
  const { analysis, edits } = useSheet();
  const [pickup, setPickup] = useState(String(analysis.pickup_beats));
  return (
    <Part title="Pickup" aside="beats before bar 1">
      <div className="flex items-center gap-2">
        <SmallField label="beats" inputMode="numeric" className="w-11" value={pickup} onText={setPickup} />
        <Button
          disabled={!/^\d+$/.test(pickup)}
          onClick={() => void edits.post("count", { action: "pickup", beats: Number(pickup) })}
        >
          Set pickup
        </Button>
      </div>
    </Part>
  );
}
