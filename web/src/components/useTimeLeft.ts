import { useEffect, useRef, useState } from "react";

/** What is told in steps of so many seconds, and only after so much of the work was seen. */
const STEP = 5;
const LEAST_SEEN = 0.04;

/** About how long a piece of work still takes, from how fast it went while it was looked at. */
export function timeLeft(since: { at: number; share: number }, at: number, share: number): number | null {
  const done = share - since.share;
  if (done < LEAST_SEEN || share >= 1) return null;
  const seconds = (((at - since.at) / 1000) * (1 - share)) / done;
  return Math.max(STEP, Math.ceil(seconds / STEP) * STEP);
}

/** How often it is told anew. */
const EVERY_MS = 1000;

/** The same for work that is on the page; null while nobody knows. */
export function useTimeLeft(share: number, running: boolean): number | null {
  const [left, setLeft] = useState<number | null>(null);
  const latest = useRef(share);
  useEffect(() => {
    latest.current = share;
  }, [share]);
  useEffect(() => {
    if (!running) return;
    const since = { at: performance.now(), share: latest.current };
    const timer = setInterval(() => setLeft(timeLeft(since, performance.now(), latest.current)), EVERY_MS);
    return () => clearInterval(timer);
  }, [running]);
  return running ? left : null;
}
