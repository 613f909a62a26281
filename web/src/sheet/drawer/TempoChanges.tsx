import { useState } from "react";
import type { Reading } from "../../api/types";
import { Button } from "../../components/Button";
import { SmallField } from "../../components/SmallField";
import { plural } from "../../lib/format";
import { useSheet } from "../context";
import { Part } from "../card/Part";

const number = (text: string) => Number(text.replace(",", "."));
const filled = (...texts: string[]) => texts.every((text) => /^\d+([.,]\d+)?$/.test(text.trim()));

/** Where another tempo begins, where it moves, and from where on beats are even: each holds to the letter. */
export function TempoChanges({ reading }: { reading: Reading }) {
  const { edits } = useSheet();
  const [bar, setBar] = useState("");
  const [bpm, setBpm] = useState("");
  const [toBar, setToBar] = useState("");
  const [to, setTo] = useState("");
  const post = (body: object) => void edits.post("count", body);
  const changes = Array.isArray(reading.value?.changes) ? reading.value.changes.length : 0;
  return (
    <Part title="From a bar on" aside={changes > 0 ? plural(changes, "change") : "holds to the letter"}>
      <div className="flex flex-wrap items-center gap-2">
        <SmallField label="from bar" inputMode="numeric" className="w-11" value={bar} onText={setBar} />
        <SmallField label="at BPM" inputMode="decimal" value={bpm} onText={setBpm} />
        <Button
          className="px-2"
          disabled={!filled(bar, bpm)}
          onClick={() => post({ action: "tempo_change", bar: number(bar), bpm: number(bpm) })}
        >
          Mark it
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <SmallField label="until bar" inputMode="numeric" className="w-11" value={toBar} onText={setToBar} />
        <SmallField label="to BPM" inputMode="decimal" value={to} onText={setTo} />
        <Button
          className="px-2"
          disabled={!filled(bar, bpm, toBar, to)}
          title="The tempo moves evenly from the first bar and tempo to these"
          onClick={() =>
            post({ action: "ramp", bar: number(bar), bpm: number(bpm), to_bar: number(toBar), to: number(to) })
          }
        >
          Move there
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Button
          className="px-2"
          disabled={!filled(bar)}
          title="Even beats from that bar on, at the tempo that fits best"
          onClick={() => post({ action: "even", bar: number(bar) })}
        >
          Even from {filled(bar) ? `bar ${bar}` : "there"}
        </Button>
        <Button className="px-2" onClick={() => post({ action: "steady" })}>
          One even tempo
        </Button>
      </div>
    </Part>
  );
}
