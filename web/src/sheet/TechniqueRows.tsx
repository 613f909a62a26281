import { memo } from "react";
import { bars, plural } from "../lib/format";
import { useSelection, useSheet } from "./context";
import { same, type Selection } from "./selection";
import { Row } from "./Row";
import { techniqueGroups, type Place, type TechniqueGroup } from "./techniques";

const LANE = 19;

/** Brackets with a number that leads to the card of the technique. */
export const TechniqueRows = memo(function TechniqueRows() {
  const { page, analysis } = useSheet();
  const groups = techniqueGroups(analysis, page.readings);
  const places = lanes(groups);
  const rows = 1 + Math.max(0, ...places.map((place) => place.lane));
  const sightings = places.length;
  return (
    <Row
      height={Math.max(2, rows) * LANE + 6}
      label={
        <div className="pt-1">
          <span className="block text-13 font-medium">Techniques</span>
          <span className="block text-11 text-ink-3">
            {plural(groups.length, "kind")}, {sightings} seen
          </span>
        </div>
      }
    >
      {places.map((place) => (
        <PlaceMark key={`${place.group.number}-${place.first}`} {...place} />
      ))}
      {groups.length === 0 && <p className="pt-2 font-serif text-13 italic text-ink-3">None found; note one with T.</p>}
    </Row>
  );
});

interface Laid extends Place {
  group: TechniqueGroup;
  lane: number;
}

/** Places that overlap go to lanes below each other. */
function lanes(groups: TechniqueGroup[]): Laid[] {
  const ends: number[] = [];
  return groups
    .flatMap((group) => group.places.map((place) => ({ ...place, group, lane: 0 })))
    .sort((a, b) => a.first - b.first || a.group.number - b.group.number)
    .map((place) => {
      const free = ends.findIndex((end) => end < place.first);
      const lane = free === -1 ? ends.length : free;
      ends[lane] = place.last;
      return { ...place, lane };
    });
}

function selectionOf(group: TechniqueGroup): Selection {
  return group.ownId === null
    ? { kind: "technique", technique: group.kind }
    : { kind: "ownTechnique", id: group.ownId };
}

function PlaceMark({ group, first, last, lane, refuted }: Laid) {
  const { geometry, select } = useSheet();
  const selection = useSelection();
  const chosen = same(selection, selectionOf(group));
  const heard = group.ownId !== null;
  const x = geometry.xOfBar(first);
  const width = Math.max(18, (last - first + 1) * geometry.barWidth - 3);
  return (
    <button
      type="button"
      aria-label={`${group.number} ${group.name}, ${bars(first, last)}${refuted ? ", wrong" : ""}`}
      aria-pressed={chosen}
      title={`${group.name}, ${bars(first, last)}`}
      onClick={() => select(selectionOf(group))}
      className={`absolute h-[16px] ${refuted ? "text-conflict line-through" : heard ? "text-heard-text" : "text-measured"} ${chosen ? "bg-wash" : "hover:bg-wash"}`}
      style={{ left: x + 1, width, top: 3 + lane * LANE }}
    >
      <span
        aria-hidden
        className={`absolute top-[7px] right-0 left-0 h-[6px] border-x border-t border-current ${heard ? "border-dashed" : ""} ${refuted ? "border-dotted" : ""}`}
      />
      <NumberMark group={group} className="absolute top-0 left-[5px] bg-sheet" />
    </button>
  );
}

function NumberMark({ group, className = "" }: { group: TechniqueGroup; className?: string }) {
  return (
    <span
      aria-hidden
      className={`grid size-box place-items-center rounded-full border border-current font-mono text-[11px] leading-none ${group.ownId === null ? "" : "border-dashed"} ${className}`}
    >
      {group.number}
    </span>
  );
}

/** What the numbers mean, under the sheet. */
export function TechniqueLegend() {
  const { page, analysis, select } = useSheet();
  const groups = techniqueGroups(analysis, page.readings);
  return (
    <div className="flex max-h-[84px] max-w-[640px] flex-wrap gap-x-6 gap-y-1 overflow-y-auto scroll-quiet">
      {groups.map((group) => (
        <button
          type="button"
          key={group.number}
          onClick={() => select(selectionOf(group))}
          className={`flex items-center gap-1.5 text-left hover:bg-wash ${group.ownId === null ? "text-measured" : "text-heard-text"}`}
        >
          <NumberMark group={group} />
          <span className={group.ownId === null ? "text-ink" : ""}>{group.name}</span>
        </button>
      ))}
    </div>
  );
}
