import { describe, expect, it } from "vitest";
import { sureOf } from "../lib/sure";
import { readDraft } from "../lib/useDraft";

const storage = (held: Record<string, string>) => ({ getItem: (key: string) => held[key] ?? null });

describe("what is typed and not kept yet", () => {
  it("comes back as it was typed", () => {
    expect(readDraft(storage({ "draft card 4": '{"name":"echo"}' }), "card 4")).toEqual({ name: "echo" });
  });

  it("is none where nothing was typed, or where it can't be read", () => {
    expect(readDraft(storage({}), "card 4")).toBeNull();
    expect(readDraft(storage({ "draft card 4": "{half" }), "card 4")).toBeNull();
    expect(readDraft(storage({ "draft card 5": "1" }), "card 4")).toBeNull();
  });
});

describe("how sure, as it is typed", () => {
  it.each([
    ["0.6", 0.6],
    ["0,6", 0.6],
    [".5", 0.5],
    [" 1 ", 1],
    ["7", 1],
    ["0", 0],
  ])("reads %j as %d", (text, value) => {
    expect(sureOf(text)).toBe(value);
  });

  it.each(["", "0.", "0,", "-1", "half", "1e3", "0.5.5"])("waits while %j is no number yet", (text) => {
    expect(sureOf(text)).toBeNull();
  });
});
