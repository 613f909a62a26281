import { useState } from "react";
import { useCommands } from "../../app/commands";
import type { Chord } from "../../api/types";
import { Button } from "../../components/Button";
import { SmallField } from "../../components/SmallField";
import { figure } from "../../lib/format";
import { useSheet } from "../context";
import { Part } from "../card/Part";

/** Split, merge, and repeat the chords from here over other bars. */
export function ChordShape({ chord }: { chord: Chord }) {
  const { analysis, edits } = useSheet();
  const [at, setAt] = useState(figure(chord.beat + Math.max(0.5, Math.floor(chord.beats) / 2), 1));
  const [loop, setLoop] = useState({ bars: String(analysis.loop?.bars ?? 4), to: "", last: "" });
  const send = (body: object) => void edits.post("chords", { bar: chord.bar, beat: chord.beat, ...body });
  useCommands([
    {
      key: "s",
      name: "split the chord in its middle",
      group: "Chords",
      run: () => send({ action: "split", beat: chord.beat + Math.max(0.5, Math.floor(chord.beats) / 2) }),
    },
    { key: "j", name: "join it with the next", group: "Chords", run: () => send({ action: "merge" }) },
  ]);
  return (
    <Part title="Split, merge, repeat">
      <div className="flex flex-wrap items-center gap-2">
        <SmallField label="at beat" inputMode="decimal" value={at} onText={setAt} className="w-11" />
        <Button className="px-2" onClick={() => send({ action: "split", beat: Number(at) })}>
          Split
        </Button>
        <Button className="px-2" onClick={() => send({ action: "merge" })}>
          Merge with next
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <SmallField
          label="these"
          inputMode="numeric"
          value={loop.bars}
          onText={(bars) => setLoop({ ...loop, bars })}
          className="w-9"
        />
        <SmallField
          label="bars again in"
          inputMode="numeric"
          aria-label="again from bar"
          placeholder="from"
          value={loop.to}
          onText={(to) => setLoop({ ...loop, to })}
          className="w-12"
        />
        <SmallField
          label="to"
          inputMode="numeric"
          aria-label="again to bar"
          placeholder="to"
          value={loop.last}
          onText={(last) => setLoop({ ...loop, last })}
          className="w-12"
        />
        <Button
          className="px-2"
          disabled={loop.to === "" || loop.last === ""}
          onClick={() =>
            void edits.post("chords", {
              action: "repeat",
              bar: chord.bar,
              bars: Number(loop.bars),
              to_bar: Number(loop.to),
              last_bar: Number(loop.last),
            })
          }
        >
          Repeat
        </Button>
      </div>
    </Part>
  );
}
