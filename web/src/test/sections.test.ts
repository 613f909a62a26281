import { describe, expect, it } from "vitest";
import { bareLabel, sectionName, unnamed } from "../lib/sections";

describe("names of sections", () => {
  it("say the letter once", () => {
    expect(sectionName({ label: "part C", letter: "C" })).toBe("part C");
    expect(sectionName({ label: "verse", letter: "B" })).toBe("verse B");
  });

  it("are none where only the letter is known", () => {
    expect([unnamed({ label: "part C", letter: "C" }), unnamed({ label: "part C", letter: "D" })]).toEqual([
      true,
      false,
    ]);
  });

  it("stand without their letter beside it", () => {
    expect(bareLabel({ label: "part C", letter: "C" })).toBe("part");
    expect(bareLabel({ label: "chorus", letter: "C" })).toBe("chorus");
    expect(bareLabel({ label: "part C", letter: "C'" })).toBe("part C");
  });
});
