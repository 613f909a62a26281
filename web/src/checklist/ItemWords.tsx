import { useState } from "react";
import type { Item } from "../api/types";
import { Ask } from "../components/Ask";
import { Button } from "../components/Button";
import { LineInput } from "../components/LineInput";
import { SmallField } from "../components/SmallField";

interface ItemWordsProps {
  item: Item;
  onChange: (change: { title?: string; target?: string; minutes?: number }) => void;
  onRemove: () => void;
}

/** The item in one's own words: what it is called, what is to be reached, and how long it may take. */
export function ItemWords({ item, onChange, onRemove }: ItemWordsProps) {
  const [title, setTitle] = useState(item.title);
  const [target, setTarget] = useState(item.target);
  const [minutes, setMinutes] = useState(String(item.minutes));
  const box = Number(minutes);
  const fits = title.trim() !== "" && target.trim() !== "" && Number.isInteger(box) && box >= 1 && box <= 600;
  const same = title === item.title && target === item.target && box === item.minutes;
  return (
    <details className="text-ink-2">
      <summary className="cursor-pointer underline decoration-firm underline-offset-2">In your own words</summary>
      <form
        className="mt-1.5 flex flex-col gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          onChange({ title: title.trim(), target: target.trim(), minutes: box });
        }}
      >
        <LineInput name="What to do" maxLength={200} value={title} onText={setTitle} />
        <LineInput name="What is to be reached" maxLength={500} value={target} onText={setTarget} />
        <div className="flex items-center gap-2">
          <SmallField label="box, min" inputMode="numeric" className="w-12" value={minutes} onText={setMinutes} />
          <Button type="submit" disabled={!fits || same}>
            Keep these words
          </Button>
          {item.from === "you" && (
            <Ask
              plain
              name={`Remove ${item.title}`}
              title={`Remove “${item.title}”?`}
              description="It goes from the list with its note. This can't be undone."
              action="Remove the item"
              onYes={onRemove}
            >
              remove
            </Ask>
          )}
        </div>
      </form>
    </details>
  );
}
