/** One sound at a time: plays a reference's recording, whole or from bar to bar, and loops a run of bars. */

export interface Track {
  id: number;
  title: string;
  studyId: number;
  bars: { start: number; end: number }[];
  sections: { label: string; letter: string; first_bar: number; bars: number }[];
  beatsPerBar: number;
}

export interface BarRun {
  first: number;
  last: number;
}

export interface PlayerState {
  track: Track | null;
  playing: boolean;
  loop: BarRun | null;
  volume: number;
  error: string | null;
}

/** Playback starts quiet; people turn it up. */
const FIRST_VOLUME = 0.35;

export class Player {
  private readonly audio = new Audio();
  private readonly listeners = new Set<() => void>();
  private state: PlayerState = { track: null, playing: false, loop: null, volume: FIRST_VOLUME, error: null };
  private stopAt: number | null = null;
  private frame = 0;

  constructor() {
    this.audio.preload = "metadata";
    this.audio.volume = FIRST_VOLUME;
    this.audio.addEventListener("play", () => this.started());
    this.audio.addEventListener("pause", () => this.update({ playing: false }));
    this.audio.addEventListener("ended", () => this.update({ playing: false }));
    this.audio.addEventListener("seeked", () => this.notify());
    this.audio.addEventListener("error", () => this.failed());
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): PlayerState => this.state;

  /** Seconds into the recording. */
  get time(): number {
    return this.audio.currentTime;
  }

  load(track: Track): void {
    if (this.state.track?.id === track.id) {
      this.update({ track });
      return;
    }
    this.audio.pause();
    this.audio.src = `/api/references/${track.id}/audio`;
    this.stopAt = null;
    this.update({ track, playing: false, loop: null, error: null });
  }

  toggle(): void {
    if (!this.state.track) return;
    if (!this.audio.paused) {
      this.audio.pause();
      return;
    }
    this.stopAt = null;
    this.play();
  }

  seek(seconds: number): void {
    if (!this.state.track) return;
    this.stopAt = null;
    this.audio.currentTime = Math.max(0, seconds);
    this.notify();
  }

  seekBar(bar: number): void {
    const track = this.state.track;
    if (!track || track.bars.length === 0) return;
    const place = Math.min(Math.max(1, bar), track.bars.length);
    this.seek(track.bars[place - 1]?.start ?? 0);
  }

  /** Plays just those bars, once. */
  playBars(run: BarRun): void {
    this.seekBar(run.first);
    this.stopAt = this.endOf(run);
    this.play();
  }

  setLoop(loop: BarRun | null): void {
    this.stopAt = null;
    this.update({ loop });
    if (!loop) return;
    const bar = this.barAt(this.time);
    if (bar < loop.first || bar > loop.last) this.seekBar(loop.first);
  }

  setVolume(volume: number): void {
    this.audio.volume = volume;
    this.update({ volume });
  }

  /** The bar that sounds at a moment, from 1; 0 before the first. */
  barAt(seconds: number): number {
    const bars = this.state.track?.bars ?? [];
    let found = 0;
    for (const [index, bar] of bars.entries()) {
      if (bar.start > seconds + 1e-3) break;
      found = index + 1;
    }
    return found;
  }

  private endOf(run: BarRun): number | null {
    return this.state.track?.bars[run.last - 1]?.end ?? null;
  }

  private play(): void {
    this.audio.play().catch((error: unknown) => {
      // A pause that comes before the sound has started is no failure.
      if (!(error instanceof DOMException && error.name === "AbortError")) this.failed();
    });
  }

  private started(): void {
    this.update({ playing: true, error: null });
    cancelAnimationFrame(this.frame);
    const watch = () => {
      if (this.audio.paused) return;
      this.turn();
      this.notify();
      this.frame = requestAnimationFrame(watch);
    };
    this.frame = requestAnimationFrame(watch);
  }

  /** At the end of a loop back to its start; at the end of bars that were asked for, stop. */
  private turn(): void {
    const loop = this.state.loop;
    if (this.stopAt !== null && this.time >= this.stopAt) {
      this.stopAt = null;
      this.audio.pause();
    } else if (loop && this.stopAt === null) {
      const end = this.endOf(loop);
      if (end !== null && this.time >= end) this.audio.currentTime = this.state.track?.bars[loop.first - 1]?.start ?? 0;
    }
  }

  private failed(): void {
    if (!this.state.track) return;
    this.update({ playing: false, error: "This browser can't play the file. The analysis is not affected." });
  }

  private update(change: Partial<PlayerState>): void {
    this.state = { ...this.state, ...change };
    this.notify();
  }

  private notify(): void {
    for (const listener of this.listeners) listener();
  }
}
