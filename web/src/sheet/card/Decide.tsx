import { Check } from "lucide-react";
import { useCommands } from "../../app/commands";
import type { ReadingState } from "../../api/types";
import { Button } from "../../components/Button";
import { InFoot } from "./slots";

const GROUP = "Deciding";

interface DecideProps {
  state: ReadingState;
  onMark: (state: "open" | "confirmed" | "refuted") => void;
  /** Takes the nearest rival. */
  onRival?: () => void;
  /** Takes back what a person wrote. */
  onClear?: () => void;
  onCorrect?: () => void;
  /** Some statements can be confirmed but not refuted: they are moved or renamed instead. */
  refutable?: boolean;
}

/** Confirm, refute, open again; each is one key as well. */
export function Decide({ state, onMark, onRival, onClear, onCorrect, refutable = true }: DecideProps) {
  useCommands([
    { key: "c", name: "confirm what is selected", group: GROUP, run: () => onMark("confirmed") },
    ...(refutable ? [{ key: "x", name: "refute it", group: GROUP, run: () => onMark("refuted") }] : []),
    { key: "o", name: "open it again", group: GROUP, run: () => onMark("open") },
    ...(onRival ? [{ key: "r", name: "take its nearest rival", group: GROUP, run: onRival }] : []),
  ]);
  const settled = state === "confirmed" || state === "refuted";
  return (
    <InFoot>
      <div className="flex flex-wrap gap-2" role="group" aria-label="Decide">
        {settled ? (
          <Button className="grow px-1.5" onClick={() => onMark("open")}>
            Open again
          </Button>
        ) : (
          <Button look="confirm" className="grow px-1.5" onClick={() => onMark("confirmed")}>
            <Check size={13} strokeWidth={2.4} className="shrink-0" aria-hidden /> This one is right
          </Button>
        )}
        {onCorrect && (
          <Button className="grow px-1.5" onClick={onCorrect}>
            Correct
          </Button>
        )}
        {onClear && (
          <Button className="grow px-1.5" onClick={onClear}>
            Take it back
          </Button>
        )}
        {refutable && (
          <Button
            look="refute"
            className="grow px-1.5"
            disabled={state === "refuted"}
            onClick={() => onMark("refuted")}
          >
            Refute
          </Button>
        )}
      </div>
    </InFoot>
  );
}
