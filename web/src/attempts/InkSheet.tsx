import { useRef, type ReactNode } from "react";
import type { AttemptComparison, TwoInks } from "../api/types";
import { useSize } from "../lib/useSize";
import { ChordsRow } from "./ChordsRow";
import { APART, Apart, Grid, Heads, Inset, Key, LABELS, Playhead } from "./InkParts";
import { profile, strokes } from "../lib/pen";
import type { Chosen } from "./selection";
import { places, rowOf } from "./words";
import { words } from "../words/words";

/** How thick a stroke of the pen and how high the energy gets, in a low window and in a high one. */
const PEN = { least: 8, most: 15 };
const ENERGY = { least: 38, most: 70 };
/** Height of everything that is not a layer or the energy. */
const OTHER_ROWS = 190;

export interface InkSheetProps {
  sheet: TwoInks;
  comparison: AttemptComparison;
  chosen: Chosen;
  choose: (chosen: Chosen) => void;
  /** Only rows in which something differs. */
  onlyDifferent: boolean;
}

/** Both songs on one sheet: the reference above each hairline, the attempt below it, and what differs in the margin. */
export function InkSheet({ sheet, comparison, chosen, choose, onlyDifferent }: InkSheetProps) {
  const frame = useRef<HTMLDivElement>(null);
  const { width, height } = useSize(frame, { width: 800, height: 400 });
  const barWidth = Math.max(5, (width - LABELS - 16) / Math.max(1, sheet.bars.length));
  const inner = barWidth * sheet.bars.length;
  const marked = chosenBars(chosen, comparison);
  const layers = sheet.layers.filter(({ role }) => !onlyDifferent || differs(comparison, role));
  const { pen, energy } = room(height, layers.length);
  const wrong = (kind: string) => comparison.differences.filter((difference) => difference.kind === kind);
  const row = { barWidth, inner, sheet, marked, onBar: (bar: number) => choose({ kind: "bar", bar }) };
  return (
    <div
      ref={frame}
      data-testid="two-inks"
      tabIndex={0}
      role="region"
      aria-label="Two inks"
      className="relative min-h-0 grow overflow-auto scroll-quiet bg-sheet px-4 pt-2"
    >
      <div className="relative" style={{ width: LABELS + inner }}>
        <Row {...row} name="Section" note="reference bar" height={34}>
          <Heads sheet={sheet} barWidth={barWidth} />
        </Row>
        <Row {...row} name={words.difference} note="all measures" height={APART + 12}>
          {comparison.bars.map(({ bar, attempt, apart }) => (
            <Apart key={bar} bar={bar} missing={attempt === null} apart={apart} barWidth={barWidth} />
          ))}
          <Inset sheet={sheet} barWidth={barWidth} />
        </Row>
        {!onlyDifferent && (
          <Row {...row} name="Energy" note="each against its loud bars" height={2 * energy + 12} hairline={energy + 4}>
            <path
              d={profile(sheet.energy.reference, barWidth, energy + 4, -1, energy)}
              fill="var(--ink-d2)"
              stroke="var(--measured)"
            />
            <path
              d={profile(sheet.energy.attempt, barWidth, energy + 4, 1, energy)}
              fill="var(--mine-d2)"
              stroke="var(--mine)"
            />
          </Row>
        )}
        {(!onlyDifferent || wrong("chord").length > 0) && (
          <Row {...row} name="Chords" note={chordNote(comparison)} height={44} hairline={21}>
            <ChordsRow sheet={sheet} barWidth={barWidth} differences={wrong("chord")} />
          </Row>
        )}
        {layers.map((layer) => (
          <Row
            key={layer.role}
            {...row}
            name={layer.role}
            height={2 * pen + 18 + (differs(comparison, layer.role) ? 12 : 0)}
            hairline={pen + 4}
          >
            {strokes(layer.reference, barWidth, pen + 4, -1, pen).map(({ first, d }) => (
              <path key={`r${first}`} d={d} fill="var(--measured)" />
            ))}
            {strokes(layer.attempt, barWidth, pen + 4, 1, pen).map(({ first, d }) => (
              <path key={`a${first}`} d={d} fill="var(--mine)" />
            ))}
            {comparison.differences.flatMap((difference, index) =>
              rowOf(difference) === layer.role
                ? difference.bars.map(([first, last]) => (
                    <g key={`${index} ${first}`}>
                      <path
                        d={`M${(first - 1) * barWidth + 1} ${2 * pen + 8}H${last * barWidth - 1}`}
                        stroke="var(--conflict)"
                        opacity={difference.doubtful ? 0.5 : 1}
                        strokeWidth={difference.kind === "layer_missing" ? 1.5 : 2}
                        strokeDasharray={difference.kind === "layer_missing" ? "5 3" : undefined}
                      />
                      <text
                        x={Math.min((first - 1) * barWidth + 2, inner - 150)}
                        y={2 * pen + 20}
                        className="font-serif italic"
                        fontSize="12"
                        fill="var(--conflict)"
                      >
                        {`${difference.doubtful ? "perhaps " : ""}${SHORT[difference.kind] ?? difference.kind} in ${places([[first, last]])}`}
                      </text>
                    </g>
                  ))
                : [],
            )}
          </Row>
        ))}
        <Grid sheet={sheet} barWidth={barWidth} marked={marked} />
        <Playhead sheet={sheet} barWidth={barWidth} />
      </div>
      <Key />
    </div>
  );
}

