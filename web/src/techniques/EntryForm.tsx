import { useState, type FormEvent } from "react";
import type { TechniqueEntry } from "../api/types";
import { Button } from "../components/Button";
import { Field } from "../components/Field";
import { words } from "../words/words";

const FIELDS = [
  ["summary", "What it is"],
  ["hear", "How to hear it"],
  ["mix", "In a mix"],
  ["stems", "In stems"],
  ["midi", "In MIDI"],
  ["measure", "What is measured"],
  ["wrong", "What goes wrong"],
] as const;

export type EntryTexts = Pick<TechniqueEntry, "name" | "steps" | (typeof FIELDS)[number][0]>;

interface EntryFormProps {
  entry: TechniqueEntry;
  onSave: (texts: EntryTexts) => void;
  onCancel: () => void;
}

/** The words of a technique, to be changed for one study. */
export function EntryForm({ entry, onSave, onCancel }: EntryFormProps) {
  const [texts, setTexts] = useState<EntryTexts>(entry);
  const [steps, setSteps] = useState(entry.steps.join("\n"));
  const set = (key: keyof EntryTexts, value: string) => setTexts((before) => ({ ...before, [key]: value }));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    const { name, summary, hear, mix, stems, midi, measure, wrong } = texts;
    onSave({
      name,
      summary,
      hear,
      mix,
      stems,
      midi,
      measure,
      wrong,
      steps: steps.split("\n").filter((step) => step.trim()),
    });
  };
  return (
    <form onSubmit={submit} noValidate className="mt-3 flex flex-col gap-3">
      <Field label="Name">
        {(props) => (
          <input
            {...props}
            autoFocus
            maxLength={120}
            value={texts.name}
            onChange={(event) => set("name", event.target.value)}
          />
        )}
      </Field>
      {FIELDS.map(([key, label]) => (
        <Field key={key} label={label}>
          {(props) => (
            <textarea
              {...props}
              rows={2}
              maxLength={500}
              className={`${props.className} h-auto py-1`}
              value={texts[key]}
              onChange={(event) => set(key, event.target.value)}
            />
          )}
        </Field>
      ))}
      <Field label="Steps" hint="One a line. Names such as %{bpm} are filled in with a song's figures.">
        {(props) => (
          <textarea
            {...props}
            rows={7}
            className={`${props.className} h-auto py-1`}
            value={steps}
            onChange={(event) => setSteps(event.target.value)}
          />
        )}
      </Field>
      <div className="flex gap-2">
        <Button type="submit" look="solid" disabled={texts.name.trim() === ""}>
          Save text
        </Button>
        <Button look="quiet" onClick={onCancel}>
          {words.cancel}
        </Button>
      </div>
    </form>
  );
}
