import { describe, expect, it } from "vitest";
import type { Separation } from "../api/types";
import { slowest } from "../player/useParts";

describe("parts of two songs that are heard together", () => {
  const separation = (state: Separation["state"], progress: number): Separation => ({ state, progress, error: null });

  it("are as far as the one that is least far", () => {
    expect(slowest([separation("done", 1), separation("running", 0.4)])?.progress).toBe(0.4);
    expect(slowest([separation("running", 0.6), separation("queued", 0)])?.state).toBe("queued");
  });

  it("have failed when one has", () => {
    expect(slowest([separation("running", 0.6), separation("failed", 0)])?.state).toBe("failed");
  });

  it("are there when both are, and unknown while nothing is told", () => {
    expect(slowest([separation("done", 1), separation("done", 1)])?.state).toBe("done");
    expect(slowest([null, null])).toBeNull();
  });
});
