/** What a stretched recording is to do, one step after another. Its node forgets a step that has not begun when it hears of another one,
 *  so each is told only when the one before has begun. */

import type { Start } from "./engine";
import type { StretchNode } from "./stretch";
import type { StretchSchedule } from "signalsmith-stretch";

type Step = StretchSchedule & { output: number };

/** Seconds after which a step has surely begun. */
const BEGUN = 0.05;

export interface Clock {
  now(): number;
  after(time: number, act: () => Promise<void>): void;
}

export class StretchQueue {
  private coming: Step[] = [];
  private told = -Infinity;
  private waiting = Infinity;

  constructor(
    readonly node: StretchNode,
    private readonly clock: Clock,
  ) {}

  /** Plays from a moment on; nothing that was to come after it holds any more. */
  play({ at, from, rate, semitones, loop }: Omit<Start, "url" | "until">): void {
    const [loopStart, loopEnd] = loop ? [loop.start, loop.end] : [0, 0];
    this.add({ output: at, active: true, input: from, rate, semitones, loopStart, loopEnd });
  }

  rest(at: number): void {
    this.add({ output: at, active: false });
  }

  private add(step: Step): void {
    this.coming = [...this.coming.filter(({ output }) => output < step.output), step];
    void this.advance();
  }

  private async advance(): Promise<void> {
    const [next] = this.coming;
    if (!next) return;
    const free = this.told + BEGUN;
    if (next.output > this.told && this.clock.now() < free) {
      this.wait(free);
      return;
    }
    this.coming.shift();
    this.told = next.output;
    await this.node.schedule(next);
    await this.advance();
  }

  private wait(time: number): void {
    if (time >= this.waiting) return;
    this.waiting = time;
    this.clock.after(time, () => {
      this.waiting = Infinity;
      return this.advance();
    });
  }
}

/** The clock of a context that runs as fast as time goes. */
export function clockOf(context: BaseAudioContext): Clock {
  const now = () => context.currentTime;
  const after: Clock["after"] = (time, act) => {
    const left = time - now();
    if (left > 0) setTimeout(() => after(time, act), left * 1000 + 5);
    else void act();
  };
  return { now, after };
}
