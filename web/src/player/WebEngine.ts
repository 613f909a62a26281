/** Makes sound with Web Audio: decodes recordings, plays them straight or stretched, isolates parts, ticks and sounds tones. */

import { Clicks } from "./Clicks";
import type { Accompaniment, Engine, Sides, Start } from "./engine";
import { isolationChain, isPart, type Chain, type Isolation } from "./isolation";
import { excerptOf, matchingGain, weightedPower } from "./loudness";
import type { Stretch } from "./PlayClock";
import { sidesDesk, type SidesDesk } from "./sides";
import { stretchNode } from "./stretch";
import { clockOf, StretchQueue } from "./StretchQueue";
import { Tones } from "./tones";
import { FADE, fadeIn, followingVoice, straightVoice, stretchedVoice, type Voice } from "./voices";

/** Seconds of the excerpt by which parts are made as loud as the whole. */
const EXCERPT = 12;
/** Rates nearer to one than this need no stretching. */
const SAME_RATE = 2e-4;

interface Desk {
  context: AudioContext;
  bus: GainNode;
  sides: SidesDesk;
  master: GainNode;
  clicks: Clicks;
  tones: Tones;
}

export class WebEngine implements Engine {
  private desk: Desk | null = null;
  private readonly buffers = new Map<string, Promise<AudioBuffer>>();
  private readonly stretches = new Map<string, Promise<StretchQueue>>();
  private readonly gains = new Map<string, Promise<number>>();
  private readonly powers = new Map<string, Promise<number>>();
  private voice: Voice | null = null;
  private ends = false;
  private twins: Voice[] = [];
  private chain: (Chain & { level: GainNode }) | null = null;
  private level = 1;

  now(): number {
    return this.desk?.context.currentTime ?? 0;
  }

  latency(): number {
    const context = this.desk?.context;
    return context ? context.outputLatency || context.baseLatency || 0 : 0;
  }

  async prepare(url: string, stretched: boolean): Promise<void> {
    const { context } = this.open();
    if (context.state === "suspended") await context.resume();
    const buffer = await this.buffer(url);
    if (stretched) await this.stretch(url, buffer);
  }

  async start(start: Start): Promise<void> {
    const { context, sides } = this.open();
    const buffer = await this.buffer(start.url);
    const stretched = start.rate !== 1 || start.semitones !== 0;
    const queue = stretched ? await this.stretch(start.url, buffer) : null;
    const before = this.voice;
    // What goes on with the same node has no seam; what was to end has faded by then.
    if (queue && before?.node === queue.node && !this.ends) {
      queue.play(start);
    } else {
      before?.end(start.at);
      const fade = fadeIn(context, sides.inputs.reference, start.at);
      this.voice = queue ? stretchedVoice(queue, fade, start) : straightVoice(context, buffer, fade, start);
    }
    this.ends = start.until !== null;
    if (start.until !== null) this.voice?.end(start.until);
  }

  /** The other song of a pair goes along; what it played before ends. */
  async accompany({ url, semitones, passages, loop, until }: Accompaniment): Promise<void> {
    const { context, sides } = this.open();
    const buffer = await this.buffer(url);
    const [first] = passages;
    for (const twin of this.twins) twin.end(first?.at ?? this.now());
    this.twins = [];
    const stretched = semitones !== 0 || passages.some(({ rate }) => Math.abs(rate - 1) > SAME_RATE);
    const queue = stretched ? await this.stretch(url, buffer) : null;
    const starts = passages.map(({ at, from, rate, seconds }): Start => ({
      url,
      at,
      from,
      rate,
      semitones,
      loop,
      until: loop ? null : at + seconds,
    }));
    this.twins = queue
      ? followingVoice(queue, fadeIn(context, sides.inputs.attempt, first?.at ?? 0), starts)
      : starts.map((start) => {
          const voice = straightVoice(context, buffer, fadeIn(context, sides.inputs.attempt, start.at), start);
          if (start.until !== null) voice.end(start.until);
          return voice;
        });
    if (until !== null) for (const twin of this.twins) twin.end(until);
  }

  mix(sides: Sides): void {
    this.open().sides.set(sides);
  }

