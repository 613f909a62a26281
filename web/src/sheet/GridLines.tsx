import { memo } from "react";
import { BEATS } from "../api/contract";
import { joined, upright } from "../lib/path";
import { inView, useSheet } from "./context";

/** Lines reach below any sheet; the drawing is cut at its foot. */
const DEEP = 2000;

/** The bar grid behind all rows: faint every four bars, plain every eight, firm where a section begins; beats when close. */
export const GridLines = memo(function GridLines() {
  const { analysis, geometry, view } = useSheet();
  const count = analysis.bars.length;
  const firm = new Set([...analysis.sections.map((section) => section.first_bar), count + 1]);
  const beats = geometry.barWidth >= 90 ? (BEATS[analysis.meter] ?? 4) : 1;
  const lines = Array.from({ length: count * beats + 1 }, (_, index) => 1 + index / beats);
  const colourOf = (place: number) => lineColour(place, firm, geometry.barWidth);
  return (
    <svg
      aria-hidden
      className="pointer-events-none absolute top-5 left-labels h-[calc(100%-20px)] overflow-hidden"
      width={geometry.width + 1}
    >
      {joined(
        lines.filter((place) => inView(view, place)),
        colourOf,
        (place) => {
          const x = Math.round(geometry.xOfBar(place)) + 0.5;
          return upright(x, firm.has(place) ? 0 : 24, DEEP);
        },
      ).map(([colour, path]) => (
        <path key={colour} d={path} stroke={colour} />
      ))}
    </svg>
  );
});

function lineColour(place: number, firm: Set<number>, barWidth: number): string | null {
  if (firm.has(place)) return "var(--rule-firm)";
  if ((place - 1) % 8 === 0) return "var(--rule)";
  if ((place - 1) % 4 === 0 || barWidth >= 30) return "var(--rule-faint)";
  return null;
}
