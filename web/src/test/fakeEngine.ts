import { vi } from "vitest";
import type { Accompaniment, Engine, Sides, Start } from "../player/engine";
import type { Track } from "../player/Player";

/** An engine whose clock a test turns. */
export class FakeEngine implements Engine {
  clock = 10;
  volume = 1;
  starts: Start[] = [];
  clicks: [number, boolean][] = [];
  isolated: string[] = [];
  broken = false;
  now = () => this.clock;
  latency = () => 0;
  prepare = () => (this.broken ? Promise.reject(new Error("no sound")) : Promise.resolve());
  start = (start: Start) => {
    this.starts.push(start);
    return Promise.resolve();
  };
  accompanied: Accompaniment[] = [];
  mixes: Sides[] = [];
  accompany = (accompaniment: Accompaniment) => {
    this.accompanied.push(accompaniment);
    return Promise.resolve();
  };
  mix = (sides: Sides) => void this.mixes.push(sides);
  /** The attempt is a quarter as strong as the reference. */
  power = (url: string) => Promise.resolve(url.includes("/9/") ? 0.01 : 0.04);
  stop = vi.fn();
  setVolume = (volume: number) => {
    this.volume = volume;
  };
  isolate = (isolation: string) => {
    this.isolated.push(isolation);
    return Promise.resolve();
  };
  click = (time: number, first: boolean) => this.clicks.push([time, first]);
  silenceClicks = vi.fn();
  sound = () => Promise.resolve();
  forget = vi.fn();
}

export const track: Track = {
  id: 4,
  title: "Song",
  studyId: 1,
  bars: [0, 2, 4, 6].map((start) => ({ start: start + 0.5, end: start + 2.5 })),
  beats: Array.from({ length: 16 }, (_, index) => 0.5 + index * 0.5),
  pickup: 0,
  sections: [],
  beatsPerBar: 4,
  duration: 9,
  loudBar: 1,
};
