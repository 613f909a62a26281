/** How loud an excerpt is once it went through a chain, so that parts can be heard at the loudness of the whole. */

import { isolationChain, type Isolation } from "./isolation";

/** A quiet part is raised by this factor at the most (24 dB). */
const MOST = 16;

/** The excerpt of a recording that the comparison rests on. */
export function excerptOf(buffer: AudioBuffer, from: number, seconds: number): AudioBuffer {
  const first = Math.max(0, Math.min(Math.floor(from * buffer.sampleRate), buffer.length - 1));
  const length = Math.max(1, Math.min(Math.floor(seconds * buffer.sampleRate), buffer.length - first));
  const excerpt = new AudioBuffer({ numberOfChannels: buffer.numberOfChannels, length, sampleRate: buffer.sampleRate });
  for (let channel = 0; channel < buffer.numberOfChannels; channel++)
    excerpt.copyToChannel(buffer.getChannelData(channel).subarray(first, first + length), channel);
  return excerpt;
}

/** Mean square after a weighting that hears like an ear: a shelf of 4 dB above 1.5 kHz and a cut below 40 Hz (ITU-R BS.1770-4). */
export async function weightedPower(excerpt: AudioBuffer, isolation: Isolation): Promise<number> {
  const context = new OfflineAudioContext(2, excerpt.length, excerpt.sampleRate);
  const source = context.createBufferSource();
  source.buffer = excerpt;
  const chain = isolationChain(context, isolation);
  const shelf = context.createBiquadFilter();
  shelf.type = "highshelf";
  shelf.frequency.value = 1500;
  shelf.gain.value = 4;
  const cut = context.createBiquadFilter();
  cut.type = "highpass";
  cut.frequency.value = 38;
  cut.Q.value = -6;
  source.connect(chain.input);
  chain.output.connect(shelf).connect(cut).connect(context.destination);
  source.start();
  const rendered = await context.startRendering();
  let sum = 0;
  for (let channel = 0; channel < 2; channel++)
    for (const sample of rendered.getChannelData(channel)) sum += sample * sample;
  return sum / (2 * rendered.length);
}

/** By what a part is to be multiplied to be as loud as the whole; 1 where nothing of it sounds. */
export function matchingGain(whole: number, part: number): number {
  if (part < 1e-10) return 1;
  return Math.min(MOST, Math.sqrt(whole / part));
}
