import { describe, expect, it } from "vitest";
import type { HeardLayer, Layer, Section, Sighting } from "../api/types";
import { aboutOf } from "../sheet/selection";
import { shownLayers } from "../sheet/LayerRows";
import { song } from "./song";

const measured = (name: string) => ({ name, role: "bass" }) as Layer;
const own = (id: number, name: string, levels = [0, 0]) =>
  ({ reading_id: id, name, role: "bass", levels }) as HeardLayer;

const analysis = song(8, ["Am", "F"], {
  layers: [measured("bass"), measured("Bass: take 2")],
  heard_layers: [own(5, "bass"), own(6, "drone", [0, 3])],
  sections: [{ first_bar: 1, start: 0 } as Section, { first_bar: 5, start: 8.5 } as Section],
  techniques: [{ kind: "pedal" } as Sighting],
  marks: [{ reading_id: 12 } as (typeof analysis.marks)[number]],
});

describe("what an item of a checklist rests on", () => {
  it.each([
    ["layer:bass", { kind: "layer", name: "bass" }],
    ["layer:Bass: take 2", { kind: "layer", name: "Bass: take 2" }],
    ["layer:drone", { kind: "ownLayer", id: 6 }],
    ["technique:pedal", { kind: "technique", technique: "pedal" }],
    ["section:5", { kind: "section", at: 8.5 }],
    ["mark:12", { kind: "mark", id: 12 }],
  ])("opens %s", (about, selection) => {
    expect(aboutOf(about, analysis)).toEqual(selection);
  });

  it.each(["layer:tuba", "technique:riser", "section:3", "mark:1", "rumour:1", "", "section:"])(
    "opens nothing for %j, which is not there",
    (about) => {
      expect(aboutOf(about, analysis)).toBeNull();
    },
  );
});

describe("rows of layers that a person heard", () => {
  it("leaves out a card that only says more of a measured layer", () => {
    expect(shownLayers(analysis, null).map((layer) => layer.reading_id)).toEqual([6]);
  });

  it("shows it while its card is open, to paint on", () => {
    expect(shownLayers(analysis, { kind: "ownLayer", id: 5 }).map((layer) => layer.reading_id)).toEqual([5, 6]);
  });

  it("shows it once something is painted", () => {
    const painted = { ...analysis, heard_layers: [own(5, "bass", [0, 1])] };
    expect(shownLayers(painted, null).map((layer) => layer.reading_id)).toEqual([5]);
  });
});
