/** Speed without pitch and pitch without speed, by a library that runs in an AudioWorklet. */

import SignalsmithStretch, { type StretchNode } from "signalsmith-stretch";
import moduleUrl from "../../node_modules/signalsmith-stretch/SignalsmithStretch.mjs?url";

export type { StretchNode };

/** A node that plays these channels; it starts when a schedule says so. */
export async function stretchNode(context: BaseAudioContext, channels: Float32Array[]): Promise<StretchNode> {
  SignalsmithStretch.moduleUrl = moduleUrl;
  const node = await SignalsmithStretch(context, {
    // Nothing is connected, but the library looks for an input.
    numberOfInputs: 1,
    numberOfOutputs: 1,
    outputChannelCount: [2],
  });
  await node.addBuffers(channels);
  return node;
}
