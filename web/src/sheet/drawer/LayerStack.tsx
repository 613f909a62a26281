import { GIVES } from "../../api/contract";
import type { LayerCard } from "../../api/types";
import { Button } from "../../components/Button";
import { Part } from "../card/Part";
import { TEXT } from "../card/text";

/** What each part of a stacked sound gives. */
export function Stack({
  card,
  onChange,
}: {
  card: LayerCard;
  onChange: (stack: NonNullable<LayerCard["stack"]>) => void;
}) {
  const list = card.stack ?? [];
  const edit = (index: number, change: Partial<(typeof list)[number]>) =>
    onChange(list.map((part, place) => (place === index ? { ...part, ...change } : part)));
  return (
    <Part title="What it is stacked of" aside="and what each part gives">
      <ul className="flex flex-col gap-1.5">
        {list.map((part, index) => (
          <li key={index} className="grid grid-cols-[1fr_84px_auto] gap-1.5">
            <input
              aria-label={`Part ${index + 1} of the stack`}
              value={part.text}
              maxLength={200}
              onChange={(event) => edit(index, { text: event.target.value })}
              className={TEXT}
            />
            <select
              aria-label={`What part ${index + 1} gives`}
              value={part.gives}
              onChange={(event) => edit(index, { gives: event.target.value })}
              className={TEXT}
            >
              {GIVES.map((gives) => (
                <option key={gives}>{gives}</option>
              ))}
            </select>
            <Button
              className="px-1.5"
              aria-label={`Remove part ${index + 1} of the stack`}
              onClick={() => onChange(list.filter((_, place) => place !== index))}
            >
              ×
            </Button>
          </li>
        ))}
      </ul>
      <Button className="mt-1.5 px-2" onClick={() => onChange([...list, { text: "", gives: "body" }])}>
        Another part
      </Button>
    </Part>
  );
}
