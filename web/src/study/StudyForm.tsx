import { RadioGroup } from "radix-ui";
import { useState, type FormEvent, type ReactNode } from "react";
import { METERS } from "../api/contract";
import { ApiError } from "../api/client";
import type { Aim, Study } from "../api/types";
import { words } from "../words/words";
import { Button } from "../components/Button";
import { Field } from "../components/Field";
import { KeySelects } from "../components/KeySelects";
import { Failure } from "../components/Notice";

const AIMS: { value: Aim; name: string; text: string }[] = [
  { value: "style", name: "In the style of", text: "Something new that belongs beside the references." },
  { value: "exact", name: "Exact remake", text: "The same record again: targets are tight." },
  { value: "study", name: "Study only", text: "Take it apart and understand it." },
];

interface Draft {
  title: string;
  aim: Aim;
  scope_from: string;
  scope_bar: string;
  target_bpm: string;
  target_tonic: string;
  target_mode: string;
  target_way: string;
  target_meter: string;
}

const text = (value: string | number | null | undefined) =>
  value === null || value === undefined ? "" : String(value);

function draftOf(study?: Study): Draft {
  return {
    title: study?.title ?? "",
    aim: study?.aim ?? "style",
    scope_from: text(study?.scope_from),
    scope_bar: text(study?.scope_bar),
    target_bpm: text(study?.target_bpm),
    target_tonic: study?.target_tonic ?? "",
    target_mode: study?.target_mode ?? "minor",
    target_way: study?.target_way ?? "tonic",
    target_meter: study?.target_meter ?? "",
  };
}

/** What the server takes: what is empty is open; decimal commas are taken as points. */
export function studyBody(draft: Draft): Record<string, string | null> {
  const some = (value: string) => value.trim().replace(",", ".") || null;
  return {
    title: draft.title.trim(),
    aim: draft.aim,
    scope_from: some(draft.scope_from),
    scope_bar: some(draft.scope_bar),
    target_bpm: some(draft.target_bpm),
    target_tonic: draft.target_tonic || null,
    target_mode: draft.target_tonic ? draft.target_mode : null,
    target_way: draft.target_way,
    target_meter: draft.target_meter || null,
  };
}

interface StudyFormProps {
  study?: Study;
  action: string;
  pending: boolean;
  error: Error | null;
  onSave: (body: Record<string, string | null>) => void;
  onCancel: () => void;
  children?: ReactNode;
}

/** Title, aim, scope, and what the new track will be: for a new study, and for one that there is. */
export function StudyForm({ study, action, pending, error, onSave, onCancel }: StudyFormProps) {
  const [draft, setDraft] = useState<Draft>(() => draftOf(study));
  const set = (change: Partial<Draft>) => setDraft((before) => ({ ...before, ...change }));
  const wrong = (field: string) => (error instanceof ApiError && error.field === field ? error.message : undefined);
  const chosen = error instanceof ApiError && error.field !== undefined && error.field !== "title";
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onSave(studyBody(draft));
  };
  return (
    <form onSubmit={submit} noValidate className="flex max-w-[620px] flex-col gap-5">
      <Field label="Title" hint="An artist, a record, or the track you want to make." error={wrong("title")}>
        {(props) => (
          <input
            {...props}
            autoFocus
            maxLength={120}
            value={draft.title}
            onChange={(event) => set({ title: event.target.value })}
          />
        )}
      </Field>
      <fieldset>
        <legend className="mb-1 font-medium">Aim</legend>
        <RadioGroup.Root
          aria-label="Aim"
          value={draft.aim}
          onValueChange={(aim) => set({ aim: aim as Aim })}
          className="divide-y divide-faint border-y border-rule"
        >
          {AIMS.map((aim) => (
            <label
              key={aim.value}
              className="grid cursor-pointer grid-cols-[26px_130px_1fr] items-baseline py-2 hover:bg-wash"
            >
              <RadioGroup.Item
                value={aim.value}
                aria-label={aim.name}
                className="relative top-0.5 ml-1 size-3.5 rounded-full border border-ink"
              >
                <RadioGroup.Indicator className="absolute inset-[3px] rounded-full bg-ink" />
              </RadioGroup.Item>
              <span className="font-serif text-15">{aim.name}</span>
              <span className="text-ink-2">{aim.text}</span>
            </label>
          ))}
        </RadioGroup.Root>
      </fieldset>
      <details open={study !== undefined || chosen} className="border-b border-rule pb-3">
        <summary className="min-h-6 cursor-pointer font-medium">
          Optional: scope, tempo, key and meter of the new track
        </summary>
        <div className="flex flex-col gap-5 pt-3">
          <Field
            label="Scope"
            hint="Empty means the whole song. Many stop at the end of the first chorus."
            error={wrong("scope_bar") ?? wrong("scope_from")}
          >
            {(props) => (
              <span className="flex items-center gap-2">
                <span className="text-ink-2">from bar</span>
                <input
                  aria-label="From bar"
                  className={`${props.className} max-w-20 font-mono`}
                  inputMode="numeric"
                  value={draft.scope_from}
                  onChange={(event) => set({ scope_from: event.target.value })}
                />
                <span className="text-ink-2">to bar</span>
                <input
                  {...props}
                  className={`${props.className} max-w-20 font-mono`}
                  inputMode="numeric"
                  value={draft.scope_bar}
                  onChange={(event) => set({ scope_bar: event.target.value })}
                />
              </span>
            )}
          </Field>
          <div className="grid grid-cols-2 gap-5">
            <Field
              label="Tempo of the new track, if known"
              hint="BPM, to a hundredth if you like."
              error={wrong("target_bpm")}
            >
              {(props) => (
                <input
                  {...props}
                  className={`${props.className} font-mono`}
                  inputMode="decimal"
                  value={draft.target_bpm}
                  onChange={(event) => set({ target_bpm: event.target.value })}
                />
              )}
            </Field>
            <Field label="Key of the new track, if known" error={wrong("target_tonic") ?? wrong("target_mode")}>
              {(props) => (
                <KeySelects
                  control={props}
                  none="open"
                  tonic={draft.target_tonic}
                  mode={draft.target_mode}
                  onChange={(target_tonic, target_mode) => set({ target_tonic, target_mode })}
                />
              )}
            </Field>
            <Field label="Meter of the new track" hint="Only where it is to be another than the song's.">
              {(props) => (
                <select
                  {...props}
                  value={draft.target_meter}
                  onChange={(event) => set({ target_meter: event.target.value })}
                >
                  <option value="">as the song</option>
                  {METERS.map((meter) => (
                    <option key={meter}>{meter}</option>
                  ))}
                </select>
              )}
            </Field>
            <Field
              label="Of a song in another mode keep"
              hint="A shift never changes a mode: a minor song in C major comes out in C minor, or in A minor with the same notes."
            >
              {(props) => (
                <select
                  {...props}
                  disabled={!draft.target_tonic}
                  value={draft.target_way}
                  onChange={(event) => set({ target_way: event.target.value })}
                >
                  <option value="tonic">the tonic that I want</option>
                  <option value="notes">the notes of the key that I want</option>
                </select>
              )}
            </Field>
          </div>
        </div>
      </details>
      {error && !(error instanceof ApiError && error.field) && <Failure error={error} />}
      <div className="flex gap-2">
        <Button type="submit" look="solid" disabled={pending}>
          {action}
        </Button>
        <Button look="quiet" onClick={onCancel}>
          {words.cancel}
        </Button>
      </div>
    </form>
  );
}
