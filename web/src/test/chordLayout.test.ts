import { describe, expect, it } from "vitest";
import type { Analysis } from "../api/types";
import { layoutChords, nameWidth } from "../sheet/chordLayout";
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
    expect(spelled(song(32, ["Am", "F", "C", "G"]), 832)).toEqual([1, 2, 3, 4]);
  });

  it("writes a narrower one in a row, and returns of it not at all", () => {
    const analysis = song(32, ["Am", "F", "C", "G"]);
    const loop = analysis.loop && { ...analysis.loop, starts: [1, 5, 17, 21] };
    const { brackets, marks } = layout({ ...analysis, loop }, 704);
    const [row, later] = brackets.map((bracket) => bracket.row);
    expect(row?.cells.map(({ symbol }) => symbol)).toEqual(["Am", "F", "C", "G"]);
    expect(row?.cells.map(({ chord }) => chord?.bar)).toEqual([1, 2, 3, 4]);
    expect([row?.cut, later]).toEqual([false, null]);
    const written = marks.filter((mark) => mark.label !== null).map(({ chord }) => chord.bar);
    expect(written.filter((bar) => bar < 9 || (bar > 16 && bar < 25))).toEqual([]);
    expect(written.length).toBeGreaterThan(0);
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

  it("gives loops letters, spells each once, and never writes one over another", () => {
    const plain = song(150, ["Am", "F"]);
    const loop = (starts: number[], letters: string[]) => ({
      ...{ bars: 2, degrees: ["i", "VI"], symbols: ["Am", "F"], confidence: 0.9 },
      starts,
      letters,
    });
    const every = (from: number, to: number) => Array.from({ length: (to - from) / 2 }, (_, index) => from + index * 2);
    const loops = [
      loop([...every(1, 33), ...every(81, 85), ...every(87, 97)], ["A"]),
      loop([...every(33, 65), ...every(85, 87), ...every(101, 151)], ["B"]),
    ];
    const { brackets, marks } = layout({ ...plain, loops }, 980);
    expect(brackets.map((bracket) => bracket.firm)).toEqual([true, true, false, false, false, false]);
    expect(brackets.map((bracket) => bracket.name?.at(-1) ?? null)).toEqual(["a", "b", "a", null, "a", "b"]);
    expect(brackets[0]).toMatchObject({ name: "loop a", counted: true, times: 16 });
    for (const [index, bracket] of brackets.entries()) {
      const end =
        bracket.x + (bracket.name?.startsWith("loop") ? 44 : bracket.name ? 14 : 0) + (bracket.counted ? 32 : 0);
      expect(end).toBeLessThanOrEqual(brackets[index + 1]?.x ?? 980);
    }
    const written = marks.filter((mark) => mark.label !== null).map(({ chord }) => chord.bar);
    expect(written.filter((bar) => bar < 65 || (bar > 80 && bar < 97) || bar > 100)).toEqual([]);
    const symbols = brackets.map(({ row }) => row?.cells.map(({ symbol }) => symbol) ?? null);
    expect(symbols).toEqual([["Am", "F"], ["Am", "F"], null, null, null, null]);
  });

  it("leaves a degree out where only the chord has room", () => {
    const analysis = song(4, ["C", "G"]);
    const [first] = analysis.chords;
    if (!first) throw new Error("a song without chords");
    const half = { ...first, degree: "♭III", end: first.start + 1 };
    const long = { ...first, symbol: "G", degree: "♭VII", start: first.start + 1, end: first.start + 4 };
    const { marks } = layout({ ...analysis, loop: null, chords: [half, long] }, 176);
    expect(marks.map(({ label }) => label)).toEqual([nameWidth("C", ""), nameWidth("G", "♭VII")]);
    expect(nameWidth("C", "")).toBeLessThan(nameWidth("C", "♭III"));
  });
});
