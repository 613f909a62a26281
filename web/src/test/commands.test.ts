import { describe, expect, it } from "vitest";
import { CommandRegistry, keyWords } from "../app/commands";
import { nameOf } from "../app/useKeys";

const pressed = (key: string, held: Partial<Record<"ctrlKey" | "metaKey" | "shiftKey", boolean>> = {}) =>
  nameOf({ key, ctrlKey: false, metaKey: false, shiftKey: false, ...held } as KeyboardEvent);

describe("keys", () => {
  it("have one name each, whatever the system calls its command key", () => {
    expect([pressed("L"), pressed(" "), pressed("?", { shiftKey: true })]).toEqual(["l", "Space", "?"]);
    expect([pressed("z", { ctrlKey: true }), pressed("z", { metaKey: true })]).toEqual(["Mod+z", "Mod+z"]);
    expect(pressed("Z", { ctrlKey: true, shiftKey: true })).toBe("Mod+Shift+z");
    expect(pressed("ArrowLeft", { shiftKey: true })).toBe("Shift+ArrowLeft");
  });

  it("are written as they stand on the keyboard", () => {
    expect(["l", "Shift+ArrowLeft", "Mod+z", "+", "Escape", "Space"].map(keyWords)).toEqual([
      "L",
      "⇧ ←",
      "Ctrl Z",
      "+",
      "Esc",
      "space",
    ]);
  });
});

describe("the registry of commands", () => {
  it("offers what is on the page, and no longer what has left it", () => {
    const registry = new CommandRegistry();
    const command = { name: "loop", group: "Listening", run: () => undefined };
    const leave = registry.add(() => [command]);
    expect(registry.all()).toEqual([command]);
    leave();
    expect(registry.all()).toEqual([]);
  });
});
