/** One sound at a time: plays a reference's recording from bar to bar, looped, slower, transposed or in parts. */

import { ClickTrack } from "./ClickTrack";
import type { Engine } from "./engine";
import type { Isolation } from "./isolation";
import { PlayClock, type Stretch } from "./PlayClock";
import { alongside, PairSound } from "./PairSound";
import { barAt, STILL, urlOf, type BarRun, type PlayerState, type Track } from "./state";
import { passagesOf, ratioOf, type Fit, type Side } from "./twin";

export type { BarRun, PlayerState, Track };

/** Seconds between a wish to play and the first sound; what is stretched needs some to get ready. */
const LEAD = 0.05;
const STRETCHED_LEAD = 0.15;
/** How a song is heard until somebody says otherwise. */
const ALONE = { side: "reference", fit: "reference", apart: false, matched: null } as const;

export class Player {
  private readonly listeners = new Set<() => void>();
  private state: PlayerState = STILL;
  private clock: PlayClock | null = null;
  /** Where playback rests while it does not run. */
  private rest = 0;
  /** On the engine's clock: when playback ends by itself. */
  private until: number | null = null;
  /** Bars that were asked for, once. */
  private once: BarRun | null = null;
  private readonly clicks: ClickTrack;
  private readonly pair: PairSound;
  private wish = 0;
  private frame = 0;

