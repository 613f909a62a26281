/** Which moment of the recording sounds at which moment of the audio clock: a line that starts somewhere, at a rate, and may loop. */

export interface Stretch {
  start: number;
  end: number;
}

export class PlayClock {
  constructor(
    /** Seconds on the audio clock at which playback starts. */
    readonly startedAt: number,
    /** Seconds into the recording from which it starts. */
    readonly from: number,
    readonly rate: number,
    readonly loop: Stretch | null = null,
  ) {}

  /** Seconds into the recording at a time of the audio clock; the start until playback has begun. */
  positionAt(time: number): number {
    const straight = this.from + Math.max(0, time - this.startedAt) * this.rate;
    if (!this.loop || this.from >= this.loop.end || straight < this.loop.end) return straight;
    return this.loop.start + ((straight - this.loop.start) % this.length(this.loop));
  }

  /** How often the loop has come round by then: 0 in the first pass. */
  passesAt(time: number): number {
    const straight = this.from + Math.max(0, time - this.startedAt) * this.rate;
    if (!this.loop || this.from >= this.loop.end || straight < this.loop.end) return 0;
    return Math.floor((straight - this.loop.start) / this.length(this.loop));
  }

  /** When a moment of the recording sounds next after a time, and again in each pass of the loop up to another time. */
  timesOf(position: number, after: number, before: number): number[] {
    const first = this.startedAt + (position - this.from) / this.rate;
    if (!this.loop || this.from >= this.loop.end)
      return first >= after && first < before && position >= this.from ? [first] : [];
    // Playback turns back at the loop's end, so nothing from there on sounds.
    if (position >= this.loop.end) return [];
    if (position < this.loop.start) return position >= this.from && first >= after && first < before ? [first] : [];

    const period = this.length(this.loop) / this.rate;
    const times: number[] = [];
    const skipped = Math.max(0, Math.floor((after - first) / period));
    for (let time = first + skipped * period; time < before; time += period)
      if (time >= after && time >= this.startedAt - 1e-9) times.push(time);
    return times;
  }

  /** When playback has reached the end of so many passes of the loop. */
  endOfPasses(passes: number): number {
    if (!this.loop) return Number.POSITIVE_INFINITY;
    return this.startedAt + (this.loop.end - this.from + (passes - 1) * this.length(this.loop)) / this.rate;
  }

  private length(loop: Stretch): number {
    return Math.max(0.05, loop.end - loop.start);
  }
}
