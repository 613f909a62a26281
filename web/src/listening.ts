/** The graphs that playback is made of, rendered faster than real time: what the tests measure is what people hear. */

import { isolationChain, type Isolation } from "./player/isolation";
import { stretchNode } from "./player/stretch";

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
