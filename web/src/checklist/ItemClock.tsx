import { useEffect, useRef, useState } from "react";
import type { Item } from "../api/types";
import { Button } from "../components/Button";
import { clock } from "../lib/format";
import { leftSeconds, moreMinutes, spentSeconds } from "./timing";
import type { List } from "./useList";
import { softTone } from "../player/softTone";
import { words } from "../words/words";

/** The time, once a second while a clock runs. */
export function useNow(running: boolean): number {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(timer);
  }, [running]);
  return running ? now : 0;
}

/** Starts and stops the clock of an item; when its box ends it asks what is to become of it. */
export function ItemClock({ item, list }: { item: Item; list: List }) {
  const running = item.started_at !== null;
  const now = useNow(running);
  const left = leftSeconds(item, now);
  const over = running && left <= 0;
  return (
    <div className="flex flex-col gap-2">
      <div className="flex items-center gap-3">
        <Button onClick={() => list.clock(item.id, running ? "stop" : "start")}>
          {running ? "Stop the clock" : item.spent > 0 ? "Go on" : "Start the clock"}
        </Button>
        <span className="text-ink-2">
          <span className="font-mono text-15 text-ink">{clock(spentSeconds(item, now))}</span>
          {` of ${item.minutes + item.extra}:00`}
          {item.extra > 0 && ` (${item.extra} min were added)`}
        </span>
      </div>
      {over && <BoxEnded item={item} list={list} />}
    </div>
  );
}

function BoxEnded({ item, list }: { item: Item; list: List }) {
  const told = useRef(false);
  useEffect(() => {
    if (!told.current) softTone();
    told.current = true;
  }, []);
  const more = moreMinutes(item);
  return (
    <div role="alertdialog" aria-label="Time is up" className="margin-stroke-l border-select pl-2.5">
      <p className="mb-1.5 font-serif text-15">{words.timeUp}</p>
      <div className="flex flex-wrap gap-1.5">
        <Button onClick={() => list.change(item.id, { result: "close", state: "done" })}>Accept</Button>
        <Button onClick={() => list.change(item.id, { result: "substituted", state: "done" })}>Substitute</Button>
        <Button onClick={() => list.change(item.id, { state: "skipped", result: null })}>{words.skip}</Button>
        <Button onClick={() => list.change(item.id, { extra: item.extra + more })}>{`${more} minutes more`}</Button>
      </div>
    </div>
  );
}
