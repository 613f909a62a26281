import { describe, expect, it } from "vitest";
import { bars, clock, figure, listed, percent, plural, signs } from "../lib/format";
import { amountStep, confidenceStep, inkColour, textOnInk } from "../lib/ink";

describe("figures for people", () => {
  it("writes a true minus sign", () => expect(figure(-11.44, 1)).toBe("−11.4"));
  it("tells minutes and seconds", () => {
    expect(clock(65)).toBe("1:05");
    expect(clock(107.08, 1)).toBe("1:47.1");
    expect(clock(-3)).toBe("0:00");
  });
  it("rounds shares to per cent", () => expect(percent(0.555)).toBe("56 %"));
  it("writes names of notes with signs, and leaves other words alone", () => {
    expect(signs("Bb minor")).toBe("B♭ minor");
    expect(signs("F# or Gb, but before")).toBe("F♯ or G♭, but before");
  });
  it("tells a run of bars", () => {
    expect(bars(8, 8)).toBe("bar 8");
    expect(bars(8, 12)).toBe("bars 8–12");
  });
  it("counts", () => {
    expect(plural(1, "song")).toBe("1 song");
    expect(plural(3, "study", "studies")).toBe("3 studies");
  });
  it("lists words", () => expect(listed(["tempo", "meter", "mode"])).toBe("tempo, meter and mode"));
});

describe("ink", () => {
  it("says confidence in five steps: under .4, .4, .6, .8, .9", () =>
    expect([0.1, 0.4, 0.6, 0.8, 0.9].map(confidenceStep)).toEqual([1, 2, 3, 4, 5]));
  it("draws nothing where there is next to nothing", () =>
    expect([0, 0.09, 0.1, 0.5, 1].map(amountStep)).toEqual([0, 0, 1, 3, 5]));
  it("has a colour for each step", () => {
    expect(inkColour(0)).toBe("transparent");
    expect(inkColour(4)).toBe("var(--ink-d4)");
  });
  it("sets dark text on light ink and light text on dark ink", () => {
    expect(textOnInk(3)).toBe("var(--ink)");
    expect(textOnInk(4)).toBe("var(--sheet)");
  });
});
