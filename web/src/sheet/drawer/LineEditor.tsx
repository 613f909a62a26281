import { useState } from "react";
import type { PlayedLine } from "../../api/types";
import { Button } from "../../components/Button";
import { SmallField } from "../../components/SmallField";
import { percent, plural } from "../../lib/format";
import { pitchName, pitchOf } from "../../lib/naming";
import { usePlayer, usePlayTime } from "../../player/context";
import { useSheet } from "../context";
import { Part } from "../card/Part";
import { beatsPerBar, beatText, notesInBar, type PlayedNote } from "../played";
import { words } from "../../words/words";

const figure = (text: string) => Number(text.replace(",", "."));
const positive = (text: string) => /^\d+([.,]\d+)?$/.test(text.trim()) && figure(text) > 0;

/** What a layer plays in the bar at the playhead, to be put right stroke by stroke or note by note. */
export function LineEditor({ line }: { line: PlayedLine }) {
  const { page, analysis, edits } = useSheet();
  const player = usePlayer();
  const bar = Math.min(Math.max(1, player.barAt(usePlayTime())), analysis.bars.length);
  const notes = notesInBar(line, bar, beatsPerBar(analysis));
  const pitched = line.notes.some((note) => note[2] !== null && note[2] !== undefined);
  const own = page.readings.find(
    (reading) => reading.aspect === "line" && reading.state !== "refuted" && reading.value?.layer === line.layer,
  );
  const post = (body: object) => void edits.post("lines", { layer: line.layer, bar, ...body });
  return (
    <Part
      title={words.editNotes}
      aside={line.edited > 0 ? `${plural(line.edited, "change")} by you` : "at the playhead"}
    >
      <div className="flex items-center gap-2">
        <Button className="px-2" disabled={bar <= 1} aria-label="Bar before" onClick={() => player.seekBar(bar - 1)}>
          ‹
        </Button>
        <span className="figure" aria-live="polite">
          bar {bar}
        </span>
        <Button
          className="px-2"
          disabled={bar >= analysis.bars.length}
          aria-label="Bar after"
          onClick={() => player.seekBar(bar + 1)}
        >
          ›
        </Button>
        <span className="text-ink-2">
          {notes.length === 0 ? "rests" : plural(notes.length, pitched ? "note" : "stroke")}
        </span>
      </div>
      <ul className="mt-1.5">
        {notes.map((note) => (
          <NoteRow
            key={`${bar} ${note.beat} ${note.pitch} ${note.velocity}`}
            note={note}
            signature={analysis.key?.signature ?? 0}
            onMove={(change) => post({ action: "move", beat: note.beat, pitch: note.pitch, ...change })}
            onTake={() => post({ action: "take", beat: note.beat, pitch: note.pitch })}
          />
        ))}
      </ul>
      <AddNote key={bar} pitched={pitched} onAdd={(note) => post({ action: "add", ...note })} />
      {own && (
        <Button look="quiet" className="mt-1.5 px-0" onClick={() => void edits.remove(own.id)}>
          As it was measured
        </Button>
      )}
    </Part>
  );
}

interface NoteRowProps {
  note: PlayedNote;
  signature: number;
  onMove: (change: { to_beat?: number; to_pitch?: number; velocity?: number }) => void;
  onTake: () => void;
}

function NoteRow({ note, signature, onMove, onTake }: NoteRowProps) {
  const name = note.pitch === null ? null : pitchName(note.pitch, signature);
  const what = `${name ?? "stroke"} on ${beatText(note.beat)}`;
  return (
    <li className="flex items-center gap-1.5 py-0.5">
      <Entry
        label={`Beat of ${what}`}
        shown={beatText(note.beat)}
        fits={positive}
        onEnter={(text) => onMove({ to_beat: figure(text) })}
      />
      {name !== null && (
        <Entry
          label={`Note of ${what}`}
          shown={name}
          fits={(text) => pitchOf(text) !== null}
          onEnter={(text) => onMove({ to_pitch: pitchOf(text) ?? 0 })}
        />
      )}
      <Entry
        label={`Strength of ${what}, per cent`}
        shown={percent(note.velocity).replace(/\s?%/, "")}
        fits={(text) => positive(text) && figure(text) <= 100}
        onEnter={(text) => onMove({ velocity: figure(text) / 100 })}
      />
      <span className="text-ink-2" aria-hidden>
        %
      </span>
      <Button look="quiet" className="ml-auto px-1" aria-label={`Delete ${what}`} onClick={onTake}>
        {words.delete}
      </Button>
    </li>
  );
}

interface EntryProps {
  label: string;
  shown: string;
  fits: (text: string) => boolean;
  onEnter: (text: string) => void;
}

/** A figure that is kept when one leaves the field or presses Enter; what does not fit goes back to what it was. */
function Entry({ label, shown, fits, onEnter }: EntryProps) {
  const [text, setText] = useState(shown);
  const keep = () => {
    if (text.trim() === shown) return;
    if (fits(text)) onEnter(text);
    else setText(shown);
  };
  return (
    <input
      aria-label={label}
      className="h-7 w-12 rounded-sm border border-firm bg-sheet px-1.5 font-mono text-12"
      value={text}
      onChange={(event) => setText(event.target.value)}
      onBlur={keep}
      onKeyDown={(event) => event.key === "Enter" && keep()}
    />
  );
}

interface AddNoteProps {
  pitched: boolean;
  onAdd: (note: { beat: number; pitch?: number; beats?: number; velocity: number }) => void;
}

function AddNote({ pitched, onAdd }: AddNoteProps) {
  const [beat, setBeat] = useState("");
  const [note, setNote] = useState("");
  const [length, setLength] = useState("1");
  const pitch = pitchOf(note);
  const ready = positive(beat) && (!pitched || (pitch !== null && positive(length)));
  const add = () => {
    onAdd({
      beat: figure(beat),
      velocity: 0.8,
      ...(pitched && pitch !== null ? { pitch, beats: figure(length) } : {}),
    });
    setBeat("");
  };
  return (
    <form
      className="mt-1.5 flex flex-wrap items-center gap-2 border-t border-faint pt-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        if (ready) add();
      }}
    >
      <SmallField label="on beat" inputMode="decimal" className="w-11" value={beat} onText={setBeat} />
      {pitched && (
        <>
          <SmallField label="note" className="w-12" placeholder="C2" value={note} onText={setNote} />
          <SmallField label="beats" inputMode="decimal" className="w-11" value={length} onText={setLength} />
        </>
      )}
      <Button type="submit" className="px-2" disabled={!ready}>
        Write it
      </Button>
    </form>
  );
}
