import { describe, expect, it } from "vitest";
import { presentRuns, profile, strokes } from "../lib/pen";
import { about, places, sentence, settledWords, trend, verdictWords } from "../attempts/words";
import type { AttemptVerdict, Closeness, Difference, Item } from "../api/types";
import { nextOf } from "../checklist/next";

const difference = (more: Partial<Difference>): Difference => ({
  kind: "layer_missing",
  bars: [[5, 8]],
  distance: 3,
  tolerance: 1,
  unit: "",
  sure: 0.9,
  words: "The hats are missing.",
  how: [],
  under: [],
  size: 3,
  closeness: "missing",
  doubtful: false,
  ...more,
});

const verdict = (more: Partial<AttemptVerdict>): AttemptVerdict => ({
  closeness: "close",
  measured: "close",
  overruled: null,
  targets: [],
  words: [],
  ...more,
});

describe("strokes of the pen", () => {
  it("break off where a layer rests, or where the attempt has no bar", () => {
    expect(presentRuns([0.9, 0.8, 0.1, null, 0.7])).toEqual([
      { first: 1, last: 2 },
      { first: 5, last: 5 },
    ]);
  });

  it("lie above the hairline for the reference and below it for the attempt", () => {
    const edge = (side: 1 | -1) =>
      Number(/L\d+\.\d (\d+\.\d)L/.exec(strokes([1, 1], 10, 20, side, 8)[0]?.d ?? "")?.[1]);

    expect(edge(-1)).toBeLessThan(20);
    expect(edge(1)).toBeGreaterThan(20);
  });

  it("begin and end on the hairline", () => {
    const [stroke] = strokes([1, 1, 0, 0], 10, 20, -1, 8);

    expect(stroke?.d.startsWith("M0.0 20")).toBe(true);
    expect(stroke?.d.endsWith("L20.0 20Z")).toBe(true);
  });

  it("leave a gap in a profile where bars are cut", () => {
    expect(profile([0.5, null, 0.5], 10, 20, 1, 10).match(/M/g)).toHaveLength(2);
    expect(profile([null, null], 10, 20, 1, 10)).toBe("");
  });
});

describe("words about attempts", () => {
  it("say perhaps where something may as well not be so", () => {
    expect(sentence(difference({}))).toBe("The hats are missing.");
    expect(sentence(difference({ doubtful: true }))).toBe("Perhaps: The hats are missing.");
  });

  it("name bars and what they are about", () => {
    expect(
      places([
        [5, 8],
        [12, 12],
      ]),
    ).toBe("5–8, 12");
    expect(places([])).toBe("whole song");
    expect(about(difference({ role: "hats" }))).toBe("hats, layer missing");
    expect(about(difference({ kind: "technique_missing", technique: "drum_drop" }))).toBe("drum drop");
  });

  it("tell closer from further, and neither where one was not judged", () => {
    expect(trend("missing", "close")).toBe(1);
    expect(trend("exact", "ballpark")).toBe(-1);
    expect(trend("close", "substituted")).toBe(0);
    expect(trend(undefined, "close")).toBe(0);
    expect(trend(null, "close")).toBe(0);
  });

  it("say who says so", () => {
    expect(verdictWords(verdict({}))).toBe("close");
    expect(verdictWords(verdict({ overruled: "meant so" }))).toBe("close, you say");
    expect(verdictWords(verdict({ closeness: null }))).toBe("by ear");
    expect(verdictWords(undefined)).toBe("");
  });

  it("say what was read again", () => {
    expect(settledWords({})).toBeNull();
    expect(settledWords({ bpm: 120 })).toBe("counted at 120.00 BPM, as the reference is");
    expect(settledWords({ bpm: 120, meter: "4/4", first_downbeat: 1.5 })).toBe(
      "counted at 120.00 BPM, in 4/4 and from 1.50 s, as the reference is",
    );
  });
});

describe("what comes next", () => {
  const items = [1, 2, 3].map((id) => ({ id, state: id === 1 ? "done" : "open" }) as Item);
  const standings = (closeness: Record<number, Closeness>) =>
    new Map(
      Object.entries(closeness).map(([id, word]) => [
        Number(id),
        { attempt: 2, words: word, closeness: word, mark: "", course: "" },
      ]),
    );

  it("is the first open item without an attempt", () => {
    expect(nextOf(items, new Map())?.id).toBe(2);
  });

  it("passes over what the latest attempt has reached", () => {
    expect(nextOf(items, standings({ 2: "close", 3: "missing" }))?.id).toBe(3);
    expect(nextOf(items, standings({ 2: "ballpark", 3: "missing" }))?.id).toBe(2);
  });

  it("is still an open one where all are reached", () => {
    expect(nextOf(items, standings({ 2: "exact", 3: "close" }))?.id).toBe(2);
  });
});
