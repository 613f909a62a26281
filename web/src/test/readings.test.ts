import { describe, expect, it } from "vitest";
import type { Sighting } from "../api/types";
import { logScale, tempoTicks } from "../profile/scales";
import { headline } from "../sheet/drawer/headline";
import { techniqueGroups } from "../sheet/techniques";
import { reading, song } from "./song";

const sighting = (kind: string, first: number): Sighting => ({
  kind,
  name: kind,
  first_bar: first,
  last_bar: first + 1,
  start: 0,
  end: 1,
  confidence: 0.9,
  detail: {},
  state: "open",
  reading_id: null,
  source: "mix",
  evidence: null,
});

describe("techniques with their numbers", () => {
  const analysis = song(16, ["Am"], { techniques: [sighting("drop", 8), sighting("filter", 1), sighting("drop", 16)] });

  it("numbers kinds in order of first sight and collects their places", () => {
    const groups = techniqueGroups(analysis, []);
    expect(groups.map((group) => [group.number, group.kind, group.places.length])).toEqual([
      [1, "drop", 2],
      [2, "filter", 1],
    ]);
  });

  it("puts what a person noted after what was found", () => {
    const own = reading({ id: 7, statement: "echo", first_bar: 3, last_bar: null });
    expect(techniqueGroups(analysis, [own, reading({ aspect: "layer" })]).at(-1)).toMatchObject({
      number: 3,
      name: "echo",
      ownId: 7,
      places: [{ first: 3, last: 3 }],
    });
  });
});

describe("a reading in a few words", () => {
  it("is its value", () => {
    expect(headline(reading({ aspect: "tempo", value: { bpm: 73.256 } }))).toBe("73.26 BPM");
    expect(headline(reading({ aspect: "key", value: { tonic: "Bb", mode: "dorian" } }))).toBe("B♭ dorian");
    expect(headline(reading({ aspect: "meter", value: { name: "6/8" } }))).toBe("6/8 time");
    expect(headline(reading({ aspect: "tuning", value: { cents: -13.6 } }))).toBe("−14 cents");
    expect(headline(reading({ aspect: "form", value: { sections: 1 } }))).toBe("1 section");
    expect(headline(reading({ aspect: "loudness", value: { lufs: -11.44 } }))).toBe("−11.4 LUFS");
    expect(headline(reading({ aspect: "loop", value: { degrees: ["i", "♭VI"] } }))).toBe("i ♭VI");
  });

  it("is its statement where there is no such value", () => {
    expect(headline(reading({ aspect: "tempo", value: { bpm: 97.25, parts: [97.25, 121] } }))).toBe(
      "97.25, then 121.00 BPM",
    );
    expect(headline(reading({ aspect: "tempo", value: { bpm: null }, statement: "No steady pulse found" }))).toBe(
      "No steady pulse found",
    );
    expect(headline(reading({ aspect: "key", value: null, statement: "No key found" }))).toBe("No key found");
    expect(headline(reading({ aspect: "loop", value: { text: "two bars" }, statement: "two bars" }))).toBe("two bars");
  });
});

describe("scales of the profile", () => {
  it("puts an octave at the same distance everywhere", () => {
    const x = logScale(50, 200, 200);
    expect(x(100) - x(50)).toBeCloseTo(x(200) - x(100));
  });
  it("has ticks inside its range alone", () => expect(tempoTicks(50, 150)).toEqual([60, 75, 100, 135]));
});
