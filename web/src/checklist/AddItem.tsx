import { useState } from "react";
import { Button } from "../components/Button";
import { LineInput } from "../components/LineInput";

interface AddItemProps {
  stages: string[];
  onAdd: (item: { stage: string; title: string }) => void;
}

/** Something to do that no reading asks for. */
export function AddItem({ stages, onAdd }: AddItemProps) {
  const [stage, setStage] = useState(stages.at(-1) ?? "");
  const [title, setTitle] = useState("");
  return (
    <form
      aria-label="Add an item"
      className="mt-3 flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (title.trim() === "") return;
        onAdd({ stage, title: title.trim() });
        setTitle("");
      }}
    >
      <select
        aria-label="Stage of the new item"
        value={stage}
        onChange={(event) => setStage(event.target.value)}
        className="h-7 rounded-sm border border-firm bg-sheet px-1.5"
      >
        {stages.map((name) => (
          <option key={name}>{name}</option>
        ))}
      </select>
      <LineInput
        name="What else is to be done"
        placeholder="What else is to be done"
        maxLength={200}
        value={title}
        onText={setTitle}
        className="w-80"
      />
      <Button type="submit" disabled={title.trim() === ""}>
        Add it
      </Button>
    </form>
  );
}
