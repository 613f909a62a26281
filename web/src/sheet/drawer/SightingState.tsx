import type { ReadingState, Sighting } from "../../api/types";
import { Button } from "../../components/Button";
import { words } from "../../words/words";

/** What a person decided about one place, and the other decisions. */
export function SightingState({ sighting, onDecide }: { sighting: Sighting; onDecide: (state: ReadingState) => void }) {
  const { state } = sighting;
  if (state !== "open")
    return (
      <span className="flex items-center gap-1.5">
        <span className={state === "confirmed" ? "text-confirmed" : "text-conflict"}>
          {state === "refuted" ? "wrong" : state}
        </span>
        <Button className="h-6 px-2" onClick={() => onDecide("open")}>
          open again
        </Button>
      </span>
    );
  return (
    <span className="flex gap-1.5">
      <Button look="confirm" className="h-6 px-2" onClick={() => onDecide("confirmed")}>
        {words.confirm}
      </Button>
      <Button look="refute" className="h-6 px-2" onClick={() => onDecide("refuted")}>
        {words.wrong}
      </Button>
    </span>
  );
}
