import { useId, useState, type FormEvent } from "react";
import type { Aspect, Reading, Source } from "../../api/types";
import { ApiError } from "../../api/client";
import { Button } from "../../components/Button";
import { Field } from "../../components/Field";
import { KeySelects } from "../../components/KeySelects";
import { METERS, TOLD_SOURCES } from "../../api/contract";
import { figure } from "../../lib/format";
import type { CorrectionBody } from "../useEdits";
import { Part } from "../card/Part";
import { InFoot } from "../card/slots";
import { useEscape } from "../../lib/useEscape";
import { words } from "../../words/words";

interface CorrectionFormProps {
  aspect: Aspect;
  reading: Reading;
  title: string;
  action: string;
  error: Error | null;
  onSave: (body: CorrectionBody) => void;
  onCancel: () => void;
}

/** A person's value in the place of a reading, with where it comes from. */
export function CorrectionForm({ aspect, reading, title, action, error, onSave, onCancel }: CorrectionFormProps) {
  useEscape(onCancel);
  const formId = useId();
  const [value, setValue] = useState<Record<string, unknown>>(() => firstValue(aspect, reading));
  const [source, setSource] = useState<Source>("heard");
  const [note, setNote] = useState("");
  const [link, setLink] = useState("");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onSave({ value, source, note, link });
  };
  return (
    <Part title={title}>
      <form id={formId} onSubmit={submit} noValidate className="flex flex-col gap-2.5">
        <ValueField
          aspect={aspect}
          value={value}
          onChange={setValue}
          error={error instanceof ApiError ? error.message : undefined}
        />
        <Field label="How you know">
          {(props) => (
            <select {...props} value={source} onChange={(event) => setSource(event.target.value as Source)}>
              {TOLD_SOURCES.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </select>
          )}
        </Field>
        <Field label="Note">
          {(props) => (
            <input
              {...props}
              maxLength={500}
              value={note}
              onChange={(event) => setNote(event.target.value)}
              placeholder="why, or from whom"
            />
          )}
        </Field>
        <Field label={words.link}>
          {(props) => (
            <input
              {...props}
              maxLength={500}
              value={link}
              onChange={(event) => setLink(event.target.value)}
              placeholder="https://…"
            />
          )}
        </Field>
      </form>
      <InFoot>
        <div className="flex gap-2">
          <Button type="submit" form={formId} look="solid" className="grow">
            {action}
          </Button>
          <Button onClick={onCancel}>{words.cancel}</Button>
        </div>
      </InFoot>
    </Part>
  );
}

function firstValue(aspect: Aspect, reading: Reading): Record<string, unknown> {
  const value = reading.value ?? {};
  switch (aspect) {
    case "tempo":
      return { bpm: typeof value.bpm === "number" ? value.bpm.toFixed(2) : "" };
    case "meter":
      return { name: value.name ?? "4/4" };
    case "key":
      return { tonic: value.tonic ?? "C", mode: value.mode ?? "minor" };
    default:
      return { text: "" };
  }
}

interface ValueFieldProps {
  aspect: Aspect;
  value: Record<string, unknown>;
  onChange: (value: Record<string, unknown>) => void;
  error: string | undefined;
}

function ValueField({ aspect, value, onChange, error }: ValueFieldProps) {
  const text = (name: string) => String(value[name] ?? "");
  switch (aspect) {
    case "tempo":
      return (
        <>
          <Field label="BPM" error={error}>
            {(props) => (
              <input
                {...props}
                autoFocus
                className={`${props.className} font-mono`}
                inputMode="decimal"
                value={text("bpm")}
                onChange={(event) => onChange({ bpm: event.target.value.replace(",", ".") })}
              />
            )}
          </Field>
          <div className="flex gap-2">
            <Button onClick={() => onChange({ bpm: figure(Number(text("bpm")) / 2, 2) })}>halve</Button>
            <Button onClick={() => onChange({ bpm: figure(Number(text("bpm")) * 2, 2) })}>double</Button>
          </div>
        </>
      );
    case "meter":
      return (
        <Field label="Meter" error={error}>
          {(props) => (
            <select
              {...props}
              autoFocus
              value={text("name")}
              onChange={(event) => onChange({ name: event.target.value })}
            >
              {METERS.map((name) => (
                <option key={name}>{name}</option>
              ))}
            </select>
          )}
        </Field>
      );
    case "key":
      return (
        <Field label="Key" error={error}>
          {(props) => (
            <KeySelects
              control={props}
              autoFocus
              tonic={text("tonic")}
              mode={text("mode")}
              onChange={(tonic, mode) => onChange({ tonic, mode })}
            />
          )}
        </Field>
      );
    default:
      return (
        <Field label="In your words" error={error}>
          {(props) => (
            <input
              {...props}
              autoFocus
              maxLength={300}
              value={text("text")}
              onChange={(event) => onChange({ text: event.target.value })}
            />
          )}
        </Field>
      );
  }
}
