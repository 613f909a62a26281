import { describe, expect, it } from "vitest";
import type { Analysis } from "../api/types";
import { layoutChords } from "../sheet/chordLayout";
import { geometryOf } from "../sheet/geometry";
import { song } from "./song";

const layout = (analysis: Analysis, width: number) =>
  layoutChords(analysis, geometryOf(analysis, { width, height: 500, rows: 6 }, "song"));
const spelled = (analysis: Analysis, width: number) =>
  layout(analysis, width)
    .marks.filter((mark) => mark.label !== null)
    .map((mark) => mark.chord.bar);

describe("chords on the sheet", () => {
  it("puts returns that follow each other under one bracket", () => {
    const { brackets } = layout(song(16, ["Am", "F", "C", "G"]), 640);
    expect(brackets).toHaveLength(1);
    expect(brackets[0]).toMatchObject({ x: 0, width: 640, times: 4, firm: true, asBar: null });
  });

  it("spells a narrow loop once", () => {
    expect(spelled(song(32, ["Am", "F", "C", "G"]), 704)).toEqual([1, 2, 3, 4]);
  });

  it("spells a wide one at each return", () => {
    expect(spelled(song(8, ["Am", "F"]), 320)).toEqual([1, 2, 3, 4, 5, 6, 7, 8]);
  });

  it("says where a return that is not spelled can be read", () => {
    const analysis = song(32, ["Am", "F", "C", "G"]);
    const loop = analysis.loop && { ...analysis.loop, starts: [1, 5, 17, 21] };
    const { brackets, marks } = layout({ ...analysis, loop }, 704);
    expect(brackets.map((bracket) => bracket.asBar)).toEqual([null, 1]);
    expect(brackets.map((bracket) => bracket.firm)).toEqual([true, false]);
    expect(marks.filter((mark) => mark.label !== null && mark.chord.bar >= 17 && mark.chord.bar < 25)).toEqual([]);
  });

  it("spells what is outside of the loop where it fits, and never one symbol over another", () => {
    const { marks } = layout({ ...song(24, ["B♭maj7", "E♭m7"]), loop: null }, 720);
    const labels = marks
      .filter((mark) => mark.label !== null)
      .map((mark) => [mark.x, mark.x + (mark.label ?? 0)] as const);
    expect(labels.length).toBeGreaterThan(0);
    for (const [index, [from]] of labels.entries()) expect(from).toBeGreaterThanOrEqual(labels[index - 1]?.[1] ?? 0);
  });

  it("never spells silence", () => {
    const analysis = song(4, ["Am"]);
    const chords = analysis.chords.map((chord) => ({ ...chord, degree: null }));
    expect(spelled({ ...analysis, chords, loop: null }, 400)).toEqual([]);
  });
});
