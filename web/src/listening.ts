/** The graphs that playback is made of, rendered faster than real time: what the tests measure is what people hear. */

import { isolationChain, type Isolation } from "./player/isolation";
import { weightedPower } from "./player/loudness";
import { alongside } from "./player/PairSound";
import { PlayClock, type Stretch } from "./player/PlayClock";
import { matched, sidesDesk } from "./player/sides";
import { stretchNode } from "./player/stretch";
import { StretchQueue, type Clock } from "./player/StretchQueue";
import { passagesOf } from "./player/twin";
import { fadeIn, followingVoice } from "./player/voices";

function bufferOf(channels: number[][] | Float32Array[], rate: number): AudioBuffer {
  const length = channels[0]?.length ?? 1;
  const buffer = new AudioBuffer({ numberOfChannels: channels.length, length, sampleRate: rate });
  channels.forEach((samples, index) => buffer.copyToChannel(Float32Array.from(samples), index));
  return buffer;
}

/** Stereo samples through an isolation. */
export async function renderIsolated(
  channels: Float32Array[],
  rate: number,
  isolation: Isolation,
): Promise<Float32Array[]> {
  const context = new OfflineAudioContext(2, channels[0]?.length ?? 1, rate);
  const source = context.createBufferSource();
  source.buffer = bufferOf(channels, rate);
  const chain = isolationChain(context, isolation);
  source.connect(chain.input);
  chain.output.connect(context.destination);
  source.start();
  const rendered = await context.startRendering();
  return [rendered.getChannelData(0), rendered.getChannelData(1)];
}

/** Samples at another speed or pitch; so many seconds of output. */
export async function renderStretched(
  channels: Float32Array[],
  rate: number,
  change: { rate: number; semitones: number; seconds: number; loop?: [number, number] },
): Promise<Float32Array> {
  const context = new OfflineAudioContext(2, Math.ceil(change.seconds * rate), rate);
  const node = await stretchNode(context, channels);
  node.connect(context.destination);
  const [loopStart, loopEnd] = change.loop ?? [0, 0];
  const { rate: speed, semitones } = change;
  await node.schedule({ output: 0, active: true, input: loopStart, rate: speed, semitones, loopStart, loopEnd });
  const rendered = await context.startRendering();
  return rendered.getChannelData(0);
}

/** Two songs at once, the second heard from a moment on in the place of the first, both as loud as each other. */
export async function renderPair(
  reference: Float32Array[],
  attempt: Float32Array[],
  rate: number,
  change: { at: number; apart?: boolean },
): Promise<Float32Array[]> {
  const [one, other] = [bufferOf(reference, rate), bufferOf(attempt, rate)];
  const [powerOfOne, powerOfOther] = [await weightedPower(one, "whole"), await weightedPower(other, "whole")];
  const gains = matched(powerOfOne, powerOfOther);
  const context = new OfflineAudioContext(2, one.length, rate);
  const sides = sidesDesk(context, context.destination);
  for (const [buffer, input] of [
    [one, sides.inputs.reference],
    [other, sides.inputs.attempt],
  ] as const) {
    const source = context.createBufferSource();
    source.buffer = buffer;
    source.connect(input);
    source.start();
  }
  sides.set({ gains: { reference: gains.reference, attempt: 0 }, apart: false });
  void context.suspend(change.at).then(() => {
    sides.set({
      gains: { reference: change.apart ? gains.reference : 0, attempt: gains.attempt },
      apart: change.apart ?? false,
    });
    return context.resume();
  });
  const rendered = await context.startRendering();
  return [rendered.getChannelData(0), rendered.getChannelData(1)];
}

/** How loud samples are to an ear, in dB, between two moments. */
export async function loudnessOf(channels: Float32Array[], rate: number, from: number, to: number): Promise<number> {
  const part = channels.map((samples) => samples.subarray(Math.floor(from * rate), Math.floor(to * rate)));
  return 10 * Math.log10(await weightedPower(bufferOf(part, rate), "whole"));
}

/** What is heard of an attempt that follows the bars of its reference from a moment on: its samples in the reference's time. */
export async function renderAlongside(
  attempt: Float32Array[],
  rate: number,
  lead: Stretch[],
  bars: (Stretch | null)[],
  seconds: number,
): Promise<Float32Array> {
  const context = new OfflineAudioContext(2, Math.ceil(seconds * rate), rate);
  const node = await stretchNode(context, attempt);
  const { passages } = alongside(passagesOf(lead, bars), new PlayClock(0, lead[0]?.start ?? 0, 1));
  const starts = passages.map(({ seconds: length, ...passage }) => ({
    ...passage,
    url: "",
    semitones: 0,
    loop: null,
    until: passage.at + length,
  }));
  // Faster than real time: the context waits until the node has heard what comes next.
  const after: Clock["after"] = (time, act) => {
    void context.suspend(time).then(async () => {
      await act();
      await context.resume();
    });
  };
  const queue = new StretchQueue(node, { now: () => context.currentTime, after });
  followingVoice(queue, fadeIn(context, context.destination, 0), starts);
  // What was told first has arrived when this is answered.
  await node.latency();
  const rendered = await context.startRendering();
  return rendered.getChannelData(0);
}