  power(url: string, stretch: Stretch): Promise<number> {
    const key = `${url} ${stretch.start.toFixed(2)} ${stretch.end.toFixed(2)}`;
    const known = this.powers.get(key);
    if (known) return known;
    const measuring = this.buffer(url).then((buffer) =>
      weightedPower(excerptOf(buffer, stretch.start, stretch.end - stretch.start), "whole"),
    );
    this.powers.set(key, measuring);
    return measuring;
  }

  stop(): void {
    this.voice?.end(this.now());
    this.voice = null;
    for (const twin of this.twins) twin.end(this.now());
    this.twins = [];
    this.desk?.clicks.silence();
  }

  setVolume(volume: number): void {
    this.level = volume;
    if (this.desk) this.desk.master.gain.setTargetAtTime(volume, this.desk.context.currentTime, 0.015);
  }

  /** Lets one part through, as loud as the whole is around the given moment. */
  async isolate(isolation: Isolation, whole: string, part: string, around: number): Promise<void> {
    const { context, bus, master } = this.open();
    const key = `${part} ${isolation}`;
    if (!this.gains.has(key)) this.gains.set(key, this.gainOf(isolation, whole, part, around));
    const gain = await this.gains.get(key);
    const now = context.currentTime;
    const next = { ...isolationChain(context, isolation), level: context.createGain() };
    next.level.gain.setValueAtTime(0, now);
    next.level.gain.linearRampToValueAtTime(gain ?? 1, now + 2 * FADE);
    bus.connect(next.input);
    next.output.connect(next.level).connect(master);
    const before = this.chain;
    this.chain = next;
    if (!before) return;
    before.level.gain.setValueAtTime(before.level.gain.value, now);
    before.level.gain.linearRampToValueAtTime(0, now + 2 * FADE);
    setTimeout(() => {
      bus.disconnect(before.input);
      before.level.disconnect();
    }, 200);
  }

  click(time: number, first: boolean): void {
    this.open().clicks.at(time, first);
  }

  silenceClicks(): void {
    this.desk?.clicks.silence();
  }

  async sound(notes: number[], together: boolean, a4: number): Promise<void> {
    const { context, tones } = this.open();
    if (context.state === "suspended") await context.resume();
    if (together) tones.chord(notes, a4);
    else tones.line(notes, a4);
  }

  /** What belongs to another song is let go of. */
  forget(): void {
    this.stop();
    this.buffers.clear();
    this.gains.clear();
    this.powers.clear();
    for (const stretch of this.stretches.values())
      void stretch.then(({ node }) => node.disconnect()).catch(() => undefined);
    this.stretches.clear();
  }

  private open(): Desk {
    if (this.desk) return this.desk;
    const context = new AudioContext({ latencyHint: "interactive" });
    const master = context.createGain();
    master.gain.value = this.level;
    master.connect(context.destination);
    const bus = context.createGain();
    const sides = sidesDesk(context, bus);
    const chain = { ...isolationChain(context, "whole"), level: context.createGain() };
    bus.connect(chain.input);
    chain.output.connect(chain.level).connect(master);
    this.chain = chain;
    this.desk = { context, bus, sides, master, clicks: new Clicks(context, master), tones: new Tones(context, master) };
    return this.desk;
  }

  private buffer(url: string): Promise<AudioBuffer> {
    const known = this.buffers.get(url);
    if (known) return known;
    const { context } = this.open();
    const loading = fetch(url)
      .then((response) => (response.ok ? response.arrayBuffer() : Promise.reject(new Error(String(response.status)))))
      .then((bytes) => context.decodeAudioData(bytes));
    this.buffers.set(url, loading);
    loading.catch(() => this.buffers.delete(url));
    return loading;
  }

  private stretch(url: string, buffer: AudioBuffer): Promise<StretchQueue> {
    const known = this.stretches.get(url);
    if (known) return known;
    const channels = Array.from({ length: buffer.numberOfChannels }, (_, index) => buffer.getChannelData(index));
    const { context } = this.open();
    const making = stretchNode(context, channels).then((node) => new StretchQueue(node, clockOf(context)));
    this.stretches.set(url, making);
    return making;
  }

  private async gainOf(isolation: Isolation, whole: string, part: string, around: number): Promise<number> {
    if (isolation === "whole") return 1;
    const excerpt = excerptOf(await this.buffer(whole), around, EXCERPT);
    const alone = isPart(isolation) ? excerptOf(await this.buffer(part), around, EXCERPT) : excerpt;
    return matchingGain(await weightedPower(excerpt, "whole"), await weightedPower(alone, isolation));
  }
}
