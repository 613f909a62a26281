import { describe, expect, it } from "vitest";
import type { Target } from "../api/types";
import { bandOf, placeOf } from "../checklist/listen";
import { beatsOf } from "../checklist/meter";
import { notesOf } from "../checklist/NoteRow";
import { surenessOf } from "../checklist/sureness";
import { leftSeconds, moreMinutes, spentSeconds } from "../checklist/timing";
import { runsOf } from "../lib/runs";

const START = "2026-01-01T10:00:00.000Z";
const at = (seconds: number) => Date.parse(START) + seconds * 1000;
const timed = { spent: 60, started_at: START, minutes: 2, extra: 1 };
const target = (more: Partial<Target>): Target => ({
  measure: "layers.plays",
  value: "full",
  tolerance: 0,
  source: "mix",
  ...more,
});

describe("the clock of an item", () => {
  it("counts what was spent before and what runs", () => {
    expect(spentSeconds(timed, at(30))).toBe(90);
    expect(spentSeconds({ ...timed, started_at: null }, at(30))).toBe(60);
    expect(spentSeconds(timed, at(-5))).toBe(60);
  });

  it("is over when the box and what was added to it are", () => {
    expect(leftSeconds(timed, at(0))).toBe(120);
    expect(leftSeconds(timed, at(130))).toBe(-10);
  });

  it("adds half of the box, five minutes at least", () => {
    expect([moreMinutes({ minutes: 25 }), moreMinutes({ minutes: 4 })]).toEqual([13, 5]);
  });
});

describe("what an item is heard by", () => {
  it("is the first place of its targets, or its section", () => {
    expect(placeOf({ targets: [target({}), target({ first_bar: 5, bars: 4 })], about: null })).toEqual({
      first: 5,
      last: 8,
    });
    expect(placeOf({ targets: [], about: "section:9" })).toEqual({ first: 9, last: 9 });
    expect(placeOf({ targets: [target({})], about: "layer:bass" })).toBeNull();
  });

  it("is the band of its one role, or all of the sound", () => {
    expect(bandOf({ targets: [target({ role: "bass" }), target({})], about: null })).toBe("low end");
    expect(bandOf({ targets: [target({ role: "bass" }), target({ role: "hats" })], about: null })).toBe("whole");
    expect(bandOf({ targets: [target({ role: "chords" })], about: null })).toBe("whole");
  });
});

describe("what is drawn of an item", () => {
  it("is its notes, where it asks for some", () => {
    const notes = [{ bar: 1, beat: 1, beats: 2, pitch: 45 }];
    expect(notesOf({ targets: [target({ measure: "lines.notes", value: notes })] })).toEqual(notes);
    expect(notesOf({ targets: [target({ measure: "lines.notes", value: [] })] })).toBeNull();
    expect(notesOf({ targets: [target({ measure: "lines.notes", value: "none" })] })).toBeNull();
  });

  it("has the beats of the song's meter", () => {
    expect(beatsOf([{ targets: [target({ measure: "time.meter", value: "3/4" })] }])).toBe(3);
    expect(beatsOf([{ targets: [target({ measure: "time.meter", value: "nothing known" })] }])).toBe(4);
    expect(beatsOf([])).toBe(4);
  });
});

describe("how sure an item is", () => {
  it("is the mean of its targets, and nobody's where a person wrote it", () => {
    const targets = [target({ confidence: 0.9 }), target({ confidence: 0.7 }), target({})];
    expect(surenessOf({ targets, own: false })).toBeCloseTo(0.8);
    expect(surenessOf({ targets, own: true })).toBeNull();
    expect(surenessOf({ targets: [target({})], own: false })).toBeNull();
  });
});

describe("runs", () => {
  it("are neighbours only", () => {
    expect(runsOf(["a1", "a2", "b1", "a3"], (name) => name[0] ?? "")).toEqual([
      ["a", ["a1", "a2"]],
      ["b", ["b1"]],
      ["a", ["a3"]],
    ]);
  });
});
