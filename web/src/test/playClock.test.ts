import { describe, expect, it } from "vitest";
import { PlayClock } from "../player/PlayClock";

describe("the clock of playback", () => {
  it("waits until playback begins and then runs at its rate", () => {
    const clock = new PlayClock(10, 4, 0.5);
    expect([9, 10, 12].map((time) => clock.positionAt(time))).toEqual([4, 4, 5]);
  });

  it("comes round in a loop that it enters from before", () => {
    const clock = new PlayClock(0, 1, 1, { start: 2, end: 5 });
    expect([0, 3, 4, 7.5].map((time) => clock.positionAt(time))).toEqual([1, 4, 2, 2.5]);
    expect([0, 3.9, 4, 7.5].map((time) => clock.passesAt(time))).toEqual([0, 0, 1, 2]);
  });

  it("does not turn back into a loop that lies behind it", () => {
    expect(new PlayClock(0, 6, 1, { start: 2, end: 5 }).positionAt(3)).toBe(9);
  });

  it("knows when a moment sounds, once or in every pass", () => {
    expect(new PlayClock(0, 0, 2).timesOf(3, 0, 10)).toEqual([1.5]);
    expect(new PlayClock(0, 4, 1).timesOf(3, 0, 10)).toEqual([]);
    expect(new PlayClock(0, 2, 1, { start: 2, end: 4 }).timesOf(3, 0, 6)).toEqual([1, 3, 5]);
    expect(new PlayClock(0, 2, 1, { start: 2, end: 4 }).timesOf(3, 3.5, 6)).toEqual([5]);
    expect(new PlayClock(0, 3.5, 1, { start: 2, end: 4 }).timesOf(3, 0, 4)).toEqual([1.5, 3.5]);
  });

  it("knows when so many passes are over", () => {
    expect(new PlayClock(10, 3, 1, { start: 2, end: 4 }).endOfPasses(2)).toBe(13);
    expect(new PlayClock(10, 3, 1).endOfPasses(2)).toBe(Number.POSITIVE_INFINITY);
  });
});
