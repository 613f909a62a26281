import { describe, expect, it } from "vitest";
import { ISOLATIONS, isolationChain, isPart, type Isolation } from "../player/isolation";

/** A node that remembers what it feeds, and passes samples through a gain. */
class FakeNode {
  readonly gain = { value: 1 };
  readonly frequency = { value: 0 };
  readonly Q = { value: 0 };
  readonly feeds: [FakeNode, number][] = [];
  type = "";
  channelCount = 1;
  channelCountMode = "max";

  connect(next: FakeNode, output = 0): void {
    this.feeds.push([next, output]);
  }
}

const context = {
  createGain: () => new FakeNode(),
  createBiquadFilter: () => new FakeNode(),
  createChannelSplitter: () => new FakeNode(),
} as unknown as BaseAudioContext;

function nodes(isolation: Isolation): FakeNode[] {
  const { input, output } = isolationChain(context, isolation) as unknown as { input: FakeNode; output: FakeNode };
  const seen: FakeNode[] = [];
  const walk = (node: FakeNode) => {
    if (!seen.includes(node)) seen.push(node);
    node.feeds.forEach(([next]) => walk(next));
  };
  walk(input);
  expect(seen).toContain(output);
  expect(output.feeds).toEqual([]);
  return seen;
}

const edges = (isolation: Isolation) => nodes(isolation).map((node) => [node.type, node.frequency.value]);

/** What a stereo pair becomes behind a chain of middle or sides. */
function through(isolation: Isolation, left: number, right: number): number {
  const splitter = nodes(isolation)[1];
  const parts = splitter?.feeds.map(([gain, channel]) => (channel === 0 ? left : right) * gain.gain.value) ?? [];
  return parts.reduce((sum, part) => sum + part, 0);
}

describe("parts of a mix heard alone", () => {
  it("bands lie between two edges, each of two second-order sections", () => {
    expect(edges("low end")).toEqual([
      ["lowpass", 120],
      ["lowpass", 120],
    ]);
    expect(edges("middle")).toEqual([
      ["highpass", 600],
      ["highpass", 600],
      ["lowpass", 6000],
      ["lowpass", 6000],
    ]);
    expect(edges("top")).toEqual([
      ["highpass", 6000],
      ["highpass", 6000],
    ]);
  });

  it("bands meet: where one ends the next begins", () => {
    const cuts = (isolation: Isolation, type: string) =>
      edges(isolation).flatMap(([kind, edge]) => (kind === type ? [edge] : []))[0];
    const bands: Isolation[] = ["low end", "low middle", "middle", "top"];
    bands.slice(1).forEach((band, index) => {
      expect(cuts(band, "highpass")).toBe(cuts(bands[index] ?? "whole", "lowpass"));
    });
  });

  it("sections are maximally flat: 3 dB down at the edge", () => {
    for (const node of nodes("low end")) expect(node.Q.value).toBeCloseTo(-3.01, 2);
  });

  it("the centre keeps what both sides share, the sides what they do not", () => {
    expect(through("centre", 1, 1)).toBe(1);
    expect(through("centre", 1, -1)).toBe(0);
    expect(through("sides", 1, 1)).toBe(0);
    expect(through("sides", 1, -1)).toBe(1);
    expect(nodes("sides")[0]?.channelCount).toBe(2);
  });

  it("the whole passes through one node; struck and steady parts are recordings of their own", () => {
    expect(nodes("whole")).toHaveLength(1);
    expect(ISOLATIONS.filter(isPart)).toEqual(["struck", "steady"]);
  });
});