/** Rows grow into room that would stay empty. */
function room(height: number, layers: number): { pen: number; energy: number } {
  const spare = height - OTHER_ROWS - 2 * ENERGY.least - layers * (2 * PEN.least + 22);
  const grown = (size: { least: number; most: number }, by: number) =>
    Math.round(Math.max(size.least, Math.min(size.most, size.least + by)));
  return { pen: grown(PEN, spare / (4 * Math.max(1, layers))), energy: grown(ENERGY, spare / 8) };
}

const SHORT: Record<string, string> = {
  layer_missing: "missing",
  layer_extra: "not in the reference",
  pattern: "other strokes",
  bass_octave: "another octave",
};

function differs(comparison: AttemptComparison, role: string): boolean {
  return comparison.differences.some((difference) => rowOf(difference) === role);
}

function chordNote({ alignment: { semitones } }: AttemptComparison): string {
  return semitones === 0 ? "" : "yours in its key";
}

/** The bars that are looked at. */
function chosenBars(chosen: Chosen, comparison: AttemptComparison): [number, number][] {
  if (chosen?.kind === "bar") return [[chosen.bar, chosen.bar]];
  if (chosen?.kind === "difference") return comparison.differences[chosen.index]?.bars ?? [];
  return [];
}

interface RowProps {
  name: string;
  note?: string;
  height: number;
  hairline?: number;
  inner: number;
  barWidth: number;
  onBar: (bar: number) => void;
  children: ReactNode;
}

function Row({ name, note, height, hairline, inner, barWidth, onBar, children }: RowProps) {
  return (
    <div className="flex" style={{ height }}>
      <div className="shrink-0 pt-0.5" style={{ width: LABELS }}>
        <span className="block truncate text-13 leading-tight font-medium">{name}</span>
        {note && <span className="block text-11 leading-tight text-ink-3">{note}</span>}
      </div>
      <svg
        role="img"
        aria-label={name}
        width={inner}
        height={height}
        className="overflow-visible"
        onClick={(event) => {
          const { left } = event.currentTarget.getBoundingClientRect();
          onBar(Math.max(1, Math.ceil((event.clientX - left) / barWidth)));
        }}
      >
        {hairline !== undefined && <path d={`M0 ${hairline}H${inner}`} stroke="var(--rule-firm)" strokeWidth="0.8" />}
        {children}
      </svg>
    </div>
  );
}
