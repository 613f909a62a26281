import { useRef, useState } from "react";
import { useCommands } from "../../app/commands";
import { write } from "../../api/client";
import type { Reading } from "../../api/types";
import { useChange } from "../../app/useChange";
import { Button } from "../../components/Button";
import { Failure } from "../../components/Notice";
import { figure, plural } from "../../lib/format";
import { useSheet } from "../context";
import { Part } from "../card/Part";
import { TempoChanges } from "./TempoChanges";

interface Tapped {
  bpm: number;
  spread_ms: number;
  used: number;
  dropped: number;
  nearest: number | null;
}

/** Taps are fitted from this many on; a pause of so many seconds starts anew. */
const LEAST = 4;
const PAUSE = 3;
const GROUP = "Tempo and bars";

/** Tap along, halve and double, move the first beat, mark where the tempo changes. */
export function TempoTools({ reading }: { reading: Reading }) {
  const { page, analysis, edits } = useSheet();
  const times = useRef<number[]>([]);
  const [count, setCount] = useState(0);
  const fit = useChange({
    send: (taps: number[]) =>
      write<{ tapped: Tapped }>("POST", `/references/${page.reference.id}/taps`, { times: taps }).then(
        (answer) => answer.tapped,
      ),
    shownHere: true,
  });
  /** At the time at which the hand came down, not at which the page took notice. */
  const tap = (event?: { timeStamp: number }) => {
    const now = (event?.timeStamp ?? performance.now()) / 1000;
    const last = times.current.at(-1);
    if (last !== undefined && now - last > PAUSE) times.current = [];
    times.current = [...times.current, now];
    setCount(times.current.length);
    if (times.current.length >= LEAST) fit.mutate(times.current);
  };
  const again = () => {
    times.current = [];
    setCount(0);
    fit.reset();
  };
  const send = (body: object) => void edits.post("count", body);
  /** What was tapped to a song that moves is a count of what is played; else even beats. */
  const take = (bpm: number, note: string) =>
    void edits.correct(reading.id, { value: analysis.tempo.constant ? { bpm } : { bpm, follows: true }, note });
  useCommands([
    { key: "b", name: "tap a beat", group: GROUP, run: tap },
    { key: "h", name: "count half as fast", group: GROUP, run: () => send({ action: "times", factor: 0.5 }) },
    { key: "d", name: "count twice as fast", group: GROUP, run: () => send({ action: "times", factor: 2 }) },
  ]);
  const tapped = fit.data;
  return (
    <>
      <Part title="Tap along" aside="click, or the B key">
        <div className="flex items-stretch gap-2">
          <Button className="h-auto grow py-2 text-13" onClick={tap}>
            Tap
          </Button>
          <Button className="h-auto px-2" disabled={count === 0} onClick={again}>
            start over
          </Button>
        </div>
        <p role="status" className="mt-1.5 text-ink-2">
          {count === 0 && "Tap on each beat of what plays."}
          {count > 0 && count < LEAST && `${plural(LEAST - count, "tap")} more.`}
          {count >= LEAST && tapped && (
            <>
              <span className="font-serif text-18 text-heard-text">{tapped.bpm.toFixed(2)} BPM</span>, within{" "}
              <span className="figure">{tapped.spread_ms.toFixed(1)}</span> ms over {plural(tapped.used, "tap")}
              {tapped.dropped > 0 && `, ${tapped.dropped} left out`}
              {tapped.nearest !== null && (
                <>
                  ; nearest measured <span className="figure">{tapped.nearest.toFixed(2)}</span>
                </>
              )}
            </>
          )}
        </p>
        {fit.error && <Failure error={fit.error} />}
        {tapped && count >= LEAST && (
          <div className="mt-1.5 flex flex-wrap gap-2">
            <Button look="solid" onClick={() => take(tapped.bpm, tapNote(tapped))}>
              Take {tapped.bpm.toFixed(2)}
            </Button>
            {tapped.nearest !== null && (
              <Button onClick={() => take(tapped.nearest ?? tapped.bpm, `Nearest to ${tapNote(tapped)}`)}>
                Take {tapped.nearest.toFixed(2)}
              </Button>
            )}
          </div>
        )}
      </Part>
      <Part title="Count">
        <div className="flex gap-2">
          <Button className="grow" onClick={() => send({ action: "times", factor: 0.5 })}>
            Half as fast
          </Button>
          <Button className="grow" onClick={() => send({ action: "times", factor: 2 })}>
            Twice as fast
          </Button>
        </div>
      </Part>
      <TempoChanges reading={reading} />
    </>
  );
}

function tapNote(tapped: Tapped): string {
  return `${plural(tapped.used, "tap")} within ${figure(tapped.spread_ms, 1)} ms.`;
}
