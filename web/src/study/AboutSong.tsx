import { useState } from "react";
import { write } from "../api/client";
import { WORD_KINDS } from "../api/contract";
import { keys } from "../api/keys";
import type { ReferenceRow, Reference } from "../api/types";
import { useChange } from "../app/useChange";
import { Button } from "../components/Button";
import { Dialog } from "../components/Dialog";
import { LineInput } from "../components/LineInput";

/** What nothing measures and a person says of a song: themes, mood, voice, language; and who made it, by whose word. */
export function AboutSong({ row }: { row: ReferenceRow }) {
  const [open, setOpen] = useState(false);
  const said = [...row.words.map((word) => word.text), ...row.credits.map((credit) => credit.text)];
  return (
    <>
      <button
        type="button"
        aria-label={said.length > 0 ? `${said.join(", ")}: about ${row.title}` : `About ${row.title}`}
        onClick={() => setOpen(true)}
        className="block max-w-full truncate text-left text-11 text-heard-text underline decoration-firm underline-offset-2"
      >
        {said.length > 0 ? said.join(", ") : "about"}
      </button>
      <Dialog title={`About ${row.title}`} open={open} onClose={() => setOpen(false)}>
        <Words row={row} />
        <Credits row={row} />
      </Dialog>
    </>
  );
}

function useSaid(row: ReferenceRow) {
  return useChange({
    send: (said: Partial<Pick<Reference, "words" | "credits">>) => write("PATCH", `/references/${row.id}`, said),
    stale: [keys.study(row.study_id), keys.profile(row.study_id)],
  });
}

function Words({ row }: { row: ReferenceRow }) {
  const said = useSaid(row);
  const [kind, setKind] = useState<(typeof WORD_KINDS)[number]>("theme");
  const [text, setText] = useState("");
  return (
    <section className="mb-4">
      <h3 className="mb-1 font-medium">In words</h3>
      <Said
        things={row.words.map((word) => ({ name: word.text, note: word.kind }))}
        onRemove={(index) => said.mutate({ words: row.words.filter((_, at) => at !== index) })}
      />
      <form
        className="flex gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          said.mutate({ words: [...row.words, { kind, text: text.trim() }] });
          setText("");
        }}
      >
        <select
          aria-label="What the word is about"
          value={kind}
          onChange={(event) => setKind(event.target.value as typeof kind)}
          className="h-7 rounded-sm border border-firm bg-sheet px-1.5"
        >
          {WORD_KINDS.map((name) => (
            <option key={name}>{name}</option>
          ))}
        </select>
        <LineInput name="A word" maxLength={60} value={text} onText={setText} className="min-w-0 grow" />
        <Button type="submit" disabled={text.trim() === ""}>
          Add the word
        </Button>
      </form>
    </section>
  );
}

function Credits({ row }: { row: ReferenceRow }) {
  const said = useSaid(row);
  const [text, setText] = useState("");
  const [source, setSource] = useState("");
  const [date, setDate] = useState("");
  return (
    <section>
      <h3 className="mb-1 font-medium">Credits</h3>
      <Said
        things={row.credits.map((credit) => ({
          name: credit.text,
          note: [credit.source, credit.date].filter(Boolean).join(", "),
        }))}
        onRemove={(index) => said.mutate({ credits: row.credits.filter((_, at) => at !== index) })}
      />
      <form
        className="flex flex-col gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          said.mutate({
            credits: [
              ...row.credits,
              { text: text.trim(), ...(source.trim() && { source: source.trim() }), ...(date.trim() && { date }) },
            ],
          });
          setText("");
        }}
      >
        <LineInput name="Who did what" placeholder="Who did what" maxLength={200} value={text} onText={setText} />
        <div className="flex gap-1.5">
          <LineInput
            name="Who says so"
            placeholder="Who says so"
            maxLength={200}
            value={source}
            onText={setSource}
            className="min-w-0 grow"
          />
          <LineInput name="When" placeholder="When" maxLength={20} value={date} onText={setDate} className="w-24" />
          <Button type="submit" disabled={text.trim() === ""}>
            Add the credit
          </Button>
        </div>
      </form>
    </section>
  );
}

function Said({ things, onRemove }: { things: { name: string; note: string }[]; onRemove: (index: number) => void }) {
  return (
    <ul className="mb-1.5">
      {things.map((thing, index) => (
        <li key={`${index} ${thing.name}`} className="flex items-baseline gap-2 border-b border-faint py-0.5">
          <span className="grow font-serif text-15">{thing.name}</span>
          <span className="text-ink-2">{thing.note}</span>
          <button
            type="button"
            aria-label={`Remove ${thing.name}`}
            className="underline"
            onClick={() => onRemove(index)}
          >
            remove
          </button>
        </li>
      ))}
    </ul>
  );
}
