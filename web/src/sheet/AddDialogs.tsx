import { useQuery } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { MARK_TYPES } from "../api/contract";
import { techniquesQuery } from "../api/queries";
import { Button } from "../components/Button";
import { Dialog } from "../components/Dialog";
import { Field } from "../components/Field";
import { Failure } from "../components/Notice";
import { ROLES } from "../api/contract";
import { usePlayer } from "../player/context";
import { useSheet } from "./context";

interface AddProps {
  open: boolean;
  onClose: () => void;
}

export function AddLayer({ open, onClose }: AddProps) {
  return (
    <Dialog title="A layer that you hear" open={open} onClose={onClose}>
      <LayerForm onClose={onClose} />
    </Dialog>
  );
}

function LayerForm({ onClose }: { onClose: () => void }) {
  const { select, edits } = useSheet();
  const [name, setName] = useState("");
  const [role, setRole] = useState("");
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const answer = await edits.post("layers", { name: name.trim(), ...(role ? { role } : {}) });
    onClose();
    if (answer?.reading) select({ kind: "ownLayer", id: answer.reading.id });
  };
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="flex flex-col gap-4">
      <Field label="What is it?" hint="A role or a sound: percussion, melodica, echo.">
        {(props) => (
          <input {...props} autoFocus maxLength={60} value={name} onChange={(event) => setName(event.target.value)} />
        )}
      </Field>
      <Field label="Its role" hint="With the role of a measured row it is painted over that row.">
        {(props) => (
          <select {...props} value={role} onChange={(event) => setRole(event.target.value)}>
            <option value="">none of these</option>
            {ROLES.map((option) => (
              <option key={option}>{option}</option>
            ))}
          </select>
        )}
      </Field>
      <Button type="submit" look="solid" className="self-start" disabled={name.trim() === ""}>
        Add the layer
      </Button>
    </form>
  );
}

export function AddTechnique({ open, onClose }: AddProps) {
  return (
    <Dialog title="A technique that you notice" open={open} onClose={onClose}>
      <TechniqueForm onClose={onClose} />
    </Dialog>
  );
}

/** From the bars that loop or play at that moment. */
function useBarsHere() {
  const player = usePlayer();
  const [run, setRun] = useState(() => {
    const loop = player.snapshot().loop;
    const bar = Math.max(1, player.barAt(player.time));
    return { first_bar: String(loop?.first ?? bar), last_bar: String(loop?.last ?? bar) };
  });
  return { run, set: (change: Partial<typeof run>) => setRun((before) => ({ ...before, ...change })) };
}

function BarFields({ run, set }: ReturnType<typeof useBarsHere>) {
  const field = (label: string, key: "first_bar" | "last_bar") => (
    <Field label={label}>
      {(props) => (
        <input
          {...props}
          inputMode="numeric"
          className={`${props.className} font-mono`}
          value={run[key]}
          onChange={(event) => set({ [key]: event.target.value })}
        />
      )}
    </Field>
  );
  return (
    <div className="grid grid-cols-2 gap-4">
      {field("From bar", "first_bar")}
      {field("To bar", "last_bar")}
    </div>
  );
}

/** Mounted with the dialog, so that the bars start from what plays or loops at that moment. */
function TechniqueForm({ onClose }: { onClose: () => void }) {
  const { page, select, edits } = useSheet();
  const { data: library } = useQuery(techniquesQuery(page.reference.study_id));
  const bars = useBarsHere();
  const [name, setName] = useState("");
  const [note, setNote] = useState("");
  const known = library?.find((entry) => entry.name.toLowerCase() === name.trim().toLowerCase());
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const answer = await edits.post("techniques", {
      ...bars.run,
      note,
      name: name.trim(),
      ...(known ? { kind: known.kind } : {}),
    });
    if (!answer?.reading) return;
    onClose();
    select({ kind: "ownTechnique", id: answer.reading.id });
  };
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="flex flex-col gap-4">
      <Field
        label="What happens?"
        hint={known ? known.summary : "A name from the library, or your own words: snare thrown into echo."}
      >
        {(props) => (
          <>
            <input
              {...props}
              autoFocus
              maxLength={120}
              list="technique-names"
              value={name}
              onChange={(event) => setName(event.target.value)}
            />
            <datalist id="technique-names">
              {library?.map((entry) => (
                <option key={entry.kind} value={entry.name} />
              ))}
            </datalist>
          </>
        )}
      </Field>
      <BarFields {...bars} />
      <Field label="Note">
        {(props) => <input {...props} maxLength={500} value={note} onChange={(event) => setNote(event.target.value)} />}
      </Field>
      {edits.error && <Failure error={edits.error} />}
      <Button type="submit" look="solid" className="self-start" disabled={name.trim() === ""}>
        Note it
      </Button>
    </form>
  );
}

export function AddMark({ open, onClose }: AddProps) {
  return (
    <Dialog title="A mark on some bars" open={open} onClose={onClose}>
      <MarkForm onClose={onClose} />
    </Dialog>
  );
}

function MarkForm({ onClose }: { onClose: () => void }) {
  const { analysis, select, edits } = useSheet();
  const bars = useBarsHere();
  const [draft, setDraft] = useState({ type: "question", text: "", layer: "" });
  const set = (change: Partial<typeof draft>) => setDraft((before) => ({ ...before, ...change }));
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const { type, text, layer } = draft;
    const body = { type, text: text.trim(), ...bars.run, ...(layer ? { layer_id: Number(layer) } : {}) };
    const answer = await edits.post("marks", body);
    if (!answer?.reading) return;
    onClose();
    select({ kind: "mark", id: answer.reading.id });
  };
  return (
    <form onSubmit={(event) => void submit(event)} noValidate className="flex flex-col gap-4">
      <Field label="What is there?">
        {(props) => (
          <input
            {...props}
            autoFocus
            maxLength={500}
            value={draft.text}
            onChange={(event) => set({ text: event.target.value })}
          />
        )}
      </Field>
      <Field label="Type">
        {(props) => (
          <select {...props} value={draft.type} onChange={(event) => set({ type: event.target.value })}>
            {MARK_TYPES.map((type) => (
              <option key={type}>{type}</option>
            ))}
          </select>
        )}
      </Field>
      <BarFields {...bars} />
      {analysis.heard_layers.length > 0 && (
        <Field label="On a layer">
          {(props) => (
            <select {...props} value={draft.layer} onChange={(event) => set({ layer: event.target.value })}>
              <option value="">on the whole song</option>
              {analysis.heard_layers.map((layer) => (
                <option key={layer.reading_id} value={layer.reading_id}>
                  {layer.name}
                </option>
              ))}
            </select>
          )}
        </Field>
      )}
      {edits.error && <Failure error={edits.error} />}
      <Button type="submit" look="solid" className="self-start" disabled={draft.text.trim() === ""}>
        Pin it
      </Button>
    </form>
  );
}
