import { BEATS } from "../lib/keys";
import { useSheet } from "./context";

/** The bar grid behind all rows: faint every four bars, plain every eight, firm where a section begins; beats when close. */
export function GridLines() {
  const { analysis, geometry } = useSheet();
  const count = analysis.bars.length;
  const firm = new Set([...analysis.sections.map((section) => section.first_bar), count + 1]);
  const beats = geometry.barWidth >= 90 ? (BEATS[analysis.meter] ?? 4) : 1;
  const lines = Array.from({ length: count * beats + 1 }, (_, index) => 1 + index / beats);
  return (
    <svg
      aria-hidden
      className="pointer-events-none absolute top-5 left-[108px] h-[calc(100%-20px)] overflow-visible"
      width={geometry.width}
    >
      {lines.map((place) => {
        const colour = lineColour(place, firm, geometry.barWidth);
        const x = Math.round(geometry.xOfBar(place)) + 0.5;
        return colour && <line key={place} x1={x} x2={x} y1={firm.has(place) ? 0 : 24} y2="100%" stroke={colour} />;
      })}
    </svg>
  );
}

function lineColour(place: number, firm: Set<number>, barWidth: number): string | null {
  if (firm.has(place)) return "var(--rule-firm)";
  if ((place - 1) % 8 === 0) return "var(--rule)";
  if ((place - 1) % 4 === 0 || barWidth >= 30) return "var(--rule-faint)";
  return null;
}
