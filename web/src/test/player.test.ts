import { afterEach, beforeEach, describe, expect, it, vi } from "vitest";
import { Player, type Track } from "../player/Player";

/** An audio element as far as the player knows one. */
class FakeAudio extends EventTarget {
  src = "";
  preload = "";
  volume = 1;
  currentTime = 0;
  paused = true;
  play() {
    this.paused = false;
    this.dispatchEvent(new Event("play"));
    return Promise.resolve();
  }
  pause() {
    this.paused = true;
    this.dispatchEvent(new Event("pause"));
  }
}

const track: Track = {
  id: 4,
  title: "Song",
  studyId: 1,
  bars: [0, 2, 4, 6].map((start) => ({ start: start + 0.5, end: start + 2.5 })),
  sections: [],
  beatsPerBar: 4,
};

describe("the player", () => {
  let audio: FakeAudio;
  let frame: (() => void) | null = null;

  beforeEach(() => {
    vi.stubGlobal("Audio", function () {
      audio = new FakeAudio();
      return audio;
    });
    vi.stubGlobal("requestAnimationFrame", (run: () => void) => {
      frame = run;
      return 1;
    });
    vi.stubGlobal("cancelAnimationFrame", () => undefined);
  });
  afterEach(() => vi.unstubAllGlobals());

  const loaded = () => {
    const player = new Player();
    player.load(track);
    return player;
  };
  const at = (seconds: number) => {
    audio.currentTime = seconds;
    frame?.();
  };

  it("starts quiet", () => {
    expect(loaded().snapshot().volume).toBeLessThan(0.5);
    expect(audio.volume).toBeLessThan(0.5);
  });

  it("plays and pauses the recording of a reference", () => {
    const player = loaded();
    expect(audio.src).toBe("/api/references/4/audio");
    player.toggle();
    expect(player.snapshot().playing).toBe(true);
    player.toggle();
    expect(player.snapshot().playing).toBe(false);
  });

  it("does nothing without a recording", () => {
    const player = new Player();
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

  it("returns to the start of a loop", () => {
    const player = loaded();
    player.setLoop({ first: 2, last: 3 });
    expect(player.time).toBe(2.5);
    player.toggle();
    at(6.51);
    expect(player.time).toBe(2.5);
    player.setLoop(null);
    at(6.51);
    expect(player.time).toBe(6.51);
  });

  it("stops at the end of bars that were asked for", () => {
    const player = loaded();
    player.playBars({ first: 1, last: 1 });
    at(1.5);
    expect(player.snapshot().playing).toBe(true);
    at(2.5);
    expect(player.snapshot().playing).toBe(false);
  });

  it("keeps its place when the same recording is loaded again, and forgets loops of another", () => {
    const player = loaded();
    player.setLoop({ first: 2, last: 2 });
    player.load({ ...track, title: "Renamed" });
    expect(player.snapshot().loop).toEqual({ first: 2, last: 2 });
    player.load({ ...track, id: 5 });
    expect(player.snapshot().loop).toBeNull();
  });

  it("says when the browser can't play the file", () => {
    const player = loaded();
    audio.dispatchEvent(new Event("error"));
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
