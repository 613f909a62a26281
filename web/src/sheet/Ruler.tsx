import { memo } from "react";
import { upright } from "../lib/path";
import { inView, useSelection, useSheet } from "./context";
import { same } from "./selection";
import { letterOf } from "./returns";
import { Row } from "./Row";
import { bareLabel, sectionName } from "../lib/sections";

/** Width of a figure, and of "bars" with the space around it: what has no room is not cut but left out, and still read aloud. */
const FIGURE = 9;
const UNITS = 40;

/** Section names as running heads, and the bars they start from. */
export const Ruler = memo(function Ruler() {
  const { analysis, geometry, select } = useSheet();
  const selection = useSelection();
  return (
    <Row
      height={44}
      seeks
      loops
      label={
        <>
          <span className="block h-line text-ink-2">Section</span>
          <span className="block text-ink-2">From bar</span>
        </>
      }
    >
      {analysis.sections.map((section) => {
        const width = section.bars * geometry.barWidth;
        const chosen = same(selection, { kind: "section", at: section.start });
        return (
          <button
            type="button"
            key={section.first_bar}
            aria-pressed={chosen}
            title={`${sectionName(section)}, ${section.bars} bars${section.usual_bars === null ? "" : ", an unusual length"}`}
            onClick={() => select({ kind: "section", at: section.start })}
            className={`absolute top-0 h-[36px] overflow-hidden margin-stroke-t pl-1 text-left hover:bg-wash ${chosen ? "border-select" : "border-transparent"}`}
            style={{ left: geometry.xOfBar(section.first_bar) + 1, width: width - 1 }}
          >
            <span
              className={`block truncate font-serif text-13 leading-box italic ${section.source === "measured" ? "" : "text-heard-text"}`}
            >
              {section.state === "confirmed" && <span className="text-confirmed not-italic">✓ </span>}
              {width > 7 * bareLabel(section).length + 16 && `${bareLabel(section)} `}
              <span className="not-italic text-ink-2">{letterOf(analysis, section)}</span>{" "}
              <span className="sr-only">from bar </span>
            </span>
            <span className="flex justify-between pr-1.5 leading-[16px]">
              <span className="figure font-medium">
                <span className={width > FIGURE * String(section.first_bar).length ? "" : "sr-only"}>
                  {section.first_bar}
                </span>
                {section.usual_bars !== null && <span className="text-conflict">!</span>}{" "}
              </span>
              {width > UNITS + FIGURE * (String(section.first_bar).length + String(section.bars).length) && (
                <span className="text-11 text-ink-2">{section.bars} bars</span>
              )}
            </span>
          </button>
        );
      })}
      <BarTicks />
    </Row>
  );
});

function BarTicks() {
  const { geometry, view } = useSheet();
  const ticks = geometry.bars.flatMap((bar) => {
    const long = (bar.bar - 1) % 4 === 0;
    if ((geometry.barWidth < 5 && !long) || !inView(view, bar.bar)) return [];
    return [upright(Math.round(geometry.xOfBar(bar.bar)) + 0.5, long ? 0 : 3, 6)];
  });
  return (
    <svg
      aria-hidden
      className="pointer-events-none absolute bottom-0 left-0 overflow-visible"
      width={geometry.width}
      height={6}
    >
      <path d={ticks.join("")} stroke="var(--rule-firm)" />
    </svg>
  );
}
