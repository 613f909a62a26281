import { describe, expect, it } from "vitest";
import { fromAddress, indexAt, same, toAddress, type Selection } from "../sheet/selection";
import { selectedBy, zoomOf } from "../sheet/useAddress";
import { song } from "./song";

const ALL: Selection[] = [
  { kind: "reading", aspect: "tempo" },
  { kind: "section", at: 12.345 },
  { kind: "chord", at: 0 },
  { kind: "change", bar: 9 },
  { kind: "layer", name: "Bass: take 2" },
  { kind: "ownLayer", id: 5 },
  { kind: "technique", technique: "pedal" },
  { kind: "ownTechnique", id: 7 },
  { kind: "mark", id: 12 },
  { kind: "settle" },
  { kind: "journal" },
  { kind: "sources" },
];

describe("what is selected", () => {
  it.each(ALL.map((selection) => [toAddress(selection), selection] as const))(
    "stands in an address as %s",
    (address, selection) => {
      expect(fromAddress(address)).toEqual(selection);
      expect(ALL.filter((other) => same(selection, other))).toEqual([selection]);
    },
  );

  it.each(["", "reading:weather", "chord:", "chord:soon", "layer:", "mark:x", "rumour", "settle:", "__proto__"])(
    "is nothing for %j, unless it says something",
    (address) => {
      expect(fromAddress(address)).toEqual(address === "settle:" ? { kind: "settle" } : null);
    },
  );

  it("is the same chord to a thousandth of a second", () => {
    expect(same({ kind: "chord", at: 1.00021 }, { kind: "chord", at: 1.0001 })).toBe(true);
    expect(same({ kind: "chord", at: 1 }, { kind: "chord", at: 1.01 })).toBe(false);
    expect(same({ kind: "chord", at: 1 }, { kind: "section", at: 1 })).toBe(false);
    expect(same(null, { kind: "chord", at: 1 })).toBe(false);
  });

  it("stays when what lies before it is split, and goes to what took its place when it is merged", () => {
    const bars = [0, 2, 4, 6].map((start) => ({ start, end: start + 2 }));
    expect(indexAt(bars, 4)).toBe(2);
    const split = [{ start: 0, end: 1 }, { start: 1, end: 2 }, ...bars.slice(1)];
    expect(indexAt(split, 4)).toBe(3);
    const merged = [
      { start: 0, end: 6 },
      { start: 6, end: 8 },
    ];
    expect(indexAt(merged, 4)).toBe(0);
    expect(indexAt(bars, 8)).toBe(-1);
    expect(indexAt(bars, 3.9995)).toBe(2);
  });
});

describe("an address", () => {
  const analysis = song(8, ["Am", "F"]);
  const selected = (query: string) => selectedBy(new URLSearchParams(query), analysis);

  it("says the card, and before that what a checklist's item asks for", () => {
    expect(selected("card=chord:2.500")).toEqual({ kind: "chord", at: 2.5 });
    expect(selected("reading=key")).toEqual({ kind: "reading", aspect: "key" });
    expect(selected("about=layer:tuba&reading=key")).toEqual({ kind: "reading", aspect: "key" });
    expect(selected("about=section:1&card=settle")).toEqual({ kind: "settle" });
    expect(selected("")).toBeNull();
  });

  it("says how near one is, the whole song when it does not", () => {
    expect(["zoom=bar", "zoom=section", "zoom=moon", ""].map((query) => zoomOf(new URLSearchParams(query)))).toEqual([
      "bar",
      "section",
      "song",
      "song",
    ]);
  });
});
