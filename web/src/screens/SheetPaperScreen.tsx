import { useQuery } from "@tanstack/react-query";
import { useMemo } from "react";
import { referenceQuery } from "../api/queries";
import { ASPECTS } from "../api/contract";
import type { Analysis, ReferencePage } from "../api/types";
import { PageHead } from "../components/PageHead";
import { Paper } from "../components/Paper";
import { bars, clock } from "../lib/format";
import { ChangesRow } from "../sheet/ChangesRow";
import { ChordRows } from "../sheet/ChordRows";
import { currentReading, SelectionContext, SheetContext } from "../sheet/context";
import { headline } from "../sheet/drawer/headline";
import { EnergyRow } from "../sheet/EnergyRow";
import { geometryOf } from "../sheet/geometry";
import { GridLines } from "../sheet/GridLines";
import { KeyRow } from "../sheet/KeyRow";
import { LayerRows } from "../sheet/LayerRows";
import { MarksRow } from "../sheet/MarksRow";
import { Ruler } from "../sheet/Ruler";
import { StepsRow } from "../sheet/StepsRow";
import { TechniqueRows } from "../sheet/TechniqueRows";
import { techniqueGroups } from "../sheet/techniques";
import { TempoRow } from "../sheet/TempoRow";
import { useEdits } from "../sheet/useEdits";
import { useReferenceId, useStudyId } from "./params";

/** Across a page of paper that lies on its side. */
const WIDTH = 820;
/** Bars in a system, so that each has room. */
const SYSTEM = 48;

/** The sheet itself on paper, by day, without what can only be clicked. */
export function SheetPaperScreen() {
  const studyId = useStudyId();
  const id = useReferenceId();
  const { data: page } = useQuery(referenceQuery(id));
  if (!page?.analysis) return <PageHead title="On paper" />;
  return (
    <Paper
      title={page.reference.title}
      back={{ path: `/studies/${studyId}/references/${id}`, name: "Back to the sheet" }}
    >
      <Body page={page} analysis={page.analysis} />
    </Paper>
  );
}

function Body({ page, analysis }: { page: ReferencePage; analysis: Analysis }) {
  const ratio = page.frame?.ratio ?? 1;
  const groups = techniqueGroups(analysis, page.readings);
  return (
    <>
      <p className="mb-2 text-ink-2">
        {[
          page.reference.artist,
          `${analysis.bars.length} bars`,
          clock(analysis.duration / ratio, 1),
          page.frame && "shown as mine",
        ]
          .filter(Boolean)
          .join(", ")}
      </p>
      <dl className="mb-4 grid grid-cols-[90px_1fr_90px_1fr] gap-x-4 max-small:grid-cols-[90px_1fr] gap-y-0.5 border-y border-rule py-2">
        {ASPECTS.map((aspect) => {
          const reading = currentReading(page, aspect);
          return (
            reading && (
              <div key={aspect} className="contents">
                <dt className="text-ink-2 capitalize">{aspect}</dt>
                <dd className="font-serif text-15">{headline(reading)}</dd>
              </div>
            )
          );
        })}
      </dl>
      <Drawn page={page} analysis={analysis} />
      <ol className="mt-3 columns-2 gap-8 text-12">
        {groups.map((group) => (
          <li key={group.number} className="flex gap-2">
            <span className="figure">{group.number}</span>
            <span>
              {group.name}, {group.places.map(({ first, last }) => bars(first, last)).join("; ")}
            </span>
          </li>
        ))}
        {analysis.marks.map((mark) => (
          <li key={mark.reading_id} className="flex gap-2 font-serif italic">
            <span className="figure not-italic">{bars(mark.first_bar, mark.last_bar)}</span>
            <span>{`${mark.type}: ${mark.text}`}</span>
          </li>
        ))}
      </ol>
      <p className="mt-4 border-t border-rule pt-2 text-11 text-ink-2">
        Remaking or sampling a recording touches other people's rights; the law differs by place. Before a release, ask
        a licensed professional.
      </p>
    </>
  );
}

/** The whole song across the page; a long one in systems below each other. */
function Drawn({ page, analysis }: { page: ReferencePage; analysis: Analysis }) {
  const edits = useEdits(page);
  const systems = Math.ceil(analysis.bars.length / SYSTEM);
  const state = useMemo(() => {
    const geometry = geometryOf(
      analysis,
      { width: (WIDTH - 108) * systems, height: 700, rows: analysis.layers.length },
      "song",
    );
    const view = { first: 1, last: analysis.bars.length };
    return {
      page,
      analysis,
      geometry,
      view,
      select: () => undefined,
      brush: 3 as const,
      setBrush: () => undefined,
      edits,
      editing: 0,
    };
  }, [page, analysis, edits, systems]);
  return (
    <SheetContext value={state}>
      <SelectionContext value={null}>
        {Array.from({ length: systems }, (_, system) => (
          <System key={system} system={system} of={systems} width={state.geometry.width} />
        ))}
      </SelectionContext>
    </SheetContext>
  );
}

/** A window on the drawn sheet; names of rows stand before each. */
function System({ system, of, width }: { system: number; of: number; width: number }) {
  const shown = Math.ceil(width / of);
  return (
    <div
      inert
      className="relative mb-4 break-inside-avoid overflow-hidden border-b border-rule [--labels:108px] [--spacing-labels:108px]"
      style={{ width: shown + 108 }}
    >
      <div className="relative w-max paper-system" style={{ marginLeft: -system * shown }} data-system={system}>
        <GridLines />
        <Ruler />
        <EnergyRow />
        <TempoRow />
        <KeyRow />
        <ChordRows />
        <LayerRows />
        <StepsRow />
        <ChangesRow />
        <MarksRow />
        <TechniqueRows />
      </div>
    </div>
  );
}
