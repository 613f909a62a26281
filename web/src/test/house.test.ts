import { beforeEach, describe, expect, it, vi } from "vitest";
import type { Calculator } from "../api/types";
import { ImportQueue, soundsOf } from "../app/imports";
import { keyFor, setKeymap } from "../app/keymap";
import { pitchName, pitchOf, setNaming } from "../lib/naming";
import { strokes } from "../lib/pen";
import { asText, emptied, firstWords, partsOf, unnamed } from "../reckoner/sentence";
import { studyBody } from "../study/StudyForm";
import { GLOSSARY, meaningOf } from "../words/glossary";

const blank = (name: string, open = false, usual: string | null = null) => ({
  name,
  about: name,
  kind: "number",
  unit: "",
  usual,
  open,
  choices: null,
});
const calculator: Calculator = {
  id: "bars",
  group: "time",
  name: "Bars",
  sentence: "At {bpm} BPM {bars} bars last {seconds} s.",
  blanks: [blank("bpm", true, "120"), blank("bars", true, "16"), blank("seconds", true), blank("rate")],
};

describe("a sentence with blanks", () => {
  it("is words and blanks in turn", () => {
    expect(partsOf("At {bpm} BPM.")).toEqual([{ words: "At " }, { blank: "bpm" }, { words: " BPM." }]);
    expect(unnamed(calculator)).toEqual(["rate"]);
  });

  it("opens with what is known, else with what is usual", () => {
    expect(firstWords(calculator, { bpm: "84.5" })).toEqual({ bpm: "84.5", bars: "16", seconds: "", rate: "" });
  });

  it("empties the blank that was filled longest ago when the empty one is filled", () => {
    const full = { bpm: "120", bars: "16", seconds: "", rate: "" };
    expect(emptied(calculator, full, "seconds", "8", [])).toMatchObject({ seconds: "8", bpm: "" });
    expect(emptied(calculator, full, "seconds", "8", ["bpm"])).toMatchObject({ bpm: "120", bars: "" });
    expect(emptied(calculator, full, "bpm", "100", [])).toMatchObject({ bpm: "100", bars: "16", seconds: "" });
    expect(emptied(calculator, full, "rate", "1", [])).toMatchObject({ rate: "1", bpm: "120" });
  });

  it("is copied line by line", () => {
    const lines = [
      { name: "A beat", figure: "500 ms", note: "" },
      { name: "Nearest", figure: "1/8", note: "375 ms" },
    ];
    expect(asText({ lines, filled: {}, warnings: [], rounding: "", sound: null })).toBe(
      "A beat: 500 ms\nNearest: 1/8 (375 ms)",
    );
  });
});

describe("files on their way", () => {
  it("go one after another, and those that fail stay with the reason", async () => {
    const queue = new ImportQueue();
    const sent: string[] = [];
    const send = (_: number, file: File) => {
      sent.push(file.name);
      return file.name === "bad.wav" ? Promise.reject(new Error("no sound")) : Promise.resolve();
    };
    const files = ["one.wav", "bad.wav", "two.wav"].map((name) => new File([], name));
    const done = queue.add(3, files, send, (error) => (error as Error).message);
    expect(queue.snapshot().map((file) => file.state)).toEqual(["waiting", "waiting", "waiting"]);
    await done;
    expect(sent).toEqual(["one.wav", "bad.wav", "two.wav"]);
    expect(queue.snapshot()).toMatchObject([{ studyId: 3, name: "bad.wav", state: "failed", message: "no sound" }]);
    queue.dismiss(queue.snapshot()[0]?.key ?? "");
    expect(queue.snapshot()).toEqual([]);
  });

  it("wait for a study that is started for them, once", () => {
    const queue = new ImportQueue();
    const told = vi.fn();
    queue.subscribe(told);
    queue.hold([new File([], "one.wav")]);
    expect([queue.holds(), told.mock.calls.length]).toEqual([1, 1]);
    expect(queue.release()).toHaveLength(1);
    expect(queue.release()).toHaveLength(0);
  });

  it("of a folder are its sounds", () => {
    const names = ["a.wav", "cover.jpg", ".hidden.wav", "b.FLAC"].map((name) => new File([], name));
    expect(soundsOf(names).map((file) => file.name)).toEqual(["a.wav", "b.FLAC"]);
  });
});

describe("settings", () => {
  beforeEach(() => {
    setNaming({ names: "key", middle: 4 });
    setKeymap({ on: true, own: {} });
  });

  it("name notes by key, with sharps, with flats, and count octaves from either middle C", () => {
    expect([pitchName(70, -3), pitchName(66, 2), pitchName(60)]).toEqual(["B♭4", "F♯4", "C4"]);
    setNaming({ names: "sharps", middle: 3 });
    expect([pitchName(70, -3), pitchName(60)]).toEqual(["A♯3", "C3"]);
    expect(pitchOf("C3")).toBe(60);
    setNaming({ names: "flats", middle: 4 });
    expect(pitchName(66, 2)).toBe("G♭4");
  });

  it("change keys, and switch single ones off", () => {
    setKeymap({ on: true, own: { l: "u" } });
    expect([keyFor("l"), keyFor("n")]).toEqual(["u", "n"]);
    setKeymap({ on: false, own: {} });
    expect([keyFor("l"), keyFor("Mod+k")]).toEqual([null, "Mod+k"]);
  });
});

describe("a study’s frame", () => {
  it("is open where nothing is said, and takes commas for points", () => {
    const draft = {
      title: " Low Water ",
      aim: "style" as const,
      scope_from: "",
      scope_bar: "32",
      target_bpm: "84,5",
      target_tonic: "",
      target_mode: "minor",
      target_way: "tonic",
      target_meter: "",
    };
    expect(studyBody(draft)).toMatchObject({
      title: "Low Water",
      scope_from: null,
      scope_bar: "32",
      target_bpm: "84.5",
      target_tonic: null,
      target_mode: null,
      target_meter: null,
    });
  });
});

describe("words", () => {
  it("stand in the order of the alphabet, each once, each with its meaning", () => {
    const words = GLOSSARY.map(({ word }) => word);
    expect(words).toEqual([...new Set(words)].sort((a, b) => a.localeCompare(b, "en", { sensitivity: "base" })));
    expect(GLOSSARY.every(({ means }) => means.endsWith("."))).toBe(true);
    expect(meaningOf("LUFS")).toMatch(/Loudness/);
  });
});

describe("a stroke of the pen", () => {
  it("breaks off where nothing is there, and leaves a line however little there is", () => {
    const drawn = strokes([1, 0.2, 0, 0.05, 1], 10, 20, -1, 10);
    expect(drawn.map(({ first, last }) => [first, last])).toEqual([
      [1, 2],
      [5, 5],
    ]);
  });
});
