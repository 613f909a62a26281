import { useMemo, type FormEvent } from "react";
import type { Have, HeardLayer, LayerCard } from "../../api/types";
import { Button } from "../../components/Button";
import { Segmented } from "../../components/Segmented";
import { SmallField } from "../../components/SmallField";
import { PURPOSES, ROLES } from "../../api/contract";
import { useDraft } from "../../lib/useDraft";
import { useOpenOnEdit } from "../useOpenOnEdit";
import { Part } from "../card/Part";
import { TEXT } from "../card/text";
import { Candidates, Chain } from "./LayerLists";
import { Stack } from "./LayerStack";

const HAVE = [
  { value: "have", name: "have it" },
  { value: "need", name: "need it" },
  { value: "substitute", name: "substitute" },
] as const;
const TEXTS = [
  ["sound", "Sound", "as heard: breathy, dull, plucked"],
  ["register", "Register", "C3 to G4"],
  ["articulation", "Articulation", "short, slurred, muted"],
  ["pattern", "Pattern", "eighths off the beat"],
  ["variations", "Varies", "second verse without the pickup"],
  ["pan", "Pan", "a little left"],
  ["width", "Width", "mono, narrow, wide"],
  ["sends", "Sends", "a little into the long reverb"],
  ["automation", "Moves", "filter opens over bars 5–8"],
  ["made_from", "Made from", "the organ, an octave down"],
  ["shared", "Same as", "house bass, in other songs too"],
] as const;

interface LayerCardFormProps {
  layer: HeardLayer;
  /** Stores the card; done is called when that has come to a good end. */
  onSave: (change: { name: string; role: string | null; card: LayerCard }, done: () => void) => void;
}

interface Draft {
  name: string;
  role: string;
  card: LayerCard;
}

/** All that it takes to rebuild a layer: sound, what could play it, how it is played, processed and placed. */
export function LayerCardForm({ layer, onSave }: LayerCardFormProps) {
  const stored = useMemo(() => ({ name: layer.name, role: layer.role ?? "", card: layer.card }), [layer]);
  const draft = useDraft<Draft>(`card ${layer.reading_id}`, stored);
  const { name, role, card } = draft.value;
  const field = useOpenOnEdit();
  const set = (change: Partial<LayerCard>) =>
    draft.change((before) => ({ ...before, card: { ...before.card, ...change } }));
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onSave({ name: name.trim() || layer.name, role: role === "" ? null : role, card: cleaned(card) }, draft.drop);
  };
  return (
    <form onSubmit={submit} noValidate>
      <Part title="Card">
        <div className="flex flex-col gap-1.5">
          <label className="grid grid-cols-[76px_1fr] items-center gap-2">
            <span className="text-ink-2">Name</span>
            <input
              ref={field}
              value={name}
              maxLength={60}
              onChange={(event) => draft.change((before) => ({ ...before, name: event.target.value }))}
              className={TEXT}
            />
          </label>
          <label className="grid grid-cols-[76px_1fr] items-center gap-2">
            <span className="text-ink-2">Role</span>
            <select
              value={role}
              onChange={(event) => draft.change((before) => ({ ...before, role: event.target.value }))}
              className={TEXT}
            >
              <option value="">none of these</option>
              {ROLES.map((option) => (
                <option key={option}>{option}</option>
              ))}
            </select>
          </label>
          {TEXTS.map(([key, label, placeholder]) => (
            <label key={key} className="grid grid-cols-[76px_1fr] items-center gap-2">
              <span className="text-ink-2">{label}</span>
              <input
                value={card[key] ?? ""}
                maxLength={300}
                placeholder={placeholder}
                onChange={(event) => set({ [key]: event.target.value })}
                className={TEXT}
              />
            </label>
          ))}
          <label className="grid grid-cols-[76px_1fr] items-center gap-2">
            <span className="text-ink-2">Purpose</span>
            <select
              value={card.purpose ?? ""}
              onChange={(event) => set({ purpose: event.target.value || null })}
              className={TEXT}
            >
              <option value="">not said</option>
              {PURPOSES.map((purpose) => (
                <option key={purpose}>{purpose}</option>
              ))}
            </select>
          </label>
          <div className="flex flex-wrap items-center gap-2">
            <Segmented
              label="Do you have this sound?"
              choices={HAVE}
              value={(card.have ?? "") as Have}
              onChange={(have) => set({ have })}
            />
            <SmallField
              label="stacked"
              inputMode="numeric"
              className="w-9"
              value={card.stacked ? String(card.stacked) : ""}
              onText={(text) => set({ stacked: /^\d+$/.test(text) ? Number(text) : null })}
            />
          </div>
          {card.have === "substitute" && (
            <label className="grid grid-cols-[76px_1fr] items-center gap-2">
              <span className="text-ink-2">What is lost</span>
              <input
                value={card.lost ?? ""}
                maxLength={300}
                placeholder="the rattle of the keys"
                onChange={(event) => set({ lost: event.target.value })}
                className={TEXT}
              />
            </label>
          )}
        </div>
      </Part>
      <Stack card={card} onChange={(stack) => set({ stack })} />
      <Candidates card={card} onChange={(candidates) => set({ candidates })} />
      <Chain card={card} onChange={(chain) => set({ chain })} />
      {draft.typed && (
        <p role="status" className="mt-3 flex items-baseline justify-between gap-2 text-heard-text">
          not kept yet
          <button type="button" className="underline" onClick={draft.drop}>
            Drop what was typed
          </button>
        </p>
      )}
      <Button type="submit" look="solid" className="mt-3">
        Keep the card
      </Button>
    </form>
  );
}

/** Rows that were opened but not filled in are left out. */
function cleaned(card: LayerCard): LayerCard {
  return {
    ...card,
    candidates: (card.candidates ?? []).filter((candidate) => candidate.text.trim() !== ""),
    stack: (card.stack ?? []).filter((part) => part.text.trim() !== ""),
    chain: (card.chain ?? []).filter((step) => step.type.trim() !== ""),
  };
}