  constructor(private readonly engine: Engine) {
    engine.setVolume(STILL.volume);
    this.clicks = new ClickTrack(engine);
    this.pair = new PairSound(engine);
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly snapshot = (): PlayerState => this.state;

  /** Seconds into the recording of what is heard now. */
  get time(): number {
    return this.clock ? this.clock.positionAt(this.engine.now() - this.engine.latency()) : this.rest;
  }

  /** How often the loop has come round. */
  get pass(): number {
    return this.clock ? this.clock.passesAt(this.engine.now() - this.engine.latency()) : 0;
  }

  load(track: Track): void {
    if (this.state.track?.id === track.id && this.state.track.twin?.id === track.twin?.id) {
      this.update({ track });
      return;
    }
    this.halt();
    this.engine.forget();
    this.rest = 0;
    if (this.state.isolation !== "whole") void this.engine.isolate("whole", "", "", 0);
    this.update({ track, playing: false, loop: null, isolation: "whole", error: null, ...ALONE });
    this.pair.alone();
  }

  /** Of a pair, the other song: at the same place, as loud. */
  change(): void {
    this.setSide(this.state.side === "reference" ? "attempt" : "reference");
  }

  setSide(side: Side): void {
    if (!this.state.track?.twin) return;
    const anew = this.state.fit === "own" && side !== this.state.side;
    this.update({ side, apart: false });
    this.mix();
    if (anew) this.again();
  }

  /** Both at once, the reference left and the attempt right. */
  setApart(apart: boolean): void {
    if (!this.state.track?.twin) return;
    this.update({ apart });
    this.mix();
  }

  setFit(fit: Fit): void {
    this.update({ fit });
    this.again();
  }

  toggle(): void {
    if (!this.state.track) return;
    if (this.state.playing) {
      this.pause();
      return;
    }
    this.once = null;
    void this.play(true);
  }

  pause(): void {
    this.rest = this.time;
    this.halt();
    this.update({ playing: false });
  }

  seek(seconds: number): void {
    if (!this.state.track) return;
    this.once = null;
    this.go(Math.max(0, Math.min(seconds, this.state.track.duration)));
  }

  seekBar(bar: number): void {
    const track = this.state.track;
    if (!track || track.bars.length === 0) return;
    const place = Math.min(Math.max(1, bar), track.bars.length);
    this.seek(track.bars[place - 1]?.start ?? 0);
  }

  /** Plays just those bars, once. */
  playBars(run: BarRun): void {
    const start = this.state.track?.bars[run.first - 1]?.start;
    if (start === undefined) return;
    this.halt();
    this.rest = start;
    this.once = run;
    void this.play(false);
  }

  setLoop(loop: BarRun | null): void {
    this.once = null;
    this.update({ loop });
    const bar = this.barAt(this.time);
    const start = loop ? this.state.track?.bars[loop.first - 1]?.start : undefined;
    if (loop && start !== undefined && (bar < loop.first || bar > loop.last)) this.go(start);
    else this.again();
  }

  setPasses(passes: number | null): void {
    this.update({ passes });
    this.again();
  }

  setVolume(volume: number): void {
    this.engine.setVolume(volume);
    this.update({ volume });
  }

  setRate(rate: number): void {
    this.update({ rate: Math.min(2, Math.max(0.5, Math.round(rate * 10000) / 10000)) });
    this.again();
  }

  setSemitones(semitones: number): void {
    this.update({ semitones: Math.min(12, Math.max(-12, Math.round(semitones * 100) / 100)) });
    this.again();
  }

  setClick(click: boolean): void {
    if (!click) this.engine.silenceClicks();
    this.clicks.from(this.engine.now());
    this.update({ click });
  }

  setCountIn(countIn: boolean): void {
    this.update({ countIn });
  }

  /** Whole, or one part; struck and steady parts must have been separated. */
  setIsolation(isolation: Isolation): void {
    const { track } = this.state;
    if (!track) return;
    const before = urlOf(track, this.state.isolation);
    this.update({ isolation, error: null });
    const around = track.bars[track.loudBar - 1]?.start ?? 0;
    this.engine.isolate(isolation, urlOf(track, "whole"), urlOf(track, isolation), around).catch(() => this.failed());
    if (urlOf(track, isolation) !== before) this.again();
  }

  sound(notes: number[], together: boolean, a4: number): void {
    void this.engine.sound(notes, together, a4);
  }

  /** The bar that sounds at a moment, from 1; 0 before the first. */
  barAt(seconds: number): number {
    return barAt(this.state.track?.bars ?? [], seconds);
  }

  private go(seconds: number): void {
    if (this.state.playing) void this.play(false, seconds);
    else {
      this.rest = seconds;
      this.notify();
    }
  }

  /** Goes on from where it is, the new way. */
  private again(): void {
    if (this.state.playing) void this.play(false, null);
  }

  /** From a moment, from where it rests, or (null) from where it is when the engine is ready. */
  private async play(counted: boolean, from: number | null = this.rest): Promise<void> {
    const { track, isolation, rate, semitones } = this.state;
    if (!track) return;
    const wish = ++this.wish;
    const url = urlOf(track, isolation);
    this.update({ loading: true, error: null });
    try {
      const twin = track.twin && {
        url: urlOf(track.twin, isolation),
        semitones: track.twin.semitones,
        passages: passagesOf(track.bars, track.twin.bars),
      };
      const inTempo = rate * (twin && this.inMine() ? ratioOf(twin.passages) : 1);
      const inKey = semitones + (twin && this.inMine() ? twin.semitones : 0);
      const stretched = inTempo !== 1 || inKey !== 0;
      await this.engine.prepare(url, stretched);
      if (twin) {
        await this.engine.prepare(twin.url, twin.semitones !== inKey || ratioOf(twin.passages) !== inTempo);
        const louder = await this.pair.match({ reference: url, attempt: twin.url }, twin.passages, this.loopStretch());
        if (wish !== this.wish) return;
        this.update({ matched: louder });
        this.mix();
      }
      if (wish !== this.wish) return;
      this.engine.silenceClicks();
      const soon = this.engine.now() + (stretched || twin ? STRETCHED_LEAD : LEAD);
      const wanted = from ?? this.clock?.positionAt(soon) ?? this.rest;
      const start = this.once || !this.loopStretch() ? wanted : this.enter(wanted);
      const at = soon + (counted && this.state.countIn ? this.clicks.countIn(track, start, inTempo, soon) : 0);
      this.begin(new PlayClock(at, start, inTempo, this.once ? null : this.loopStretch()));
      await this.engine.start({
        url,
        at,
        from: start,
        rate: inTempo,
        semitones: inKey,
        loop: this.clock?.loop ?? null,
        until: this.until,
      });
      if (twin && this.clock)
        await this.engine.accompany({
          url: twin.url,
          semitones: inKey - twin.semitones,
          until: this.until,
          ...alongside(twin.passages, this.clock),
        });
    } catch {
      if (wish === this.wish) this.failed();
    }
  }

  /** Whether both are heard in the attempt's tempo and key. */
  private inMine(): boolean {
    const { fit, side } = this.state;
    return (fit === "own" ? side : fit) === "attempt";
  }

  private mix(): void {
    if (this.state.track?.twin) this.pair.mix(this.state.side, this.state.apart);
  }

  private begin(clock: PlayClock): void {
    const { track, passes } = this.state;
    this.clock = clock;
    this.clicks.from(clock.startedAt - 0.01);
    const end = this.once ? (track?.bars[this.once.last - 1]?.end ?? 0) : (track?.duration ?? 0);
    if (!clock.loop) this.until = clock.startedAt + (end - clock.from) / clock.rate;
    else this.until = passes === null ? null : clock.endOfPasses(passes);
    this.update({ playing: true, loading: false });
    cancelAnimationFrame(this.frame);
    const watch = () => {
      if (!this.state.playing) return;
      this.watch();
      this.frame = requestAnimationFrame(watch);
    };
    this.frame = requestAnimationFrame(watch);
  }

  private watch(): void {
    const now = this.engine.now();
    if (this.until !== null && now >= this.until) {
      // A song that has ended starts over; a loop waits at its start, bars that were asked for at their end.
      this.rest = this.clock?.loop?.start ?? (this.once ? (this.clock?.positionAt(this.until) ?? 0) : 0);
      this.once = null;
      this.halt();
      this.update({ playing: false });
      return;
    }
    const { track, click } = this.state;
    if (click && track && this.clock) this.clicks.plan(track, this.clock, now);
    this.notify();
  }

  /** A loop is entered at its start from outside. */
  private enter(from: number): number {
    const loop = this.loopStretch();
    return loop && (from < loop.start - 1e-3 || from >= loop.end - 1e-3) ? loop.start : from;
  }

  private loopStretch(): Stretch | null {
    const { track, loop } = this.state;
    if (!track || !loop) return null;
    const start = track.bars[loop.first - 1]?.start;
    const end = track.bars[loop.last - 1]?.end;
    return start === undefined || end === undefined ? null : { start, end };
  }

  private halt(): void {
    this.wish++;
    this.engine.stop();
    this.clock = null;
    this.until = null;
    cancelAnimationFrame(this.frame);
  }

  private failed(): void {
    if (!this.state.track) return;
    this.halt();
    this.update({
      playing: false,
      loading: false,
      error: "This browser can't play the file. The analysis is not affected.",
    });
  }

  private update(change: Partial<PlayerState>): void {
    this.state = { ...this.state, ...change };
    this.notify();
  }

  private notify(): void {
    for (const listener of this.listeners) listener();
  }
}
