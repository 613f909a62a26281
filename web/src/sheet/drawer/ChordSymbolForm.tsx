import { useQuery } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { chordQuery } from "../../api/queries";
import type { Chord, ChordReading } from "../../api/types";
import { Button } from "../../components/Button";
import { SmallField } from "../../components/SmallField";
import { signs } from "../../lib/format";
import { useSheet } from "../context";
import { useOpenOnEdit } from "../useOpenOnEdit";
import { functionWords } from "./chordWords";
import { Part } from "../card/Part";

/** A symbol as musicians write it; what it says is shown while it is typed. */
export function ChordSymbolForm({ chord }: { chord: Chord }) {
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
