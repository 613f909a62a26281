import { describe, expect, it } from "vitest";
import { ClickTrack } from "../player/ClickTrack";
import type { Engine } from "../player/engine";
import { PlayClock } from "../player/PlayClock";
import type { Track } from "../player/state";

/** Two bars of three at 120 BPM, after a pickup of one beat. */
const track: Track = {
  id: 1,
  title: "Song",
  studyId: 1,
  bars: [
    { start: 0.5, end: 2 },
    { start: 2, end: 3.5 },
  ],
  beats: [0, 0.5, 1, 1.5, 2, 2.5, 3],
  pickup: 1,
  sections: [],
  beatsPerBar: 3,
  duration: 4,
  loudBar: 1,
};

function clicks() {
  const heard: [number, boolean][] = [];
  const engine: Engine = {
    now: () => 0,
    latency: () => 0,
    prepare: () => Promise.resolve(),
    start: () => Promise.resolve(),
    accompany: () => Promise.resolve(),
    mix: () => undefined,
    power: () => Promise.resolve(1),
    stop: () => undefined,
    setVolume: () => undefined,
    isolate: () => Promise.resolve(),
    click: (time, first) => void heard.push([time, first]),
    silenceClicks: () => undefined,
    sound: () => Promise.resolve(),
    forget: () => undefined,
  };
  return { heard, ticks: new ClickTrack(engine) };
}

describe("ticks on the beats", () => {
  it("are planned a little ahead, each once, with the first of a bar after the pickup told apart", () => {
    const { heard, ticks } = clicks();
    const clock = new PlayClock(10, 0, 1);
    ticks.from(10);
    for (let now = 10; now < 12; now += 0.1) ticks.plan(track, clock, now);
    expect(heard).toEqual([
      [10, false],
      [10.5, true],
      [11, false],
      [11.5, false],
      [12, true],
    ]);
  });

  it("follow the rate of playback", () => {
    const { heard, ticks } = clicks();
    ticks.from(0);
    ticks.plan(track, new PlayClock(0, 0.5, 2), 0);
    expect(heard).toEqual([
      [0, true],
      [0.25, false],
    ]);
  });

  it("come round with a loop", () => {
    const { heard, ticks } = clicks();
    const clock = new PlayClock(0, 2, 1, { start: 2, end: 3 });
    ticks.from(0);
    for (let now = 0; now < 1.1; now += 0.25) ticks.plan(track, clock, now);
    // The beat on which the loop ends is its first one again: one tick, and an accented one.
    expect(heard).toEqual([
      [0, true],
      [0.5, false],
      [1, true],
    ]);
  });

  it("are not planned before the moment from which they are wanted", () => {
    const { heard, ticks } = clicks();
    ticks.from(0.4);
    ticks.plan(track, new PlayClock(0, 0, 1), 0);
    expect(heard).toEqual([]);
    ticks.plan(track, new PlayClock(0, 0, 1), 0.3);
    expect(heard).toEqual([[0.5, true]]);
  });
});

describe("a bar counted in", () => {
  it("lasts as long as the bar that follows, at the rate of playback", () => {
    const { heard, ticks } = clicks();
    expect(ticks.countIn(track, 0.5, 1, 5)).toBeCloseTo(1.5);
    expect(heard).toEqual([
      [5, true],
      [5.5, false],
      [6, false],
    ]);
    expect(clicks().ticks.countIn(track, 2, 0.5, 5)).toBeCloseTo(3);
  });

  it("is nothing where there are no bars", () => {
    const { heard, ticks } = clicks();
    expect(ticks.countIn({ ...track, bars: [] }, 0, 1, 5)).toBe(0);
    expect(heard).toEqual([]);
  });
});
