import { memo, useMemo } from "react";
import { confidenceStep } from "../lib/ink";
import { figure } from "../lib/format";
import { joined, upright } from "../lib/path";
import type { Chord } from "../api/types";
import { layoutChords, nameWidth, type Bracket, type ChordMark, type LoopRow } from "./chordLayout";
import { inView, useSelection, useSheet } from "./context";
import { same } from "./selection";
import { Row } from "./Row";

/** The loops under their brackets, chords with their degrees, and a tick for every change. */
export const ChordRows = memo(function ChordRows() {
  const { analysis, geometry, view, select } = useSheet();
  const pick = (seconds: number) => {
    const chord = analysis.chords.findLast((candidate) => candidate.start <= seconds);
    if (chord) select({ kind: "chord", at: chord.start });
  };
  const { brackets, marks: all } = useMemo(() => layoutChords(analysis, geometry), [analysis, geometry]);
  const marks = all.filter(({ chord }) => inView(view, chord.bar, chord.bar + chord.beats));
  return (
    <Row
      height={92}
      onPick={pick}
      label={
        <div className="pt-5">
          <span className="block h-[17px] text-13 font-medium">Chords</span>
          <span className="block h-[17px] text-11 text-ink-3">degrees</span>
          <span className="block text-11 text-ink-3">changes</span>
        </div>
      }
    >
      <NoChords />
      {brackets.map((bracket) => (
        <LoopBracket key={bracket.x} bracket={bracket} />
      ))}
      {marks
        .filter((mark) => mark.label !== null)
        .map((mark) => (
          <ChordName key={mark.index} mark={mark} />
        ))}
      <Chosen marks={all} />
      <ChangeTicks marks={marks} />
      <BorrowedRemarks marks={all} />
    </Row>
  );
});

/** So much of a song without a chord is a song without chords. */
const EMPTY = 0.9;
/** From so many cents on the sound lies between the keys. */
const BETWEEN = 25;

/** Why the row is empty, and what to do about it. */
function NoChords() {
  const { analysis } = useSheet();
  const silent = analysis.chords.filter((chord) => chord.degree === null && chord.source === "measured");
  const share = silent.reduce((sum, chord) => sum + chord.end - chord.start, 0) / Math.max(1, analysis.duration);
  if (share < EMPTY) return null;
  const cents = Math.round(analysis.tuning.cents);
  const off = `the sound is ${Math.abs(cents)} cents ${cents > 0 ? "sharp" : "flat"}: tune to A4 = ${figure(analysis.tuning.a4, 1)} Hz`;
  const advice = "type chords here by hand (click a bar), or add stems or a MIDI file.";
  return (
    <p className="sticky left-[calc(var(--labels)+8px)] w-max pt-7 font-serif text-13 italic text-ink-2">
      {Math.abs(cents) >= BETWEEN
        ? `No chords are clear here; ${off}, then ${advice}`
        : `No chords are clear here: ${advice}`}
    </p>
  );
}

function LoopBracket({ bracket }: { bracket: Bracket }) {
  return (
    <>
      {bracket.name !== null && (
        <span
          className="absolute top-0 left-0 pl-1 font-serif text-13 leading-4 whitespace-nowrap italic text-measured"
          style={{ transform: `translateX(${bracket.x}px)` }}
        >
          {bracket.name}
          {bracket.counted && <span className="figure ml-2 not-italic">×{bracket.times}</span>}
        </span>
      )}
      <span
        aria-hidden
        className={`absolute top-[17px] h-[5px] border-x border-t border-measured ${bracket.firm ? "border-t-2" : ""}`}
        style={{ left: bracket.x + 1, width: bracket.width - 3 }}
      />
      {bracket.row !== null && <InARow row={bracket.row} x={bracket.x} bar={bracket.bar} />}
      {bracket.asBar !== null && (
        <span className="absolute top-[26px] pl-1 text-11 whitespace-nowrap text-ink-3" style={{ left: bracket.x }}>
          as bar <span className="figure">{bracket.asBar}</span>
        </span>
      )}
    </>
  );
}

/** The chords of a loop beside each other, each of which leads to the one of its first pass. */
function InARow({ row, x, bar }: { row: LoopRow; x: number; bar: number }) {
  const { analysis, select } = useSheet();
  const selection = useSelection();
  const first = analysis.chords.find((chord) => chord.bar >= bar);
  return (
    <span className="absolute top-[24px] flex h-[34px]" style={{ left: x + 1 }}>
      {row.cells.map(({ symbol, degree, width, chord }, index) => {
        const led = chord ?? first;
        const chosen = chord !== null && same(selection, { kind: "chord", at: chord.start });
        return (
          <button
            key={index}
            type="button"
            aria-pressed={chosen}
            aria-label={chord ? spoken(chord) : `${symbol}, ${degree}, in the loop from bar ${bar}`}
            onClick={() => led && select({ kind: "chord", at: led.start })}
            className={`overflow-hidden pl-[3px] text-left leading-[16px] whitespace-nowrap hover:bg-wash ${chosen ? "bg-wash shadow-[inset_0_2px_0_var(--select)]" : ""}`}
            style={{ width }}
          >
            {chord ? <ChordSymbol chord={chord} /> : <span className="block font-medium text-measured">{symbol}</span>}
            <span className="text-11 text-ink-2">{degree}</span>
          </button>
        );
      })}
      {row.cut && <span className="font-medium text-measured">…</span>}
    </span>
  );
}

