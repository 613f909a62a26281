/** What sounds: a recording as it is, stretched, or passage by passage; each fades in and out so that nothing clicks. */

import type { Start } from "./engine";
import type { StretchQueue } from "./StretchQueue";

/** Old and new sound pass into each other within this time. */
export const FADE = 0.012;

export interface Voice {
  fade: GainNode;
  /** What sounds: another voice of the same stretched recording goes on with the same node. */
  node: AudioNode;
  end: (at: number) => void;
}

export function fadeIn(context: BaseAudioContext, out: AudioNode, at: number): GainNode {
  const fade = context.createGain();
  fade.gain.setValueAtTime(0, at);
  fade.gain.linearRampToValueAtTime(1, at + FADE);
  fade.connect(out);
  return fade;
}

/** One stretched recording that goes from passage to passage, and rests where there is none. */
export function followingVoice(queue: StretchQueue, fade: GainNode, starts: Start[]): Voice[] {
  const [first, ...rest] = starts;
  if (!first) return [];
  const voice = stretchedVoice(queue, fade, first);
  let before = first;
  for (const start of rest) {
    if (before.until !== null && start.at > before.until + FADE) queue.rest(before.until);
    queue.play(start);
    before = start;
  }
  if (before.until !== null) voice.end(before.until);
  return [voice];
}

/** Plays a recording as it is. */
export function straightVoice(context: AudioContext, buffer: AudioBuffer, fade: GainNode, start: Start): Voice {
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
export function stretchedVoice(queue: StretchQueue, fade: GainNode, start: Start): Voice {
  const { node } = queue;
  node.disconnect();
  node.connect(fade);
  queue.play(start);
  const end = (time: number) => {
    fadeOut(fade, time);
    queue.rest(time + 2 * FADE);
  };
  return { fade, node, end };
}

export function fadeOut(fade: GainNode, at: number): void {
  fade.gain.cancelScheduledValues(at);
  fade.gain.setValueAtTime(1, at);
  fade.gain.linearRampToValueAtTime(0, at + FADE);
}
