import { existsSync, readdirSync, readFileSync } from "node:fs";
import { dirname, join, relative, resolve } from "node:path";
import { describe, expect, it } from "vitest";

const ROOT = resolve(__dirname, "..");

function sources(folder = ROOT): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) => {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) return entry.name === "test" ? [] : sources(path);
    return /\.tsx?$/.test(entry.name) && !entry.name.endsWith(".d.ts") ? [path] : [];
  });
}

/** What each file imports of the others. */
const imports = new Map(
  sources().map((file) => {
    const found = [...readFileSync(file, "utf8").matchAll(/from "(\.[^"]+)"/g)].flatMap(([, path]) =>
      [".ts", ".tsx"].map((ending) => resolve(dirname(file), path ?? "") + ending).filter(existsSync),
    );
    return [file, found] as const;
  }),
);

/** Files that can be reached from a file through what it imports. */
function reached(from: string): Set<string> {
  const seen = new Set<string>();
  const waiting = [...(imports.get(from) ?? [])];
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    if (seen.has(next)) continue;
    seen.add(next);
    waiting.push(...(imports.get(next) ?? []));
  }
  return seen;
}

const named = (file: string) => relative(ROOT, file);
const code = (file: string) => readFileSync(file, "utf8");

describe("the house of the front end", () => {
  it("has no circle: no file needs itself", () => {
    expect(
      sources()
        .filter((file) => reached(file).has(file))
        .map(named),
    ).toEqual([]);
  });

  it("writes query keys in one place", () => {
    const elsewhere = sources().filter((file) => /queryKey: \[/.test(code(file)));
    expect(elsewhere.map(named)).toEqual([]);
  });

  it("makes changes through the one hook that says when they fail", () => {
    const elsewhere = sources().filter((file) => code(file).includes("useMutation"));
    expect(elsewhere.map(named)).toEqual(["app/useChange.ts"]);
  });

  it("has no token that nothing uses", () => {
    const styles = ["tokens.css", "base.css"]
      .map((name) => readFileSync(join(ROOT, "styles", name), "utf8"))
      .join("\n");
    const all = styles + sources().map(code).join("\n");
    const tokens = [...new Set([...styles.matchAll(/^ {2}(--[a-z0-9-]+):/gm)].map(([, name]) => name ?? ""))];
    const plain = tokens.filter((name) => !/^--(color|text|font|breakpoint|spacing|radius)-/.test(name));
    const unused = plain.filter((name) => !all.includes(`var(${name})`) && !/^--ink-d\d$/.test(name));
    expect(unused).toEqual([]);
    expect(plain.length).toBeGreaterThan(20);
  });

  it("asks for no measure in pixels that has a token", () => {
    const typed = /\[(108px|264px|344px|176px)\]|border-[lt]-\[3px\]|size-\[(9|15)px\]/;
    expect(
      sources()
        .filter((file) => typed.test(code(file)))
        .map(named),
    ).toEqual([]);
  });
});
