import type { Chord } from "../../api/types";
import { Button } from "../../components/Button";
import { Confidence } from "../../components/Ink";
import { plural, signs, percent } from "../../lib/format";
import { BEATS } from "../../api/contract";
import { usePlayer } from "../../player/context";
import { piled } from "../../player/tones";
import { useSheet } from "../context";
import { indexAt } from "../selection";
import { ChordShape } from "./ChordShape";
import { ChordSymbolForm } from "./ChordSymbolForm";
import { beatWords, functionWords } from "./chordWords";
import { ReckonWith } from "../../reckoner/ReckonWith";
import { Columns } from "../card/Columns";
import { Decide } from "../card/Decide";
import { CardHead } from "../card/CardHead";
import { Part } from "../card/Part";
import { Facts } from "../card/Facts";
import { Listen } from "../card/Listen";
import { words } from "../../words/words";

export function ChordCard({ at }: { at: number }) {
  const { page, analysis, edits } = useSheet();
  const index = indexAt(analysis.chords, at);
  const chord = analysis.chords[index];
  if (!chord) return null;

  const heard = chord.source !== "measured";
  const place = { bar: chord.bar, beat: chord.beat };
  return (
    <>
      <CardHead
        caption={
          <>
            Chord · bar {chord.bar}, beat {beatWords(chord.beat)} ·{" "}
            <span className={heard ? "text-heard-text" : "text-measured"}>{chord.source}</span>, {chord.state}
          </>
        }
        value={chord.symbol}
        why={chord.note || why(chord)}
        heard={heard}
      />
      {!heard && (
        <p className="mt-2">
          <Confidence value={chord.confidence} />
        </p>
      )}
      <ChordSymbolForm key={`${chord.start}-${chord.symbol}`} chord={chord} />
      <Notes chord={chord} />
      <Around index={index} />
      <Rivals chord={chord} onTake={(symbol) => void edits.post("chords", { action: "name", ...place, symbol })} />
      <ChordShape key={chord.start} chord={chord} />
      <ReckonWith
        studyId={page.reference.study_id}
        referenceId={page.reference.id}
        sentence="chord_notes"
        written={{ chord: chord.symbol }}
      />
      <Listen run={runOf(chord, analysis.bars.length, BEATS[analysis.meter] ?? 4)} />
      <Decide
        state={chord.state}
        onMark={(state) => void edits.post("chords", { action: "decide", ...place, state })}
        onRival={() => {
          const rival = chord.rivals[0];
          if (rival) void edits.post("chords", { action: "name", ...place, symbol: rival.symbol });
        }}
        {...(heard ? { onClear: () => void edits.post("chords", { action: "clear", ...place }) } : {})}
      />
    </>
  );
}

/** The notes, how they sound from the built-in synthesiser, and what they are also called. */
function Notes({ chord }: { chord: Chord }) {
  const { analysis } = useSheet();
  const player = usePlayer();
  const { notes, aside } = voiced(chord);
  const sound = (together: boolean) => player.sound(piled(notes), together, analysis.tuning.a4);
  return (
    <Part title="Notes" aside={aside}>
      <p className="text-13">{notes.map(signs).join("  ") || "none"}</p>
      {chord.names.length > 0 && (
        <p className="mt-1 text-ink-2">
          The same notes: <span className="text-ink">{chord.names.join(", or ")}</span>
        </p>
      )}
      <Facts
        facts={[
          ["Degree", chord.degree ?? "none"],
          ["Does", chord.function ? functionWords(chord.function, chord.function_of) : "nothing"],
          ["Lasts", `${beatWords(chord.beats)} beats`],
          ["Sounds", plural(analysis.chords.filter((other) => other.symbol === chord.symbol).length, "time")],
        ]}
      />
      {notes.length > 0 && (
        <div className="mt-2 flex gap-2">
          <Button onClick={() => sound(true)}>Sound the chord</Button>
          <Button onClick={() => sound(false)}>note by note</Button>
        </div>
      )}
    </Part>
  );
}

/** As a person voiced it, or else as a MIDI file has it, or else its notes from the root. */
function voiced({ voicing, written = [], notes }: Chord): { notes: string[]; aside: string } {
  if (voicing.length > 0) return { notes: voicing, aside: "as voiced" };
  return written.length > 0 ? { notes: written, aside: "as in the MIDI file" } : { notes, aside: "root first" };
}

/** Chords before and after that are drawn beside this one. */
const REACH = 6;

/** How sure the engine is of this chord and its neighbours. */
function Around({ index }: { index: number }) {
  const { analysis } = useSheet();
  const first = Math.max(0, index - REACH);
  const near = analysis.chords.slice(first, index + REACH + 1);
  return (
    <Part title="How sure, here and around" aside="0 to 1 by chord">
      <Columns
        values={near.map((chord) => (chord.source === "measured" ? chord.confidence : 0))}
        names={near.map((chord, place) => (first + place === index ? "here" : String(chord.bar)))}
        unit="sure"
        label="Confidence of the chords around"
        every={3}
        decimals={2}
      />
    </Part>
  );
}

function Rivals({ chord, onTake }: { chord: Chord; onTake: (symbol: string) => void }) {
  if (chord.rivals.length === 0) return null;
  return (
    <Part title={words.alternatives} aside={words.likelihood}>
      <ul>
        {chord.rivals.map((rival) => (
          <li key={rival.symbol} className="flex items-baseline justify-between py-0.5">
            <button
              type="button"
              title={`Take ${rival.symbol} instead`}
              onClick={() => onTake(rival.symbol)}
              className="underline decoration-firm underline-offset-2 hover:bg-wash"
            >
              {rival.symbol}
            </button>
            <span className="figure">{percent(rival.odds)}</span>
          </li>
        ))}
      </ul>
    </Part>
  );
}

function runOf(chord: Chord, bars: number, beats: number) {
  const last = chord.bar + Math.max(0, Math.ceil((chord.beat - 1 + chord.beats) / beats) - 1);
  return { first: Math.max(1, chord.bar), last: Math.max(1, Math.min(bars, last)) };
}

function why(chord: Chord): string {
  if (chord.degree === null) return "Nothing that is a chord sounds clearly enough here.";
  if (chord.function === "diatonic" || chord.function === null) return `The ${chord.degree} of the key.`;
  return `The ${chord.degree}: ${functionWords(chord.function, chord.function_of)}.`;
}
