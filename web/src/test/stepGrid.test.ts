import { describe, expect, it } from "vitest";
import type { StepPattern } from "../api/types";
import { unclear } from "../sheet/StepGrid";

const pattern = (...rows: number[][]) => ({ rows: rows.map((probability) => ({ probability })) }) as StepPattern;

describe("the usual bar", () => {
  it("is clear where a step is struck more often than not", () => {
    expect(unclear(pattern([0.9, 0, 0, 0], [0.3, 0.3, 0.3, 0.3]))).toBe(false);
  });

  it("is not clear where steps are struck now and then", () => {
    expect(unclear(pattern([0.4, 0, 0.3, 0], [0, 0, 0, 0]))).toBe(true);
  });

  it("is clear where nothing is struck at all", () => {
    expect(unclear(pattern([0.05, 0, 0.1, 0]))).toBe(false);
  });
});
