/** Plans ticks on the beats that were found, a little ahead of what plays, and counts a bar in. */

import type { Engine } from "./engine";
import type { PlayClock } from "./PlayClock";
import { barAt, type Track } from "./state";

/** Seconds that are planned ahead. */
const AHEAD = 0.35;

export class ClickTrack {
  private planned = 0;

  constructor(private readonly engine: Engine) {}

  /** Nothing before this time of the engine's clock is planned any more. */
  from(time: number): void {
    this.planned = time;
  }

  plan(track: Track, clock: PlayClock, now: number): void {
    const until = now + AHEAD;
    const after = Math.max(this.planned, now);
    if (until <= after) return;
    track.beats.forEach((beat, index) => {
      const first = (index - track.pickup) % track.beatsPerBar === 0;
      for (const time of clock.timesOf(beat, after, until)) this.engine.click(time, first);
    });
    this.planned = until;
  }

  /** Ticks a bar at the tempo of the bar where playback starts; how long that takes. */
  countIn(track: Track, position: number, rate: number, soon: number): number {
    const bar = track.bars[Math.max(0, barAt(track.bars, position) - 1)];
    if (!bar) return 0;
    const beat = (bar.end - bar.start) / track.beatsPerBar / rate;
    for (let count = 0; count < track.beatsPerBar; count++) this.engine.click(soon + count * beat, count === 0);
    return beat * track.beatsPerBar;
  }
}
