import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Player, type Track } from "../player/Player";
import { FakeEngine, track } from "./fakeEngine";

describe("the player with another song beside the one that leads", () => {
  let engine: FakeEngine;

  beforeEach(() => {
    engine = new FakeEngine();
    vi.stubGlobal("requestAnimationFrame", () => 1);
    vi.stubGlobal("cancelAnimationFrame", () => undefined);
  });
  afterEach(() => vi.unstubAllGlobals());

  const pair: Track = {
    ...track,
    twin: { id: 9, semitones: 2, bars: track.bars.map((bar) => ({ start: bar.start / 2, end: bar.end / 2 })) },
  };
  const playing = async () => {
    const player = new Player(engine);
    player.load(pair);
    player.toggle();
    await vi.waitFor(() => expect(engine.mixes.at(-1)?.gains.reference).toBe(0.5));
    return player;
  };

  it("has that one play along in its own tempo and key, from the same bar", async () => {
    const player = new Player(engine);
    player.load(pair);
    player.seekBar(2);
    player.toggle();
    await vi.waitFor(() => expect(engine.accompanied).toHaveLength(1));
    const [{ passages: [passage] = [], semitones } = { semitones: 0 }] = engine.accompanied;

    expect(passage?.from).toBeCloseTo(1.25);
    expect(passage?.rate).toBeCloseTo(0.5);
    expect(passage?.at).toBe(engine.starts[0]?.at);
    expect(semitones).toBe(-2);
  });

  it("changes between both without starting anew, the louder one turned down", async () => {
    const player = await playing();

    expect(engine.mixes.at(-1)?.gains).toEqual({ reference: 0.5, attempt: 0 });
    player.change();
    expect(engine.mixes.at(-1)?.gains).toEqual({ reference: 0, attempt: 1 });
    expect(engine.starts).toHaveLength(1);
    expect(player.snapshot().matched).toBeCloseTo(6.02);
  });

  it("plays both left and right", async () => {
    const player = await playing();
    player.setApart(true);

    expect(engine.mixes.at(-1)).toEqual({ gains: { reference: 0.5, attempt: 1 }, apart: true });
  });

  it("plays both in the tempo and key of the attempt", async () => {
    const player = await playing();
    player.setFit("attempt");
    await vi.waitFor(() => expect(engine.accompanied).toHaveLength(2));

    expect(engine.starts[1]?.rate).toBeCloseTo(2);
    expect(engine.starts[1]?.semitones).toBe(2);
    expect(engine.accompanied[1]?.passages[0]?.rate).toBeCloseTo(1);
    expect(engine.accompanied[1]?.semitones).toBe(0);
  });

  it("hears one part of both", async () => {
    const player = await playing();
    player.setIsolation("struck");
    await vi.waitFor(() => expect(engine.accompanied).toHaveLength(2));

    expect(engine.starts[1]?.url).toBe("/api/references/4/parts/struck");
    expect(engine.accompanied[1]?.url).toBe("/api/references/9/parts/struck");
  });

  it("loops the same bars of both", async () => {
    const player = await playing();
    player.setLoop({ first: 2, last: 3 });
    await vi.waitFor(() => expect(engine.accompanied).toHaveLength(2));

    expect(engine.accompanied[1]?.loop?.start).toBeCloseTo(1.25);
    expect(engine.accompanied[1]?.loop?.end).toBeCloseTo(3.25);
  });

  it("is matched in loudness before anything sounds", async () => {
    const player = new Player(engine);
    player.load(pair);
    player.toggle();
    await vi.waitFor(() => expect(engine.starts).toHaveLength(1));

    expect(engine.mixes.at(-1)?.gains.reference).toBe(0.5);
  });

  it("ends with bars that are played once", async () => {
    const player = new Player(engine);
    player.load(pair);
    player.playBars({ first: 2, last: 2 });
    await vi.waitFor(() => expect(engine.accompanied).toHaveLength(1));

    expect(engine.accompanied[0]?.until).toBeCloseTo((engine.starts[0]?.at ?? 0) + 2);
  });

  it("forgets how loud it was when another song is loaded", async () => {
    const player = await playing();
    player.load({ ...track, id: 5 });

    expect(engine.mixes.at(-1)).toEqual({ gains: { reference: 1, attempt: 0 }, apart: false });
    expect(player.snapshot().matched).toBeNull();
  });
});
