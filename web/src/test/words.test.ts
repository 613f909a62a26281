import { describe, expect, it } from "vitest";
import { amountStep, confidenceStep, inkColour, textOnInk } from "../lib/ink";
import { joined, rectangle, upright } from "../lib/path";
import { layerMark, sourceMark, toldBy } from "../lib/sources";
import { matchingGain } from "../player/loudness";
import { barAt, STILL, urlOf, type Track } from "../player/state";
import { beatWords, functionWords } from "../sheet/drawer/chordWords";
import { detailText } from "../sheet/drawer/detailText";
import { stepsPerBeat } from "../sheet/steps";

describe("what a chord does, in words", () => {
  it.each([
    ["secondary dominant", "V", "dominant of V"],
    ["chromatic approach", "iv", "slides into iv"],
    ["borrowed", "Ab major", "borrowed from A♭ major"],
    ["pedal", "Eb", "over a pedal on E♭"],
    ["diatonic", null, "diatonic"],
  ])("says %s of %s", (kind, of, words) => {
    expect(functionWords(kind, of)).toBe(words);
  });

  it("tells half beats and leaves whole ones plain", () => {
    expect([beatWords(1), beatWords(2.5), beatWords(4)]).toEqual(["1", "2.5", "4"]);
  });
});

describe("the figures of a sighting, in words", () => {
  it("puts each figure into its own phrase", () => {
    expect(detailText({ every: 4, rises_by_db: 6.25 })).toBe("every 4 bars, rises by 6.3 dB");
    expect(detailText({ side_share: 0.123456 })).toBe("side energy 0.123");
    expect(detailText({ parts: ["kick", "bass"] })).toBe("kick, bass");
  });

  it("names a figure that it does not know by its own name", () => {
    expect(detailText({ odd_thing: 3 })).toBe("odd thing 3");
  });

  it("says nothing where there is nothing", () => {
    expect(detailText({})).toBe("");
  });
});

describe("ink", () => {
  it("is denser the surer a reading is, in five steps", () => {
    expect([0, 0.39, 0.4, 0.6, 0.8, 0.9, 1].map(confidenceStep)).toEqual([1, 1, 2, 3, 4, 5, 5]);
  });

  it("is not drawn for less than a tenth", () => {
    expect([0, 0.09, 0.1, 0.5, 0.99, 1].map(amountStep)).toEqual([0, 0, 1, 3, 5, 5]);
    expect(inkColour(0)).toBe("transparent");
    expect(inkColour(3)).toBe("var(--ink-d3)");
  });

  it("has paper-coloured text where it is dark", () => {
    expect([3, 4].map((step) => textOnInk(step as 3 | 4))).toEqual(["var(--ink)", "var(--sheet)"]);
  });
});

describe("paths", () => {
  it("draw shapes of one look as one, in order of first sight", () => {
    const shapes = [
      { look: "a", x: 0 },
      { look: "b", x: 5 },
      { look: "a", x: 9 },
      { look: null, x: 20 },
    ];
    expect(
      joined(
        shapes,
        (shape) => shape.look,
        (shape) => rectangle(shape.x, 1, 2, 3),
      ),
    ).toEqual([
      ["a", "M0.0 1.0h2.0v3.0h-2.0zM9.0 1.0h2.0v3.0h-2.0z"],
      ["b", "M5.0 1.0h2.0v3.0h-2.0z"],
    ]);
    expect(upright(4, 0, 12)).toBe("M4 0V12");
  });
});

describe("who tells of a layer", () => {
  it("is said in words, and by a mark unless it is the mix", () => {
    expect((["mix", "stem", "midi"] as const).map(toldBy)).toEqual([
      "measured on the mix",
      "measured on its stem",
      "read from the MIDI file",
    ]);
    expect((["mix", "stem", "midi", "heard"] as const).map(sourceMark)).toEqual([null, "stem", "MIDI", null]);
    expect(layerMark({ source: "stem", confidence: 0.4 })).toBe("stem");
    expect([0.4, 0.5].map((confidence) => layerMark({ source: "mix", confidence }))).toEqual(["perhaps", null]);
  });
});

describe("steps of a beat", () => {
  it.each([
    ["4/4", 16, 4],
    ["3/4", 12, 4],
    ["6/8", 12, 6],
    ["12/8", 24, 6],
    ["7/8", 14, 2],
    ["5/4", 10, 1],
  ])("in %s with %d steps are %d", (meter, steps, expected) => {
    expect(stepsPerBeat(meter, steps)).toBe(expected);
  });
});

describe("listening", () => {
  const track = {
    id: 7,
    bars: [
      { start: 0.5, end: 2.5 },
      { start: 2.5, end: 4.5 },
    ],
  } as Track;

  it("knows the bar that sounds, 0 before the first", () => {
    expect([0, 0.5, 2.4, 2.5, 90].map((seconds) => barAt(track.bars, seconds))).toEqual([0, 1, 1, 2, 2]);
  });

  it("takes bands from the recording, and separated parts from their own files", () => {
    expect(urlOf(track, "low end")).toBe("/api/references/7/audio");
    expect(urlOf(track, "struck")).toBe("/api/references/7/parts/struck");
  });

  it("raises a quiet part to the loudness of the whole, but not without end", () => {
    expect(matchingGain(0.04, 0.01)).toBeCloseTo(2);
    expect(matchingGain(1, 1e-9)).toBe(16);
    expect(matchingGain(1, 0)).toBe(1);
  });

  it("starts quiet", () => expect(STILL.volume).toBeLessThan(0.5));
});
