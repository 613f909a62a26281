/** Parts of a mix that can be heard alone: bands, the middle and the sides. Struck and steady parts are recordings of their own. */

export const ISOLATIONS = [
  "whole",
  "low end",
  "low middle",
  "middle",
  "top",
  "centre",
  "sides",
  "struck",
  "steady",
] as const;

/** What each is called on the page. */
export const ISOLATION_NAMES: Record<(typeof ISOLATIONS)[number], string> = {
  whole: "whole",
  "low end": "low end",
  "low middle": "low mid",
  middle: "mid band",
  top: "top",
  centre: "mid (M)",
  sides: "side (S)",
  struck: "drums",
  steady: "tonal",
};

export type Isolation = (typeof ISOLATIONS)[number];

export function isPart(isolation: Isolation): isolation is "struck" | "steady" {
  return isolation === "struck" || isolation === "steady";
}

/** Edges of the bands in Hz. */
const BANDS: Partial<Record<Isolation, [number | null, number | null]>> = {
  "low end": [null, 120],
  "low middle": [120, 600],
  middle: [600, 6000],
  top: [6000, null],
};

/** Two second-order sections after each other make a slope of 24 dB per octave that adds up flat with its counterpart
 *  (S. H. Linkwitz, "Active Crossover Networks for Noncoincident Drivers", JAES 1976). */
const SECTIONS = 2;
/** Q of a Butterworth section, which Web Audio wants in dB. */
const BUTTERWORTH = 20 * Math.log10(Math.SQRT1_2);

export interface Chain {
  input: AudioNode;
  output: AudioNode;
}

/** A graph that lets one part of a stereo signal through. */
export function isolationChain(context: BaseAudioContext, isolation: Isolation): Chain {
  const band = BANDS[isolation];
  if (band) return bandChain(context, band);
  if (isolation === "centre") return sumChain(context, 0.5);
  if (isolation === "sides") return sumChain(context, -0.5);
  const through = context.createGain();
  return { input: through, output: through };
}

function bandChain(context: BaseAudioContext, [low, high]: [number | null, number | null]): Chain {
  const sections = [
    ...(low === null ? [] : sectionsOf(context, "highpass", low)),
    ...(high === null ? [] : sectionsOf(context, "lowpass", high)),
  ];
  sections.reduce((before, next) => {
    before.connect(next);
    return next;
  });
  const [first] = sections;
  const last = sections.at(-1);
  if (!first || !last) throw new Error("a band needs an edge");
  return { input: first, output: last };
}

function sectionsOf(context: BaseAudioContext, type: "lowpass" | "highpass", frequency: number): BiquadFilterNode[] {
  return Array.from({ length: SECTIONS }, () => {
    const filter = context.createBiquadFilter();
    filter.type = type;
    filter.frequency.value = frequency;
    filter.Q.value = BUTTERWORTH;
    return filter;
  });
}

/** Half the left channel and so much of the right one, on both sides. */
function sumChain(context: BaseAudioContext, right: number): Chain {
  const input = context.createGain();
  input.channelCount = 2;
  input.channelCountMode = "explicit";
  const splitter = context.createChannelSplitter(2);
  const left = context.createGain();
  left.gain.value = 0.5;
  const other = context.createGain();
  other.gain.value = right;
  const output = context.createGain();
  input.connect(splitter);
  splitter.connect(left, 0);
  splitter.connect(other, 1);
  left.connect(output);
  other.connect(output);
  return { input, output };
}
