import { describe, expect, it } from "vitest";
import { gapText } from "../sheet/gapText";

const failed = (what: string) => ({ what, reason: null, fault: "IndexError at riser.rb:3" });
const refused = (what: string, reason: string) => ({ what, reason, fault: null });

describe("what an analysis could not tell", () => {
  it("is named, with what stands beside it", () => {
    expect(gapText([failed("the lead lines"), failed("the technique “Riser”")])).toBe(
      "Not told here: the lead lines; the technique “Riser”. The engine failed there; everything else stands.",
    );
  });

  it("says why what a person asked for could not be followed", () => {
    expect(gapText([refused("90.00 BPM from bar 16 on", "no whole bar fits")])).toBe(
      "Could not be followed: 90.00 BPM from bar 16 on; no whole bar fits.",
    );
  });

  it("keeps the two apart", () => {
    expect(gapText([refused("x", "y"), failed("z")])).toBe(
      "Not told here: z. The engine failed there; everything else stands. Could not be followed: x; y.",
    );
    expect(gapText([])).toBe("");
  });
});
