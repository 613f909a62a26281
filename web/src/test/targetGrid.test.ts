import { describe, expect, it } from "vitest";
import type { Item } from "../api/types";
import { gridOf } from "../checklist/TargetGrid";

const item = (measure: string, value: unknown): Pick<Item, "targets"> => ({
  targets: [{ measure, value, tolerance: 0.2, unit: "of 1", source: "mix" }] as Item["targets"],
});

describe("the grid of an item", () => {
  const value = { steps: 16, bars: 1, per_beat: 4, hits: [1], velocities: [0.8] };

  it("is read off its strokes", () => {
    expect(gridOf(item("groove.steps", value))).toEqual({ steps: 16, bars: 1, per_beat: 4, velocities: [0.8] });
  });

  it("is none for other targets, and for those of older checklists", () => {
    expect(gridOf(item("time.tempo", { bpm: 100 }))).toBeNull();
    expect(gridOf(item("groove.steps", { steps: 16, bars: 1, hits: [1] }))).toBeNull();
    expect(gridOf({ targets: [] })).toBeNull();
  });
});
