import { useState } from "react";
import type { Item } from "../api/types";
import { Button } from "../components/Button";
import { SmallField } from "../components/SmallField";
import type { List } from "./useList";
import { words } from "../words/words";

interface ItemPartsProps {
  item: Item;
  /** Its place in the list, from 0, and how many there are. */
  place: number;
  of: number;
  list: List;
}

/** Where an item stands, and what it is made of: moved, split, joined with the next, taken away. All of it can be undone. */
export function ItemParts({ item, place, of, list }: ItemPartsProps) {
  const [step, setStep] = useState("2");
  const at = Number(step);
  const fits = Number.isInteger(at) && at >= 2 && at <= item.steps.length;
  return (
    <details className="text-ink-2">
      <summary className="cursor-pointer underline decoration-firm underline-offset-2">Move, split, join</summary>
      <div className="mt-1.5 flex flex-wrap items-center gap-1.5">
        <Button disabled={place === 0} onClick={() => list.move(item.id, place - 1)}>
          Earlier
        </Button>
        <Button disabled={place === of - 1} onClick={() => list.move(item.id, place + 1)}>
          Later
        </Button>
        <Button disabled={place === of - 1} onClick={() => list.join(item.id)}>
          Join with the next
        </Button>
        <Button look="refute" aria-label={`Delete ${item.title}`} onClick={() => list.remove(item.id)}>
          {words.delete}
        </Button>
      </div>
      {item.steps.length > 1 && (
        <div className="mt-1.5 flex items-center gap-2">
          <SmallField label="A new item from step" inputMode="numeric" className="w-12" value={step} onText={setStep} />
          <Button disabled={!fits} onClick={() => list.split(item.id, at)}>
            Split it there
          </Button>
        </div>
      )}
    </details>
  );
}
