import { useCallback, useRef, type CSSProperties } from "react";
import type { TwoInks } from "../api/types";
import { usePlayhead, usePlayerState } from "../player/context";

/** Width of the names of the rows, and height of the strokes in the margin row. */
export const LABELS = 108;
export const APART = 34;
/** So many tolerances are as high as a margin stroke gets. */
const WORST = 8;

export function Heads({ sheet, barWidth }: { sheet: TwoInks; barWidth: number }) {
  return sheet.sections.map((section) => {
    const x = (section.first_bar - 1) * barWidth;
    const room = section.bars * barWidth;
    return (
      <g key={section.first_bar}>
        <text x={x + 4} y={12} className="font-serif italic" fontSize="13" fill="var(--ink)">
          {room > 7 * section.label.length ? section.label : section.letter}
        </text>
        <text x={x + 4} y={28} className="font-mono" fontSize="12" fill="var(--ink)">
          {section.first_bar}
        </text>
        {room > 84 && (
          <text x={x + room - 5} y={28} textAnchor="end" fontSize="11" fill="var(--ink-3)">
            {`${section.bars} bars`}
          </text>
        )}
      </g>
    );
  });
}

/** How far apart a bar is: higher and heavier where it is more; a bar that is cut is a gap with a cross. */
export function Apart({
  bar,
  missing,
  apart,
  barWidth,
}: {
  bar: number;
  missing: boolean;
  apart: number;
  barWidth: number;
}) {
  const x = (bar - 0.5) * barWidth;
  if (missing) return <path d={`M${x - 3} ${APART - 4}l6 6m0 -6l-6 6`} stroke="var(--conflict)" strokeWidth="1.5" />;
  if (apart === 0)
    return (
      <path d={`M${x - barWidth * 0.3} ${APART + 4}h${barWidth * 0.6}`} stroke="var(--rule-firm)" strokeWidth="0.8" />
    );
  const share = Math.min(1, apart / WORST);
  return (
    <path
      d={`M${x} ${APART + 4}v${-(6 + share * (APART - 6))}`}
      stroke="var(--conflict)"
      strokeWidth={1.5 + share * 3}
      strokeLinecap="round"
    />
  );
}

/** Bars that only the attempt has, as an inset between two of the reference. */
export function Inset({ sheet, barWidth }: { sheet: TwoInks; barWidth: number }) {
  return sheet.inserted.map(({ first, last, behind }) => (
    <g key={first}>
      <path d={`M${behind * barWidth} 4l-4 -4h8z`} fill="var(--mine)" />
      <text x={behind * barWidth + 6} y={9} fontSize="11" fill="var(--mine)">
        {`+${last - first + 1}`}
      </text>
    </g>
  ));
}

export function Grid({ sheet, barWidth, marked }: { sheet: TwoInks; barWidth: number; marked: [number, number][] }) {
  const at = (bar: number): CSSProperties => ({ left: LABELS + (bar - 1) * barWidth });
  return (
    <div aria-hidden className="pointer-events-none absolute inset-0">
      {sheet.bars
        .filter(({ bar }) => bar % 4 === 1)
        .map(({ bar }) => (
          <span key={bar} className="absolute inset-y-0 w-px bg-faint" style={at(bar)} />
        ))}
      {sheet.sections.map(({ first_bar: bar }) => (
        <span key={bar} className="absolute inset-y-0 w-px bg-firm" style={at(bar)} />
      ))}
      {marked.map(([first, last]) => (
        <span
          key={first}
          className="absolute inset-y-0 bg-wash"
          style={{ ...at(first), width: (last - first + 1) * barWidth }}
        />
      ))}
    </div>
  );
}

export function Playhead({ sheet, barWidth }: { sheet: TwoInks; barWidth: number }) {
  const { track, playing } = usePlayerState();
  const line = useRef<HTMLSpanElement>(null);
  const move = useCallback(
    (seconds: number) => {
      const bar = sheet.bars.find((candidate) => seconds < candidate.end);
      if (!bar || !line.current) return;
      const share = Math.max(0, (seconds - bar.start) / (bar.end - bar.start));
      line.current.style.left = `${LABELS + (bar.bar - 1 + share) * barWidth}px`;
    },
    [sheet, barWidth],
  );
  usePlayhead(move);
  if (!track) return null;
  return (
    <span
      ref={line}
      aria-hidden
      data-testid="playhead"
      data-playing={playing}
      className="pointer-events-none absolute inset-y-0 w-[1.5px] bg-select"
      style={{ left: LABELS }}
    />
  );
}

export function Key() {
  return (
    <p className="flex items-center gap-6 py-3 text-12 text-ink-2">
      <span className="flex items-center gap-2">
        <svg aria-hidden width="34" height="10">
          <path d="M0 9L6 1H28L34 9Z" fill="var(--measured)" />
        </svg>
        reference, above the line
      </span>
      <span className="flex items-center gap-2">
        <svg aria-hidden width="34" height="10">
          <path d="M0 1L6 9H28L34 1Z" fill="var(--mine)" />
        </svg>
        yours, below it
      </span>
      <span className="flex items-center gap-2">
        <span aria-hidden className="inline-block h-3.5 w-[4px] rounded-full bg-conflict" />
        differs beyond the tolerance
      </span>
    </p>
  );
}
