import type { StretchNode, StretchSchedule } from "signalsmith-stretch";
import { beforeEach, describe, expect, it } from "vitest";
import { StretchQueue, type Clock } from "../player/StretchQueue";

/** Time that goes on when told to. */
class Time implements Clock {
  private waiting: { time: number; act: () => Promise<void> }[] = [];
  private current = 0;

  now(): number {
    return this.current;
  }

  after(time: number, act: () => Promise<void>): void {
    this.waiting.push({ time, act });
  }

  async passTo(end: number): Promise<void> {
    for (;;) {
      const [next] = this.waiting.filter(({ time }) => time <= end).sort((one, other) => one.time - other.time);
      if (!next) break;
      this.waiting = this.waiting.filter((one) => one !== next);
      this.current = Math.max(this.current, next.time);
      await next.act();
    }
    this.current = end;
  }
}

describe("what a stretched recording is to do", () => {
  let time: Time;
  let queue: StretchQueue;
  /** Steps that hold: the node forgets those that have not begun when it is told another one. */
  let held: StretchSchedule[];

  beforeEach(() => {
    time = new Time();
    held = [];
    const schedule = (step: StretchSchedule): Promise<void> => {
      held = [...held.filter(({ output }) => (output ?? 0) < time.now()), step];
      return Promise.resolve();
    };
    queue = new StretchQueue({ schedule } as unknown as StretchNode, time);
  });

  const play = (at: number, from: number) => queue.play({ at, from, rate: 0.5, semitones: 0, loop: null });
  const told = () => held.map(({ output, input, active }) => [output, active ? input : "rest"]);

  it("comes step by step, with rests between", async () => {
    play(0.1, 0);
    queue.rest(1);
    play(2, 7);
    queue.rest(3);
    play(4, 9);
    queue.rest(5);
    expect(told()).toEqual([[0.1, 0]]);
    await time.passTo(6);

    expect(told()).toEqual([
      [0.1, 0],
      [1, "rest"],
      [2, 7],
      [3, "rest"],
      [4, 9],
      [5, "rest"],
    ]);
  });

  it("still begins where its end is known at once", async () => {
    play(0.1, 3);
    queue.rest(2);
    await time.passTo(0.1);

    expect(told()).toEqual([[0.1, 3]]);
  });

  it("forgets what was to come when it goes elsewhere", async () => {
    play(0.1, 0);
    queue.rest(100);
    await time.passTo(1);
    expect(told()).toHaveLength(2);
    play(1.1, 40);
    queue.rest(2);
    await time.passTo(3);

    expect(told()).toEqual([
      [0.1, 0],
      [1.1, 40],
      [2, "rest"],
    ]);
  });
});
