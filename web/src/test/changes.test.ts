import { describe, expect, it } from "vitest";
import type { Change } from "../api/types";
import { pitchName, pitchOf } from "../lib/naming";
import { changeSigns, changeWords } from "../sheet/changes";
import { stepsPerBeat } from "../sheet/steps";

const nothing: Change = { bar: 9, enters: [], leaves: [], thins: [], swells: [], hats: null, struck: [], added: [] };

describe("changes", () => {
  it("counts who enters and leaves", () => {
    expect(changeSigns({ ...nothing, enters: ["bass", "hats"], leaves: ["lead"] })).toBe("+2 −1");
  });

  it("marks what goes on otherwise", () => {
    expect(changeSigns({ ...nothing, thins: ["chords"], hats: "faster" })).toBe("~ »");
    expect(changeSigns({ ...nothing, hats: "slower" })).toBe("«");
  });

  it("says it in words, one or several", () => {
    expect(changeWords({ ...nothing, enters: ["bass"], leaves: ["kick", "snare"], hats: "slower" })).toEqual([
      "bass enters",
      "kick, snare leave",
      "hats play slower",
    ]);
    expect(changeWords({ ...nothing, thins: ["lead"], swells: ["chords", "bass"] })).toEqual([
      "lead thins out",
      "chords, bass come forward",
    ]);
  });
});

describe("steps", () => {
  it("knows the beat that a person taps", () => {
    expect(stepsPerBeat("4/4", 16)).toBe(4);
    expect(stepsPerBeat("6/8", 12)).toBe(6);
    expect(stepsPerBeat("7/8", 14)).toBe(2);
    expect(stepsPerBeat("5/4", 20)).toBe(4);
  });
});

describe("pitches", () => {
  it("call middle C C4", () => {
    expect(pitchName(60)).toBe("C4");
    expect(pitchName(33)).toBe("A1");
    expect(["C4", "a1", "B♭-1", "F#2"].map(pitchOf)).toEqual([60, 33, 10, 42]);
    expect(["H2", "C", "C12", "Cb-1"].map(pitchOf)).toEqual([null, null, null, null]);
  });
});