/** In the ink of what said it, with what a person found of it. */
function ChordSymbol({ chord }: { chord: Chord }) {
  return (
    <span
      className={`block font-medium ${chord.source === "measured" ? "text-measured" : "text-heard-text"} ${chord.state === "refuted" ? "line-through decoration-conflict" : ""}`}
    >
      {chord.symbol}
      {chord.state === "confirmed" && <span className="text-11 text-confirmed">✓</span>}{" "}
    </span>
  );
}

function spoken(chord: Chord): string {
  const source = chord.source === "measured" ? "" : `, ${chord.source}`;
  const borrowed = chord.borrowed_from ? `, borrowed: ${chord.borrowed_from}` : "";
  return `${chord.symbol}, ${chord.degree ?? ""}, bar ${chord.bar}${source}${borrowed}`;
}

function ChordName({ mark }: { mark: ChordMark }) {
  const { select } = useSheet();
  const selection = useSelection();
  const { chord } = mark;
  const chosen = same(selection, { kind: "chord", at: chord.start });
  return (
    <button
      type="button"
      aria-pressed={chosen}
      aria-label={spoken(chord)}
      onClick={() => select({ kind: "chord", at: chord.start })}
      className={`absolute top-[24px] h-[34px] overflow-hidden pl-[3px] text-left leading-[16px] whitespace-nowrap hover:bg-wash ${chosen ? "bg-wash shadow-[inset_0_2px_0_var(--select)]" : ""}`}
      style={{ left: mark.x + 1, width: Math.max(mark.label ?? 0, mark.width) - 1 }}
    >
      <ChordSymbol chord={chord} />
      {(mark.label ?? 0) < nameWidth(chord.symbol, chord.degree ?? "") ? (
        // It holds the chord on the line of the others.
        <span className="text-11">&nbsp;</span>
      ) : (
        <span className={`text-11 text-ink-2 ${chord.borrowed_from ? "border-b border-dashed border-ink-2" : ""}`}>
          {chord.degree}
        </span>
      )}
    </button>
  );
}

/** Where the selected chord lies, also when there is no room for its name. */
function Chosen({ marks }: { marks: ChordMark[] }) {
  const selection = useSelection();
  const mark = marks.find(({ chord }) => same(selection, { kind: "chord", at: chord.start }));
  if (!mark) return null;
  return (
    <span
      aria-hidden
      className="absolute top-[58px] h-[14px] border-t-2 border-select bg-wash"
      style={{ left: mark.x + 1, width: Math.max(4, mark.width - 1) }}
    />
  );
}

function ChangeTicks({ marks }: { marks: ChordMark[] }) {
  const { geometry } = useSheet();
  return (
    <svg aria-hidden className="absolute top-[60px] left-0 overflow-visible" width={geometry.width} height={12}>
      <line x1="0" x2={geometry.width} y1="11.5" y2="11.5" stroke="var(--rule)" />
      {joined(
        marks.filter((mark) => mark.chord.degree !== null),
        ({ chord }) =>
          chord.source === "measured" ? `var(--ink-d${confidenceStep(chord.confidence)})` : "var(--heard)",
        (mark) => upright(mark.x + 1, mark.chord.beat === 1 ? 1 : 5, 11),
      ).map(([colour, path]) => (
        <path key={colour} d={path} strokeWidth="1.6" stroke={colour} />
      ))}
    </svg>
  );
}

/** Where chords from outside the key come from, once for each source, under the first of them. */
function BorrowedRemarks({ marks }: { marks: ChordMark[] }) {
  const { geometry } = useSheet();
  const firsts = new Map<string, ChordMark>();
  for (const mark of marks) {
    const source = mark.chord.borrowed_from;
    if (source && !firsts.has(source)) firsts.set(source, mark);
  }
  let free = 0;
  const remarks = [...firsts].flatMap(([source, mark]) => {
    const text = remark(source, mark);
    const x = Math.min(mark.x, geometry.width - text.length * 5.9);
    if (x < free) return [];
    free = x + text.length * 5.9 + 8;
    return [{ text, x }];
  });
  return remarks.map(({ text, x }) => (
    <span
      key={text}
      className="absolute top-[74px] font-serif text-12 whitespace-nowrap italic text-ink-2"
      style={{ left: x }}
    >
      {text}
    </span>
  ));
}

function remark(source: string, { chord }: ChordMark): string {
  if (source === "outside") return `${chord.degree} from outside any scale on this tonic`;
  if (source.startsWith("V of")) return `${chord.degree} is ${source}`;
  return `${chord.degree} borrowed from ${source.replace(/b(?= )/, "♭").replace("#", "♯")}`;
}
