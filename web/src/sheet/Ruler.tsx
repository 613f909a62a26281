import { memo, useCallback, useRef } from "react";
import { upright } from "../lib/path";
import { usePlayerState, usePlayhead } from "../player/context";
import { inView, useSelection, useSheet } from "./context";
import { beatsNumbered } from "./geometry";
import { same } from "./selection";
import { letterOf } from "./returns";
import { Row } from "./Row";
import { bareLabel, sectionName } from "../lib/sections";

/** Width of a figure, and of "bars" with the space around it: what has no room is not cut but left out, and still read aloud. */
const FIGURE = 9;
const UNITS = 40;
/** From this width on every bar has its number. */
const NUMBERED_BAR = 26;
const HEADS = 44;
const NUMBERS = 15;

/** Section names as running heads, bars and beats by number. It stays in sight wherever one scrolls. */
export const Ruler = memo(function Ruler() {
  const { analysis, geometry, select } = useSheet();
  const selection = useSelection();
  const numbered = geometry.barWidth >= NUMBERED_BAR;
  return (
    <Row
      height={HEADS + (numbered ? NUMBERS : 0)}
      seeks
      loops
      stays
      label={
        <>
          <span className="block h-line text-ink-2">Section</span>
          <span className="block text-ink-2">From bar</span>
          {numbered && (
            <span className="absolute bottom-0 left-4 text-11 text-ink-2">
              {beatsNumbered(geometry, analysis.meter) > 1 ? "Bar and beat" : "Bar"}
            </span>
          )}
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
            className={`absolute top-0 h-[36px] overflow-clip margin-stroke-t pl-1 text-left hover:bg-wash ${chosen ? "border-select" : "border-transparent"}`}
            style={{ left: geometry.xOfBar(section.first_bar) + 1, width: width - 1 }}
          >
            <span
              className={`sticky left-[calc(var(--labels)+4px)] block w-max max-w-full truncate font-serif text-13 leading-box italic ${section.source === "measured" ? "" : "text-heard-text"}`}
            >
              {section.state === "confirmed" && <span className="text-confirmed not-italic">✓ </span>}
              {width > 7 * bareLabel(section).length + 16 && `${bareLabel(section)} `}
              <span className="not-italic text-ink-2">{letterOf(analysis, section)}</span>{" "}
              <span className="sr-only">from bar </span>
            </span>
            <span className="flex justify-between pr-1.5 leading-[16px]">
              <span className="figure sticky left-[calc(var(--labels)+4px)] font-medium">
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
      {numbered && <BarNumbers />}
      <BarTicks />
      <Tip />
    </Row>
  );
});

/** The number of every bar in view, and close to of every beat. */
function BarNumbers() {
  const { analysis, geometry, view } = useSheet();
  const beats = beatsNumbered(geometry, analysis.meter);
  return (
    <div aria-hidden className="pointer-events-none absolute left-0" style={{ top: HEADS - 9 }}>
      {geometry.bars
        .filter((bar) => inView(view, bar.bar))
        .flatMap((bar) =>
          Array.from({ length: beats }, (_, beat) => (
            <span
              key={`${bar.bar}.${beat}`}
              className={`figure absolute pl-1 text-11 whitespace-nowrap ${beat === 0 ? "font-medium text-ink" : "text-ink-2"}`}
              style={{ left: geometry.xOfBar(bar.bar + beat / beats) }}
            >
              {beats === 1 ? bar.bar : `${bar.bar}.${beat + 1}`}
            </span>
          )),
        )}
    </div>
  );
}

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

/** Where playback stands, and the bars that are looped, at the foot of the ruler. */
function Tip() {
  const { page, geometry } = useSheet();
  const { track, loop } = usePlayerState();
  const mark = useRef<HTMLDivElement>(null);
  usePlayhead(
    useCallback(
      (seconds: number) => {
        if (mark.current) mark.current.style.transform = `translateX(${geometry.xOfTime(seconds)}px)`;
      },
      [geometry],
    ),
  );
  if (track?.id !== page.reference.id) return null;
  return (
    <div aria-hidden className="pointer-events-none absolute bottom-0 left-0">
      {loop && (
        <div
          className="absolute bottom-0 h-[3px] bg-ink"
          style={{ left: geometry.xOfBar(loop.first), width: (loop.last - loop.first + 1) * geometry.barWidth }}
        />
      )}
      <div ref={mark} className="absolute bottom-0 w-0">
        <div className="absolute bottom-0 -left-[5px] h-2 w-[10px] bg-select [clip-path:polygon(0_0,100%_0,100%_55%,50%_100%,0_55%)]" />
      </div>
    </div>
  );
}
