import { describe, expect, it } from "vitest";
import { matched } from "../player/sides";
import { paceOf, passagesOf, ratioOf, within } from "../player/twin";

const bars = (count: number, seconds: number, from = 0) =>
  Array.from({ length: count }, (_, index) => ({ start: from + index * seconds, end: from + (index + 1) * seconds }));

describe("a song beside another", () => {
  it("is one passage where both keep their pace", () => {
    const [passage, ...rest] = passagesOf(bars(8, 2), bars(8, 1.9, 0.5));

    expect(rest).toEqual([]);
    expect(passage?.lead).toEqual({ start: 0, end: 16 });
    expect(passage?.other.end).toBeCloseTo(15.7);
    expect(passage && paceOf(passage)).toBeCloseTo(0.95);
  });

  it("goes on behind the bars that it leaves out", () => {
    const other = bars(6, 2);
    const laid = [...other.slice(0, 4), null, null, ...other.slice(4)];
    const passages = passagesOf(bars(8, 2), laid);

    expect(passages.map(({ lead }) => [lead.start, lead.end])).toEqual([
      [0, 8],
      [12, 16],
    ]);
    expect(passages.map(({ other: mine }) => [mine.start, mine.end])).toEqual([
      [0, 8],
      [8, 12],
    ]);
  });

  it("begins a new passage where the pace changes", () => {
    const uneven = [...bars(4, 2), ...bars(4, 2.2, 8)];

    expect(passagesOf(bars(8, 2), uneven)).toHaveLength(2);
  });

  it("is cut to what is still to come", () => {
    const [rest] = within(passagesOf(bars(8, 2), bars(8, 1)), 5, 9);

    expect(rest?.lead).toEqual({ start: 5, end: 9 });
    expect(rest?.other.start).toBeCloseTo(2.5);
    expect(rest?.other.end).toBeCloseTo(4.5);
  });

  it("is so much faster over all that both have", () => {
    expect(ratioOf(passagesOf(bars(4, 2), bars(4, 1.6)))).toBeCloseTo(1.25);
    expect(ratioOf([])).toBe(1);
  });

  it("brings the louder one down to the other", () => {
    expect(matched(0.04, 0.01)).toEqual({ reference: 0.5, attempt: 1 });
    expect(matched(0.01, 0.04)).toEqual({ reference: 1, attempt: 0.5 });
    expect(matched(0, 0.04)).toEqual({ reference: 1, attempt: 1 });
  });
});
