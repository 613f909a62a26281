import { describe, expect, it } from "vitest";
import { matchingGain } from "../player/loudness";
import { hertzOf, midiOf, piled } from "../player/tones";

describe("tones for checking by ear", () => {
  it("names have their octave or start from the third", () => {
    expect([midiOf("C4"), midiOf("Bb3"), midiOf("F♯"), midiOf("Cb4"), midiOf("H")]).toEqual([60, 58, 54, 59, null]);
  });

  it("a chord is piled upward from its root", () => {
    expect(piled(["A", "C", "E", "G"])).toEqual([57, 60, 64, 67]);
    expect(piled(["C3", "G2"])).toEqual([48, 43]);
  });

  it("follows the tuning of the recording", () => {
    expect(hertzOf(69)).toBe(440);
    expect(hertzOf(57, 432)).toBeCloseTo(216);
  });
});

describe("the loudness of parts", () => {
  it("is matched to the whole, within reason, and never for silence", () => {
    expect(matchingGain(1, 0.25)).toBe(2);
    expect(matchingGain(1, 1e-9)).toBe(16);
    expect(matchingGain(1, 0)).toBe(1);
  });
});
