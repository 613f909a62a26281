import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { write } from "../api/client";
import type { Reading } from "../api/types";
import { Button } from "../components/Button";
import { Dialog } from "../components/Dialog";
import { Field } from "../components/Field";
import { Failure } from "../components/Notice";
import { usePlayer } from "../player/context";
import { useSheet } from "./context";

interface AddProps {
  open: boolean;
  onClose: () => void;
}

function useAdd(path: string, onDone: (reading: Reading) => void) {
  const { page } = useSheet();
  const client = useQueryClient();
  return useMutation({
    mutationFn: (body: object) => write<{ reading: Reading }>("POST", `/references/${page.reference.id}/${path}`, body),
    onSuccess: async ({ reading }) => {
      await client.invalidateQueries({ queryKey: ["reference", page.reference.id] });
      onDone(reading);
    },
  });
}

export function AddLayer({ open, onClose }: AddProps) {
  const { select } = useSheet();
  const [name, setName] = useState("");
  const add = useAdd("layers", (reading) => {
    setName("");
    onClose();
    select({ kind: "ownLayer", id: reading.id });
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    add.mutate({ name: name.trim() });
  };
  return (
    <Dialog title="A layer that you hear" open={open} onClose={onClose}>
      <form onSubmit={submit} noValidate className="flex flex-col gap-4">
        <Field label="What is it?" hint="A role or a sound: percussion, melodica, echo." error={add.error?.message}>
          {(props) => (
            <input {...props} autoFocus maxLength={60} value={name} onChange={(event) => setName(event.target.value)} />
          )}
        </Field>
        <Button type="submit" look="solid" className="self-start" disabled={name.trim() === ""}>
          Add the layer
        </Button>
      </form>
    </Dialog>
  );
}

export function AddTechnique({ open, onClose }: AddProps) {
  return (
    <Dialog title="A technique that you notice" open={open} onClose={onClose}>
      <TechniqueForm onClose={onClose} />
    </Dialog>
  );
}

/** Mounted with the dialog, so that the bars start from what plays or loops at that moment. */
function TechniqueForm({ onClose }: { onClose: () => void }) {
  const { select } = useSheet();
  const player = usePlayer();
  const [draft, setDraft] = useState(() => {
    const loop = player.snapshot().loop;
    const bar = Math.max(1, player.barAt(player.time));
    return { name: "", first_bar: String(loop?.first ?? bar), last_bar: String(loop?.last ?? bar), note: "" };
  });
  const set = (change: Partial<typeof draft>) => setDraft((before) => ({ ...before, ...change }));
  const add = useAdd("techniques", (reading) => {
    onClose();
    select({ kind: "ownTechnique", id: reading.id });
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    add.mutate({ ...draft, name: draft.name.trim() });
  };
  return (
    <form onSubmit={submit} noValidate className="flex flex-col gap-4">
      <Field label="What happens?" hint="Such as: snare thrown into echo.">
        {(props) => (
          <input
            {...props}
            autoFocus
            maxLength={120}
            value={draft.name}
            onChange={(event) => set({ name: event.target.value })}
          />
        )}
      </Field>
      <div className="grid grid-cols-2 gap-4">
        <Field label="From bar">
          {(props) => (
            <input
              {...props}
              inputMode="numeric"
              className={`${props.className} font-mono`}
              value={draft.first_bar}
              onChange={(event) => set({ first_bar: event.target.value })}
            />
          )}
        </Field>
        <Field label="To bar">
          {(props) => (
            <input
              {...props}
              inputMode="numeric"
              className={`${props.className} font-mono`}
              value={draft.last_bar}
              onChange={(event) => set({ last_bar: event.target.value })}
            />
          )}
        </Field>
      </div>
      <Field label="Note">
        {(props) => (
          <input
            {...props}
            maxLength={500}
            value={draft.note}
            onChange={(event) => set({ note: event.target.value })}
          />
        )}
      </Field>
      {add.error && <Failure error={add.error} />}
      <Button type="submit" look="solid" className="self-start" disabled={draft.name.trim() === ""}>
        Note it
      </Button>
    </form>
  );
}
