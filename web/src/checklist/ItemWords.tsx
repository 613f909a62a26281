import { useState } from "react";
import type { Item } from "../api/types";
import { Button } from "../components/Button";
import { LineInput } from "../components/LineInput";
import { SmallField } from "../components/SmallField";
import type { ItemBody } from "./useList";
import { words } from "../words/words";

interface ItemWordsProps {
  item: Item;
  onChange: (change: ItemBody) => void;
}

const lines = (text: string) =>
  text
    .split("\n")
    .map((line) => line.trim())
    .filter(Boolean);

/** The item in one's own words: what it is called, what is to be reached and how nearly, its steps, and how long it may take. */
export function ItemWords({ item, onChange }: ItemWordsProps) {
  const [title, setTitle] = useState(item.title);
  const [target, setTarget] = useState(item.target);
  const [tolerance, setTolerance] = useState(item.tolerance);
  const [minutes, setMinutes] = useState(String(item.minutes));
  const [steps, setSteps] = useState(item.steps.join("\n"));
  const box = Number(minutes);
  const fits = title.trim() !== "" && target.trim() !== "" && Number.isInteger(box) && box >= 1 && box <= 600;
  const now: ItemBody = {
    ...(title.trim() !== item.title && { title: title.trim() }),
    ...(target.trim() !== item.target && { target: target.trim() }),
    ...(tolerance.trim() !== item.tolerance && { tolerance: tolerance.trim() }),
    ...(box !== item.minutes && { minutes: box }),
    ...(lines(steps).join("\n") !== item.steps.join("\n") && { steps: lines(steps) }),
  };
  return (
    <details className="text-ink-2">
      <summary className="cursor-pointer underline decoration-firm underline-offset-2">In your own words</summary>
      <form
        className="mt-1.5 flex flex-col gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          onChange(now);
        }}
      >
        <LineInput name="What to do" maxLength={200} value={title} onText={setTitle} />
        <LineInput name="What is to be reached" maxLength={500} value={target} onText={setTarget} />
        <LineInput
          name={words.tolerance}
          placeholder={words.tolerance}
          maxLength={100}
          value={tolerance}
          onText={setTolerance}
        />
        <textarea
          aria-label="How to do it, a line a step"
          placeholder="How to do it, a line a step"
          rows={4}
          value={steps}
          onChange={(event) => setSteps(event.target.value)}
          className="w-full resize-y rounded-sm border border-firm bg-sheet px-2 py-1 text-13 text-ink"
        />
        <div className="flex items-center gap-2">
          <SmallField label={words.minutes} inputMode="numeric" className="w-12" value={minutes} onText={setMinutes} />
          <Button type="submit" disabled={!fits || Object.keys(now).length === 0}>
            Save text
          </Button>
        </div>
      </form>
    </details>
  );
}

/** Who does it, and where there is more about it. */
export function ItemWho({ item, onChange }: ItemWordsProps) {
  const [who, setWho] = useState(item.who);
  const [link, setLink] = useState("");
  return (
    <div className="flex flex-col gap-1.5">
      <LineInput
        name="Who does it"
        placeholder="Who does it: me"
        maxLength={60}
        value={who}
        onText={setWho}
        onBlur={() => who.trim() !== item.who && onChange({ who: who.trim() })}
      />
      {item.links.map((url) => (
        <p key={url} className="flex items-baseline justify-between gap-2">
          <a href={url} target="_blank" rel="noreferrer noopener" className="truncate underline">
            {url}
          </a>
          <button
            type="button"
            aria-label={`Remove the link ${url}`}
            className="text-ink-2 underline"
            onClick={() => onChange({ links: item.links.filter((one) => one !== url) })}
          >
            remove
          </button>
        </p>
      ))}
      <form
        className="flex gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          onChange({ links: [...item.links, link.trim()] });
          setLink("");
        }}
      >
        <LineInput
          name="A link"
          placeholder="A link, https://…"
          maxLength={500}
          value={link}
          onText={setLink}
          className="min-w-0 grow"
        />
        <Button type="submit" disabled={!/^https?:\/\/\S+$/.test(link.trim()) || item.links.length >= 8}>
          Add the link
        </Button>
      </form>
    </div>
  );
}
