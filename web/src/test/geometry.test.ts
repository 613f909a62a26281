import { describe, expect, it } from "vitest";
import { beatsNumbered, geometryOf } from "../sheet/geometry";
import { song } from "./song";

const room = { width: 720, height: 500, rows: 7 };

describe("the geometry of the sheet", () => {
  it("fits the whole song into the width", () => {
    const geometry = geometryOf(song(32, ["Am"]), room, "song");
    expect(geometry.barWidth).toBe(22.5);
    expect(geometry.width).toBe(720);
    expect(geometry.perCell).toBe(1);
  });

  it("lets bars of a short song grow so far and no farther", () => {
    expect(geometryOf(song(4, ["Am"]), room, "song").barWidth).toBe(40);
  });

  it("lets bars of a long song share cells", () => {
    const geometry = geometryOf(song(480, ["Am"]), room, "song");
    expect(geometry.width).toBeCloseTo(720);
    expect(geometry.barWidth * geometry.perCell).toBeGreaterThanOrEqual(5);
  });

  it("shows sixteen bars of a section, and four when close", () => {
    expect(geometryOf(song(32, ["Am"]), room, "section").barWidth).toBe(45);
    expect(geometryOf(song(32, ["Am"]), room, "bar").barWidth).toBe(180);
    expect(geometryOf(song(2, ["Am"]), room, "bar").barWidth).toBe(360);
  });

  it("finds the place of a moment and the moment of a place", () => {
    const geometry = geometryOf(song(32, ["Am"]), room, "song");
    expect(geometry.xOfBar(5)).toBe(90);
    expect(geometry.xOfTime(8.5)).toBe(90);
    expect(geometry.xOfTime(9.5)).toBeCloseTo(101.25);
    expect(geometry.timeOfX(101.25)).toBeCloseTo(9.5);
  });

  it("stays on the sheet before the first bar and after the last", () => {
    const geometry = geometryOf(song(8, ["Am"]), room, "song");
    expect(geometry.xOfTime(0)).toBe(0);
    expect(geometry.xOfTime(99)).toBe(geometry.width);
    expect(geometry.timeOfX(-20)).toBe(0.5);
    expect(geometry.timeOfX(9999)).toBeCloseTo(16.5);
  });

  it("gives spare height to the energy and the rows, within bounds", () => {
    const low = geometryOf(song(8, ["Am"]), { ...room, height: 300 }, "song");
    const high = geometryOf(song(8, ["Am"]), { ...room, height: 1200 }, "song");
    expect([low.rowHeight, low.energyHeight]).toEqual([21, 62]);
    expect([high.rowHeight, high.energyHeight]).toEqual([26, 120]);
  });

  it("numbers beats where the longest number has room, and else bars alone", () => {
    const wide = { ...room, width: 1700 };
    expect(beatsNumbered(geometryOf(song(32, ["Am"]), room, "bar"), "4/4")).toBe(4);
    expect(beatsNumbered(geometryOf(song(32, ["Am"]), wide, "section"), "4/4")).toBe(1);
    expect(beatsNumbered(geometryOf(song(32, ["Am"]), wide, "bar"), "7/8")).toBe(7);
    expect(beatsNumbered(geometryOf(song(240, ["Am"]), { ...room, width: 640 }, "bar"), "4/4")).toBe(1);
  });
});
