import { useQuery } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { useCommands } from "../../app/commands";
import { chordQuery, type ChordReading } from "../../api/queries";
import type { Chord } from "../../api/types";
import { Button } from "../../components/Button";
import { Confidence } from "../../components/Ink";
import { SmallField } from "../../components/SmallField";
import { BEATS } from "../../lib/keys";
import { figure, plural, signs } from "../../lib/format";
import { usePlayer } from "../../player/context";
import { piled } from "../../player/tones";
import { useSheet } from "../context";
import { useOpenOnEdit } from "../useOpenOnEdit";
import { Columns } from "./Columns";
import { CardHead, Part } from "./Drawer";
import { Decide } from "./Decide";
import { Facts } from "./Evidence";
import { Listen } from "./Listen";

export function ChordCard({ index }: { index: number }) {
  const { analysis, edits } = useSheet();
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
      <SymbolForm key={`${chord.start}-${chord.symbol}`} chord={chord} />
      <Notes chord={chord} />
      <Around index={index} />
      <Rivals chord={chord} onTake={(symbol) => void edits.post("chords", { action: "name", ...place, symbol })} />
      <Shape key={chord.start} chord={chord} />
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

/** A symbol as musicians write it; what it says is shown while it is typed. */
function SymbolForm({ chord }: { chord: Chord }) {
  const { page, edits } = useSheet();
  const [text, setText] = useState("");
  const [voicing, setVoicing] = useState(chord.voicing.join(" "));
  const [note, setNote] = useState("");
  const field = useOpenOnEdit();
  const { data } = useQuery(chordQuery(page.reference.id, text, chord.bar));
  const problem = text === "" ? null : (data?.problem ?? null);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const symbol = text.trim() || chord.symbol.replace("–", "N.C.");
    const notes = voicing.split(/[\s,]+/).filter(Boolean);
    await edits.post("chords", { action: "name", bar: chord.bar, beat: chord.beat, symbol, voicing: notes, note });
  };
  return (
    <Part title="What you hear" aside="such as Bbm7, F#dim/A, N.C.">
      <form onSubmit={(event) => void submit(event)} noValidate className="flex flex-col gap-2">
        <input
          ref={field}
          aria-label="Chord symbol"
          aria-invalid={problem !== null}
          value={text}
          maxLength={40}
          placeholder={chord.symbol}
          onChange={(event) => setText(event.target.value)}
          className="h-8 w-full rounded-sm border border-firm bg-sheet px-2 font-serif text-18 placeholder:text-ink-3 aria-invalid:border-conflict"
        />
        {text !== "" && (
          <p role="status" className={`text-11 ${problem ? "text-conflict" : "text-ink-2"}`}>
            {problem ?? (data?.chord ? readingWords(data.chord) : "…")}
          </p>
        )}
        <SmallField
          label="Voicing"
          className="w-full grow"
          placeholder="C3 Eb3 G3"
          value={voicing}
          maxLength={80}
          onText={setVoicing}
        />
        <SmallField label="Note" className="w-full grow" value={note} maxLength={500} onText={setNote} />
        <Button type="submit" look="solid" className="self-start" disabled={problem !== null}>
          Write it
        </Button>
      </form>
    </Part>
  );
}

function readingWords({ symbol, notes, degree, function: kind, function_of: of }: ChordReading): string {
  const place = [degree ?? "no degree", ...(kind ? [functionWords(kind, of)] : [])].join(", ");
  return `${symbol}: ${notes.map(signs).join(" ")}; ${place}`;
}

/** The notes, how they sound from the built-in synthesiser, and what they are also called. */
function Notes({ chord }: { chord: Chord }) {
  const { analysis } = useSheet();
  const player = usePlayer();
  const notes = chord.voicing.length > 0 ? chord.voicing : chord.notes;
  const sound = (together: boolean) => player.sound(piled(notes), together, analysis.tuning.a4);
  return (
    <Part title="Notes" aside={chord.voicing.length > 0 ? "as voiced" : "root first"}>
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
    <Part title="Could also be" aside="odds">
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
            <span className="figure">{rival.odds.toFixed(2)}</span>
          </li>
        ))}
      </ul>
    </Part>
  );
}

/** Split, merge, and repeat the chords from here over other bars. */
function Shape({ chord }: { chord: Chord }) {
  const { analysis, edits } = useSheet();
  const [at, setAt] = useState(figure(chord.beat + Math.max(0.5, Math.floor(chord.beats) / 2), 1));
  const [loop, setLoop] = useState({ bars: String(analysis.loop?.bars ?? 4), to: "", last: "" });
  const send = (body: object) => void edits.post("chords", { bar: chord.bar, beat: chord.beat, ...body });
  useCommands([
    {
      key: "s",
      name: "split the chord in its middle",
      group: "Chords",
      run: () => send({ action: "split", beat: chord.beat + Math.max(0.5, Math.floor(chord.beats) / 2) }),
    },
    { key: "j", name: "join it with the next", group: "Chords", run: () => send({ action: "merge" }) },
  ]);
  return (
    <Part title="Split, merge, repeat">
      <div className="flex flex-wrap items-center gap-2">
        <SmallField label="at beat" inputMode="decimal" value={at} onText={setAt} className="w-11" />
        <Button className="px-2" onClick={() => send({ action: "split", beat: Number(at) })}>
          Split
        </Button>
        <Button className="px-2" onClick={() => send({ action: "merge" })}>
          Merge with next
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <SmallField
          label="these"
          inputMode="numeric"
          value={loop.bars}
          onText={(bars) => setLoop({ ...loop, bars })}
          className="w-9"
        />
        <SmallField
          label="bars again in"
          inputMode="numeric"
          aria-label="again from bar"
          placeholder="from"
          value={loop.to}
          onText={(to) => setLoop({ ...loop, to })}
          className="w-12"
        />
        <SmallField
          label="to"
          inputMode="numeric"
          aria-label="again to bar"
          placeholder="to"
          value={loop.last}
          onText={(last) => setLoop({ ...loop, last })}
          className="w-12"
        />
        <Button
          className="px-2"
          disabled={loop.to === "" || loop.last === ""}
          onClick={() =>
            void edits.post("chords", {
              action: "repeat",
              bar: chord.bar,
              bars: Number(loop.bars),
              to_bar: Number(loop.to),
              last_bar: Number(loop.last),
            })
          }
        >
          Repeat
        </Button>
      </div>
    </Part>
  );
}

function runOf(chord: Chord, bars: number, beats: number) {
  const last = chord.bar + Math.max(0, Math.ceil((chord.beat - 1 + chord.beats) / beats) - 1);
  return { first: Math.max(1, chord.bar), last: Math.max(1, Math.min(bars, last)) };
}

function beatWords(beat: number): string {
  return figure(beat, beat % 1 ? 1 : 0);
}

export function functionWords(kind: string, of: string | null): string {
  switch (kind) {
    case "secondary dominant":
      return `dominant of ${of ?? ""}`;
    case "chromatic approach":
      return `slides into ${of ?? ""}`;
    case "borrowed":
      return `borrowed from ${signs(of ?? "")}`;
    case "pedal":
      return `over a pedal on ${signs(of ?? "")}`;
    default:
      return kind;
  }
}

function why(chord: Chord): string {
  if (chord.degree === null) return "Nothing that is a chord sounds clearly enough here.";
  if (chord.function === "diatonic" || chord.function === null) return `The ${chord.degree} of the key.`;
  return `The ${chord.degree}: ${functionWords(chord.function, chord.function_of)}.`;
}
