/** Two songs of a pair on their way out: each with its gain and its place, so that one key changes between them without a click. */

import type { Sides } from "./engine";
import type { Side } from "./twin";

/** One song passes into the other within this time. */
export const CHANGE = 0.006;

export interface SidesDesk {
  inputs: Record<Side, GainNode>;
  set: (sides: Sides) => void;
}

/** Until something is said, only the reference is heard, as it is. */
export function sidesDesk(context: BaseAudioContext, out: AudioNode): SidesDesk {
  const songs = {
    reference: songDesk(context, out, 1),
    attempt: songDesk(context, out, 0),
  };
  return {
    inputs: { reference: songs.reference.gain, attempt: songs.attempt.gain },
    set: ({ gains, apart }) => {
      place(context, songs.reference, gains.reference, apart ? -1 : 0);
      place(context, songs.attempt, gains.attempt, apart ? 1 : 0);
    },
  };
}

interface SongDesk {
  gain: GainNode;
  straight: GainNode;
  aside: GainNode;
  panner: StereoPannerNode;
}

/** A panner changes even what it leaves in the middle, so what is not put aside goes past it. */
function songDesk(context: BaseAudioContext, out: AudioNode, first: number): SongDesk {
  const gain = context.createGain();
  gain.gain.value = first;
  const straight = context.createGain();
  const aside = context.createGain();
  aside.gain.value = 0;
  const mono = context.createGain();
  mono.channelCount = 1;
  mono.channelCountMode = "explicit";
  const panner = context.createStereoPanner();
  gain.connect(straight).connect(out);
  gain.connect(mono).connect(panner).connect(aside).connect(out);
  return { gain, straight, aside, panner };
}

function place(context: BaseAudioContext, song: SongDesk, gain: number, pan: number): void {
  song.panner.pan.value = pan;
  ramp(context, song.gain.gain, gain);
  ramp(context, song.straight.gain, pan === 0 ? 1 : 0);
  ramp(context, song.aside.gain, pan === 0 ? 0 : 1);
}

function ramp(context: BaseAudioContext, value: AudioParam, to: number): void {
  const now = context.currentTime;
  value.cancelScheduledValues(now);
  value.setValueAtTime(value.value, now);
  value.linearRampToValueAtTime(to, now + CHANGE);
}

/** Factors for both, so that the louder one comes down to the other. */
export function matched(reference: number, attempt: number): Record<Side, number> {
  if (reference < 1e-12 || attempt < 1e-12) return { reference: 1, attempt: 1 };
  return reference > attempt
    ? { reference: Math.sqrt(attempt / reference), attempt: 1 }
    : { reference: 1, attempt: Math.sqrt(reference / attempt) };
}
