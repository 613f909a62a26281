import { memo } from "react";
import type { Analysis } from "../api/types";
import { bars } from "../lib/format";
import { inView, useSelection, useSheet } from "./context";
import { same } from "./selection";
import { Row } from "./Row";
import { StepGrid, unclear } from "./StepGrid";
import { longestPeriod } from "./played";
import { stepsPerBeat } from "./steps";

const LINE = 11;
/** Close to, strokes are tall enough to tell hard from soft. */
const CLOSE_LINE = 22;
const NAME = 24;

/** One line a piece, and the name of the pattern under them; none where no pattern is told. */
export function stepsHeight(analysis: Analysis, close = false): number {
  const rows = analysis.drums[0]?.rows.length ?? 0;
  return rows === 0 ? 0 : rows * (close ? CLOSE_LINE : LINE) + NAME;
}
/** A grid is never drawn wider than this; a long section does not make the bar longer. */
const WIDEST = 132;
/** Where less than this is left the name is told by the pointer alone. */
const NAMED = 40;

/** The usual bar of each section on its step grid, and what such a pattern is called. */
export const StepsRow = memo(function StepsRow() {
  const { analysis, geometry, view, select } = useSheet();
  const selection = useSelection();
  if (analysis.drums.length === 0) return null;
  const line = geometry.close ? CLOSE_LINE : LINE;

  return (
    <Row
      height={stepsHeight(analysis, geometry.close)}
      label={
        <div className="relative h-full">
          <span className="block text-13 font-medium leading-[16px]">Steps</span>
          {analysis.drums[0]?.rows.map(({ piece, layer }, index) => (
            <span
              key={`${piece} ${index}`}
              title={layer}
              className="absolute right-1.5 max-w-[calc(var(--labels)-58px)] truncate text-11 text-ink-2"
              style={{ top: index * line, lineHeight: `${line}px` }}
            >
              {layer || piece}
            </span>
          ))}
        </div>
      }
    >
      {analysis.drums
        .filter((pattern) => inView(view, pattern.first_bar, pattern.first_bar + pattern.bars - 1))
        .map((pattern) => {
          const section = analysis.sections.find((candidate) => candidate.first_bar === pattern.first_bar);
          const room = pattern.bars * geometry.barWidth - 6;
          const name =
            [pattern.names[0], pattern.hat_rate && `hats ${pattern.hat_rate}`].filter(Boolean).join(", ") ||
            (unclear(pattern) ? "not clear" : "");
          return (
            <button
              key={pattern.first_bar}
              type="button"
              aria-pressed={section !== undefined && same(selection, { kind: "section", at: section.start })}
              title={[bars(pattern.first_bar, pattern.first_bar + pattern.bars - 1), name].filter(Boolean).join(": ")}
              onClick={() => section && select({ kind: "section", at: section.start })}
              className="absolute top-0 flex flex-col items-start overflow-hidden text-left hover:bg-wash"
              style={{ left: geometry.xOfBar(pattern.first_bar) + (geometry.close ? 0 : 3), width: room }}
            >
              <StepGrid
                pattern={pattern}
                whole={geometry.close}
                width={geometry.close ? longestPeriod(pattern) * geometry.barWidth : Math.min(room, WIDEST)}
                rowHeight={line}
                perBeat={stepsPerBeat(analysis.meter, pattern.steps)}
              />
              <span className="mt-0.5 w-full truncate font-serif text-12 leading-box italic text-ink-2">
                {room > NAMED && name}
              </span>
            </button>
          );
        })}
    </Row>
  );
});
