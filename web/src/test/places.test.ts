import { describe, expect, it, vi } from "vitest";
import type { ReferenceRow, StudyPage } from "../api/types";
import { commandsOf } from "../app/Navigation";
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
    expect(commands.map((command) => command.name)).toEqual([
      "all studies",
      "the study",
      "Profile",
      "Checklist",
      "Attempts",
      "Logbook",
      "Sounds",
      "Techniques",
      "Wet Slate",
    ]);
    commands.at(-1)?.run();
    expect(go).toHaveBeenCalledWith("/studies/3/references/8");
  });

  it("lead to the newest checklist where there is one", () => {
    const checklist = PLACES.find((place) => place.name === "Checklist");
    expect(checklist?.path({ ...page, checklists: [{ id: 5 }, { id: 4 }] } as unknown as StudyPage)).toBe(
      "checklists/5",
    );
  });
});
