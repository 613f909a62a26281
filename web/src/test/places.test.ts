import { describe, expect, it, vi } from "vitest";
import type { CalculatorGroup, ReferenceRow, StudyPage } from "../api/types";
import { FORMATS } from "../api/contract";
import { commandsOf, sentencesOf } from "../app/Navigation";
import { PLACES, ROUTES } from "../app/screens";

vi.mock("../player/stretch", () => ({}));

const page = {
  study: { id: 3 },
  references: [{ id: 8, title: "Wet Slate", summary: null } as ReferenceRow],
  checklists: [],
} as unknown as StudyPage;

describe("places of a study", () => {
  it("lead to screens that there are", () => {
    const paths = ROUTES.map((route) => route.path);
    for (const place of PLACES) expect(paths).toContain(`/studies/:studyId/${place.path(page)}`);
  });

  it("are all in the palette, with the songs", () => {
    const go = vi.fn();
    const commands = commandsOf(page, PLACES, go);
    const names = commands.map((command) => command.name);
    for (const place of PLACES) expect(names).toContain(place.name);
    expect(names.at(-1)).toBe("Wet Slate");
    commands.at(-1)?.run();
    expect(go).toHaveBeenCalledWith("/studies/3/references/8");
  });

  it("offer what can be taken away of a song that is measured, and its pages", () => {
    const measured = { ...page, references: [{ ...page.references[0], summary: {} }] } as unknown as StudyPage;
    const names = commandsOf(measured, PLACES, vi.fn()).map((command) => command.name);
    expect(names).toContain("Wet Slate: on paper");
    expect(names.filter((name) => name.startsWith("Wet Slate: export "))).toHaveLength(FORMATS.length);
  });

  it("lead to every page that needs no number", () => {
    const go = vi.fn();
    commandsOf(page, PLACES, go).forEach((command) => command.run());
    const reached = new Set(go.mock.calls.map(([path]) => String(path).replace(/\d+/g, ":n")));
    const pages = ROUTES.map((route) => route.path ?? "").filter((path) => !/:(?!studyId)|\*/.test(path));
    const missed = pages.map((path) => path.replace(":studyId", ":n")).filter((path) => !reached.has(path));
    expect(missed).toEqual([]);
  });

  it("hold every sentence of the reckoner", () => {
    const go = vi.fn();
    const groups = [{ id: "time", name: "Time", calculators: [{ id: "swing", name: "Swing" }] }] as CalculatorGroup[];
    sentencesOf(groups, 3, go).forEach((command) => command.run());
    sentencesOf(groups, null, go).forEach((command) => command.run());
    expect(go.mock.calls).toEqual([["/studies/3/reckoner?sentence=swing"], ["/reckoner?sentence=swing"]]);
  });

  it("lead to the newest checklist where there is one", () => {
    const checklist = PLACES.find((place) => place.name === "Checklist");
    expect(checklist?.path({ ...page, checklists: [{ id: 5 }, { id: 4 }] } as unknown as StudyPage)).toBe(
      "checklists/5",
    );
  });
});
