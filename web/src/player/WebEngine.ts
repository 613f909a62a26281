/** Makes sound with Web Audio: decodes recordings, plays them straight or stretched, isolates parts, ticks and sounds tones. */

import { Clicks } from "./Clicks";
import type { Accompaniment, Engine, Sides, Start } from "./engine";
import { isolationChain, isPart, type Chain, type Isolation } from "./isolation";
import { excerptOf, matchingGain, weightedPower } from "./loudness";
import type { Stretch } from "./PlayClock";
import { sidesDesk, type SidesDesk } from "./sides";
import { stretchNode, type StretchNode } from "./stretch";
import { Tones } from "./tones";

/** Old and new sound pass into each other within this time. */
const FADE = 0.012;
/** Seconds of the excerpt by which parts are made as loud as the whole. */
const EXCERPT = 12;
/** Rates nearer to one than this need no stretching. */
const SAME_RATE = 2e-4;

interface Voice {
  fade: GainNode;
  /** What sounds: another voice of the same stretched recording goes on with the same node. */
  node: AudioNode;
  end: (at: number) => void;
}

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
  private readonly stretches = new Map<string, Promise<StretchNode>>();
  private readonly gains = new Map<string, Promise<number>>();
  private readonly powers = new Map<string, Promise<number>>();
  private voice: Voice | null = null;
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
    const node = stretched ? await this.stretch(start.url, buffer) : null;
    const before = this.voice;
    if (node && before?.node === node) {
      schedule(node, start);
    } else {
      before?.end(start.at);
      const fade = fadeIn(context, sides.inputs.reference, start.at);
      this.voice = node ? stretchedVoice(node, fade, start) : straightVoice(context, buffer, fade, start);
    }
    if (start.until !== null) this.voice?.end(start.until);
  }

  /** The other song of a pair goes along; what it played before ends. */
  async accompany({ url, semitones, passages, loop }: Accompaniment): Promise<void> {
    const { context, sides } = this.open();
    const buffer = await this.buffer(url);
    const [first] = passages;
    for (const twin of this.twins) twin.end(first?.at ?? this.now());
    this.twins = [];
    const stretched = semitones !== 0 || passages.some(({ rate }) => Math.abs(rate - 1) > SAME_RATE);
    const node = stretched ? await this.stretch(url, buffer) : null;
    const starts = passages.map(({ at, from, rate, seconds }): Start => ({
      url,
      at,
      from,
      rate,
      semitones,
      loop,
      until: loop ? null : at + seconds,
    }));
    this.twins = node
      ? followingVoice(node, fadeIn(context, sides.inputs.attempt, first?.at ?? 0), starts)
      : starts.map((start) => {
          const voice = straightVoice(context, buffer, fadeIn(context, sides.inputs.attempt, start.at), start);
          if (start.until !== null) voice.end(start.until);
          return voice;
        });
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
      void stretch.then((node) => node.disconnect()).catch(() => undefined);
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

  private stretch(url: string, buffer: AudioBuffer): Promise<StretchNode> {
    const known = this.stretches.get(url);
    if (known) return known;
    const channels = Array.from({ length: buffer.numberOfChannels }, (_, index) => buffer.getChannelData(index));
    const making = stretchNode(this.open().context, channels);
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

function fadeIn(context: BaseAudioContext, out: AudioNode, at: number): GainNode {
  const fade = context.createGain();
  fade.gain.setValueAtTime(0, at);
  fade.gain.linearRampToValueAtTime(1, at + FADE);
  fade.connect(out);
  return fade;
}

/** One stretched recording that goes from passage to passage, and rests where there is none. */
function followingVoice(node: StretchNode, fade: GainNode, starts: Start[]): Voice[] {
  const [first, ...rest] = starts;
  if (!first) return [];
  const voice = stretchedVoice(node, fade, first);
  starts.forEach((start, index) => {
    const next = starts[index + 1];
    if (start.until !== null && next && next.at > start.until + FADE)
      void node.schedule({ output: start.until, active: false });
  });
  for (const start of rest) schedule(node, start);
  const last = starts.at(-1);
  if (last?.until != null) voice.end(last.until);
  return [voice];
}

/** Plays a recording as it is. */
function straightVoice(context: AudioContext, buffer: AudioBuffer, fade: GainNode, start: Start): Voice {
  const source = context.createBufferSource();
  source.buffer = buffer;
  if (start.loop) {
    source.loop = true;
    source.loopStart = start.loop.start;
    source.loopEnd = start.loop.end;
  }
  source.connect(fade);
  source.start(start.at, Math.min(start.from, buffer.duration));
  const end = (time: number) => {
    fadeOut(fade, time);
    source.stop(time + 2 * FADE);
  };
  return { fade, node: source, end };
}

/** Plays a recording slower, faster, higher or lower. */
function stretchedVoice(node: StretchNode, fade: GainNode, start: Start): Voice {
  node.disconnect();
  node.connect(fade);
  schedule(node, start);
  const end = (time: number) => {
    fadeOut(fade, time);
    void node.schedule({ output: time + 2 * FADE, active: false });
  };
  return { fade, node, end };
}

function schedule(node: StretchNode, { at, from, rate, semitones, loop }: Start): void {
  const [loopStart, loopEnd] = loop ? [loop.start, loop.end] : [0, 0];
  void node.schedule({ output: at, active: true, input: from, rate, semitones, loopStart, loopEnd });
}

function fadeOut(fade: GainNode, at: number): void {
  fade.gain.cancelScheduledValues(at);
  fade.gain.setValueAtTime(1, at);
  fade.gain.linearRampToValueAtTime(0, at + FADE);
}
