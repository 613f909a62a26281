import { describe, expect, it } from "vitest";
import { joined, rectangle, upright } from "../lib/path";
import { sureOf } from "../lib/sure";
import { stepsPerBeat } from "../sheet/steps";

describe("shapes as paths", () => {
  it("a rectangle is closed, to a tenth of a point", () => {
    expect(rectangle(1, 2.04, 3.25, 4)).toBe("M1.0 2.0h3.3v4.0h-3.3z");
    expect(upright(5, 0, 12)).toBe("M5 0V12");
  });

  it("those that look alike are one path, in order of first sight, and those without a look are left out", () => {
    const shapes = [
      { ink: "deep", at: 1 },
      { ink: null, at: 2 },
      { ink: "pale", at: 3 },
      { ink: "deep", at: 4 },
    ];
    const paths = joined(
      shapes,
      (shape) => shape.ink,
      (shape) => `M${shape.at}`,
    );
    expect(paths).toEqual([
      ["deep", "M1M4"],
      ["pale", "M3"],
    ]);
    expect(
      joined(
        [],
        () => "deep",
        () => "M0",
      ),
    ).toEqual([]);
  });
});

describe("how sure somebody is, as it is typed", () => {
  it("has a point or a comma and is never over one", () => {
    expect(["0.5", "0,5", " .25 ", "1", "7"].map(sureOf)).toEqual([0.5, 0.5, 0.25, 1, 1]);
  });

  it("is no number yet while it is half typed, and never below none", () => {
    expect(["", "0.", "-0.5", "1e-3", "half", "0.5.5"].map(sureOf)).toEqual([null, null, null, null, null, null]);
  });
});

describe("steps in a beat", () => {
  it("are six in compound meters, two where the beat is an eighth, four where a bar divides so", () => {
    expect(stepsPerBeat("6/8", 12)).toBe(6);
    expect(stepsPerBeat("12/8", 24)).toBe(6);
    expect(stepsPerBeat("7/8", 14)).toBe(2);
    expect(stepsPerBeat("4/4", 16)).toBe(4);
    expect(stepsPerBeat("3/4", 12)).toBe(4);
    expect(stepsPerBeat("4/4", 9)).toBe(1);
  });
});
