import { describe, expect, it } from "vitest";
import type { PlayedLine } from "../api/types";
import {
  apartWords,
  beatText,
  beatsPerBar,
  departureWords,
  lineOf,
  longestPeriod,
  notesInBar,
  notesOf,
} from "../sheet/played";
import { song } from "./song";

const line = (layer: string, role: string, notes: (number | null)[][] = []): PlayedLine => ({
  layer,
  role,
  source: "midi",
  notes,
  feel: null,
  edited: 0,
  sections: [],
});

describe("what layers play", () => {
  it("reads notes with what may be missing", () => {
    expect(
      notesOf(
        line("Low", "bass", [
          [4, 1.5, 36, 0.5],
          [6, 0.25, null, 1],
        ]),
      ),
    ).toEqual([
      { beat: 4, beats: 1.5, pitch: 36, velocity: 0.5 },
      { beat: 6, beats: 0.25, pitch: null, velocity: 1 },
    ]);
  });

  it("gives the notes of a bar, what comes a hair early among them", () => {
    const played = line("Low", "bass", [
      [3.5, 0.5, 36, 1],
      [3.97, 1, 38, 0.5],
      [6, 1, 40, 1],
      [8, 1, 41, 1],
    ]);
    expect(notesInBar(played, 2, 4).map(({ beat, pitch }) => [beat, pitch])).toEqual([
      [1, 38],
      [3, 40],
    ]);
  });

  it("finds a layer's line by its name, or by its role where only one has it", () => {
    const analysis = {
      ...song(4, ["Am"]),
      lines: [line("hats top", "hats"), line("hats low", "hats"), line("kick", "kick")],
    };
    expect(lineOf(analysis, { name: "hats low", role: "hats" })?.layer).toBe("hats low");
    expect(lineOf(analysis, { name: "hats", role: "hats" })).toBeUndefined();
    expect(lineOf(analysis, { name: "Kick in", role: "kick" })?.layer).toBe("kick");
  });

  it("counts the beats between two bar lines", () => {
    expect(beatsPerBar({ ...song(4, ["Am"]), downbeats: [0.5, 2], beats: [0, 0.5, 1, 1.5, 2, 2.5] })).toBe(3);
    expect(beatsPerBar({ ...song(4, ["Am"]), downbeats: [0.5], beats: [] })).toBe(4);
  });

  it("says what a bar has more or less", () => {
    expect(
      departureWords([
        { piece: "snare", beat: 4.5, more: true },
        { piece: "kick", beat: 3, more: false },
      ]),
    ).toBe("one more snare on 4.5, no kick on 3");
    expect(
      apartWords(
        [
          { beat: 2.5, pitch: 40, more: true },
          { beat: 1, pitch: null, more: false },
        ],
        "shaker",
      ),
    ).toBe("one more E2 on 2.5, no shaker on 1");
    expect(apartWords([{ beat: 1, pitch: 37, more: true }], "bass", -4)).toBe("one more D♭2 on 1");
    expect(beatText(1.333333)).toBe("1.33");
  });

  it("draws a section over its longest period", () => {
    const row = (period: number) => ({
      piece: "kick",
      layer: "kick",
      source: "mix" as const,
      period,
      hits: [],
      probability: [],
      velocity: [],
      ghost: [],
    });
    const pattern = { first_bar: 1, bars: 8, steps: 16, names: [], hat_rate: null, departures: [], confidence: 0.9 };
    expect(longestPeriod({ ...pattern, rows: [row(1), row(4), row(2)] })).toBe(4);
    expect(longestPeriod({ ...pattern, rows: [] })).toBe(1);
  });
});
