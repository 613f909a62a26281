import { RadioGroup } from "radix-ui";
import { useState, type FormEvent } from "react";
import { useNavigate } from "react-router";
import { ApiError, write } from "../api/client";
import { keys } from "../api/keys";
import type { Aim, Study } from "../api/types";
import { useChange } from "../app/useChange";
import { Button } from "../components/Button";
import { Field } from "../components/Field";
import { KeySelects } from "../components/KeySelects";
import { Failure } from "../components/Notice";
import { PageHead } from "../components/PageHead";

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
}

export function NewStudyScreen() {
  const navigate = useNavigate();
  const [draft, setDraft] = useState<Draft>({
    title: "",
    aim: "style",
    scope_from: "",
    scope_bar: "",
    target_bpm: "",
    target_tonic: "",
    target_mode: "minor",
  });
  const create = useChange({
    send: (body: object) => write<{ study: Study }>("POST", "/studies", body),
    stale: [keys.studies],
    done: ({ study }) => void navigate(`/studies/${study.id}`),
    shownHere: true,
  });
  const set = (change: Partial<Draft>) => setDraft((before) => ({ ...before, ...change }));
  const wrong = (field: string) =>
    create.error instanceof ApiError && create.error.field === field ? create.error.message : undefined;
  const submit = (event: FormEvent) => {
    event.preventDefault();
    create.mutate(bodyOf(draft));
  };

  return (
    <>
      <PageHead title="New study" remark="Frame the work before you listen." />
      <form onSubmit={submit} noValidate className="min-h-0 grow overflow-y-auto bg-sheet px-4 py-5 scroll-quiet">
        <div className="flex max-w-[560px] flex-col gap-5">
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
          </div>
          {create.error && !(create.error instanceof ApiError && create.error.field) && (
            <Failure error={create.error} />
          )}
          <div className="flex gap-2">
            <Button type="submit" look="solid" disabled={create.isPending}>
              Start the study
            </Button>
            <Button look="quiet" onClick={() => void navigate("/")}>
              Cancel
            </Button>
          </div>
        </div>
      </form>
    </>
  );
}

/** Empty fields are left out; decimal commas are taken as points. */
function bodyOf(draft: Draft): object {
  return {
    title: draft.title.trim(),
    aim: draft.aim,
    ...(draft.scope_from.trim() && { scope_from: draft.scope_from.trim() }),
    ...(draft.scope_bar.trim() && { scope_bar: draft.scope_bar.trim() }),
    ...(draft.target_bpm.trim() && { target_bpm: draft.target_bpm.trim().replace(",", ".") }),
    ...(draft.target_tonic && { target_tonic: draft.target_tonic, target_mode: draft.target_mode }),
  };
}
