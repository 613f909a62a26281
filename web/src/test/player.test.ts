import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Player } from "../player/Player";
import { FakeEngine, track } from "./fakeEngine";

describe("the player", () => {
  let engine: FakeEngine;
  let frame: (() => void) | null = null;

  beforeEach(() => {
    engine = new FakeEngine();
    vi.stubGlobal("requestAnimationFrame", (run: () => void) => {
      frame = run;
      return 1;
    });
    vi.stubGlobal("cancelAnimationFrame", () => undefined);
  });
  afterEach(() => vi.unstubAllGlobals());

  const loaded = () => {
    const player = new Player(engine);
    player.load(track);
    return player;
  };
  /** Lets promises settle. */
  const settled = () => vi.waitFor(() => undefined).then(() => new Promise((done) => setTimeout(done, 0)));
  const pass = (seconds: number) => {
    engine.clock += seconds;
    frame?.();
  };

  it("starts quiet", () => {
    expect(loaded().snapshot().volume).toBeLessThan(0.5);
    expect(engine.volume).toBeLessThan(0.5);
  });

  it("plays and pauses the recording of a reference where it is", async () => {
    const player = loaded();
    player.toggle();
    await settled();
    expect(engine.starts[0]).toMatchObject({
      url: "/api/references/4/audio",
      from: 0,
      rate: 1,
      semitones: 0,
      loop: null,
    });
    expect(player.snapshot().playing).toBe(true);
    pass(1.05);
    expect(player.time).toBeCloseTo(1);
    player.toggle();
    expect(player.snapshot().playing).toBe(false);
    pass(5);
    expect(player.time).toBeCloseTo(1);
  });

  it("does nothing without a recording", () => {
    const player = new Player(engine);
    player.toggle();
    player.seekBar(2);
    expect(player.snapshot().playing).toBe(false);
  });

  it("goes to bars and stays within the song", () => {
    const player = loaded();
    player.seekBar(3);
    expect(player.time).toBe(4.5);
    player.seekBar(99);
    expect(player.time).toBe(6.5);
    player.seekBar(-1);
    expect(player.time).toBe(0.5);
  });

  it("knows the bar of a moment, nought before the first", () => {
    const player = loaded();
    expect([0, 0.5, 2.4, 2.5, 99].map((seconds) => player.barAt(seconds))).toEqual([0, 1, 1, 2, 4]);
  });

  it("loops without a gap and counts the passes", async () => {
    const player = loaded();
    player.setLoop({ first: 2, last: 3 });
    expect(player.time).toBe(2.5);
    player.toggle();
    await settled();
    expect(engine.starts[0]?.loop).toEqual({ start: 2.5, end: 6.5 });
    pass(0.05 + 4.5);
    expect(player.time).toBeCloseTo(3);
    expect(player.pass).toBe(1);
    player.setLoop(null);
    await settled();
    expect(engine.starts[1]?.from).toBeCloseTo(3.05);
    expect(engine.starts[1]?.loop).toBeNull();
  });

  it("ends a loop after as many passes as were asked for", async () => {
    const player = loaded();
    player.setLoop({ first: 2, last: 2 });
    player.setPasses(2);
    player.toggle();
    await settled();
    pass(3.9);
    expect(player.snapshot().playing).toBe(true);
    pass(0.2);
    expect(player.snapshot().playing).toBe(false);
    expect(player.time).toBe(2.5);
  });

  it("stops at the end of bars that were asked for", async () => {
    const player = loaded();
    player.playBars({ first: 1, last: 1 });
    await settled();
    pass(1.5);
    expect(player.snapshot().playing).toBe(true);
    pass(0.6);
    expect(player.snapshot().playing).toBe(false);
    expect(player.time).toBeCloseTo(2.5);
  });

  it("goes on at another speed from where it is, and says where that is", async () => {
    const player = loaded();
    player.toggle();
    await settled();
    pass(2.05);
    player.setRate(0.5);
    await settled();
    expect(engine.starts[1]).toMatchObject({ rate: 0.5, semitones: 0 });
    expect(engine.starts[1]?.from).toBeCloseTo(2.15);
    pass(0.15 + 2);
    expect(player.time).toBeCloseTo(3.15);
    player.setRate(9);
    player.setSemitones(-99);
    expect(player.snapshot()).toMatchObject({ rate: 2, semitones: -12 });
    player.setRate(1.15342);
    player.setSemitones(4.984);
    expect(player.snapshot()).toMatchObject({ rate: 1.1534, semitones: 4.98 });
  });

  it("counts a bar in before the sound", async () => {
    const player = loaded();
    player.setCountIn(true);
    player.toggle();
    await settled();
    expect(engine.clicks.map(([, first]) => first)).toEqual([true, false, false, false]);
    expect(engine.starts[0]?.at).toBeCloseTo(10.05 + 2);
  });

  it("ticks on the beats that were found, the first of a bar higher", async () => {
    const player = loaded();
    player.setClick(true);
    player.seekBar(2);
    player.toggle();
    await settled();
    pass(0);
    pass(0.3);
    expect(engine.clicks.map(([time, first]) => [Number(time.toFixed(2)), first])).toEqual([
      [10.05, true],
      [10.55, false],
    ]);
  });

  it("switches parts while it plays; bands keep the sound, separated parts change it", async () => {
    const player = loaded();
    player.toggle();
    await settled();
    player.setIsolation("low end");
    await settled();
    expect(engine.isolated).toEqual(["low end"]);
    expect(engine.starts).toHaveLength(1);
    player.setIsolation("struck");
    await settled();
    expect(engine.starts[1]?.url).toBe("/api/references/4/parts/struck");
  });

  it("keeps its place when the same recording is loaded again, and forgets loops of another", () => {
    const player = loaded();
    player.setLoop({ first: 2, last: 2 });
    player.load({ ...track, title: "Renamed" });
    expect(player.snapshot().loop).toEqual({ first: 2, last: 2 });
    player.load({ ...track, id: 5 });
    expect(player.snapshot().loop).toBeNull();
  });

  it("says when the browser can't play the file", async () => {
    const player = loaded();
    engine.broken = true;
    player.toggle();
    await settled();
    expect(player.snapshot().error).toMatch(/can't play/);
  });

  it("tells its listeners until they leave", () => {
    const player = loaded();
    const listener = vi.fn();
    const leave = player.subscribe(listener);
    player.setVolume(0.2);
    leave();
    player.setVolume(0.3);
    expect(listener).toHaveBeenCalledTimes(1);
  });
});
