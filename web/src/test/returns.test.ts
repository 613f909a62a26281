import { describe, expect, it } from "vitest";
import { letterOf, movedWords, returnsIn, returnsOf } from "../sheet/returns";
import { song } from "./song";

const analysis = {
  ...song(16, ["Am", "F"]),
  returns: {
    sections: [{ first_bar: 9, of: "A", of_bar: 1, semitones: -3 }],
    layers: [{ layer: "gtr", first_bar: 9, of_bar: 1, semitones: 12 }],
    doublings: [{ layer: "strings", like: "gtr", semitones: 12, bars: [1, 9] }],
  },
};

describe("what comes back moved", () => {
  it("is told by letter", () => {
    expect(letterOf(analysis, { first_bar: 9, letter: "C" })).toBe("A(−3)");
    expect(letterOf(analysis, { first_bar: 1, letter: "A" })).toBe("A");
  });

  it("is told in words, by section and by layer", () => {
    expect([0, 1, -2, 12, -24].map(movedWords)).toEqual([
      "in unison",
      "a semitone higher",
      "2 semitones lower",
      "an octave higher",
      "2 octaves lower",
    ]);
    expect(returnsIn(analysis, 9)).toEqual([
      "Chords of A at bar 1, 3 semitones lower",
      "gtr as at bar 1, an octave higher",
    ]);
    expect(returnsOf(analysis, "gtr")).toEqual([
      "As strings, an octave lower, from bar 1, 9",
      "From bar 9 as at bar 1, an octave higher",
    ]);
    expect(returnsOf(analysis, "kick")).toEqual([]);
  });
});
