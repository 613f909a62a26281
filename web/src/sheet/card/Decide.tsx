import { Check } from "lucide-react";
import { useState } from "react";
import { useCommands } from "../../app/commands";
import type { ReadingState } from "../../api/types";
import { Button } from "../../components/Button";
import { LineInput } from "../../components/LineInput";
import { useEscape } from "../../lib/useEscape";
import { words } from "../../words/words";
import { InFoot } from "./slots";

const GROUP = "Deciding";

/** Why something was decided, and where that is said. */
export interface Why {
  note: string;
  link: string;
}

interface DecideProps {
  state: ReadingState;
  onMark: (state: "open" | "confirmed" | "refuted", why?: Why) => void;
  /** What was said before of why, where a reason can be given. */
  why?: Why;
  /** Takes the likeliest alternative. */
  onRival?: () => void;
  /** Takes back what a person wrote. */
  onClear?: () => void;
  onCorrect?: () => void;
  /** Some statements can be confirmed but not called wrong: they are moved or renamed instead. */
  refutable?: boolean;
}

/** Confirm, correct, call wrong, reopen; each is one key as well, and may carry a reason. */
export function Decide({ state, onMark, why, onRival, onClear, onCorrect, refutable = true }: DecideProps) {
  const [reason, setReason] = useState<Why | null>(null);
  const mark = (next: "open" | "confirmed" | "refuted") => {
    if (reason) onMark(next, reason);
    else onMark(next);
    setReason(null);
  };
  useCommands([
    { key: "c", name: "confirm what is selected", group: GROUP, run: () => mark("confirmed") },
    ...(refutable ? [{ key: "x", name: "mark it as wrong", group: GROUP, run: () => mark("refuted") }] : []),
    { key: "o", name: "reopen it", group: GROUP, run: () => mark("open") },
    ...(onRival ? [{ key: "r", name: "take the likeliest alternative", group: GROUP, run: onRival }] : []),
  ]);
  const settled = state === "confirmed" || state === "refuted";
  return (
    <InFoot>
      {reason && <ReasonFields why={reason} onWhy={setReason} />}
      <div className="flex gap-1.5" role="group" aria-label="Decide">
        {settled ? (
          <Button className="min-w-0 grow gap-1 px-1" onClick={() => mark("open")}>
            {words.reopen}
          </Button>
        ) : (
          <Button look="confirm" className="min-w-0 grow gap-1 px-1" onClick={() => mark("confirmed")}>
            <Check size={13} strokeWidth={2.4} className="shrink-0" aria-hidden /> {words.confirm}
          </Button>
        )}
        {settled && reason && (
          <Button look="solid" className="min-w-0 grow gap-1 px-1" onClick={() => mark(state)}>
            {words.save}
          </Button>
        )}
        {onCorrect && (
          <Button className="min-w-0 grow gap-1 px-1" onClick={onCorrect}>
            {words.correct}
          </Button>
        )}
        {onClear && (
          <Button className="min-w-0 grow gap-1 px-1" onClick={onClear}>
            Clear
          </Button>
        )}
        {refutable && (
          <Button
            look="refute"
            className="min-w-0 grow gap-1 px-1"
            disabled={state === "refuted"}
            onClick={() => mark("refuted")}
          >
            {words.wrong}
          </Button>
        )}
      </div>
      {why && !reason && (
        <Button look="quiet" className="mt-1 h-6 px-0" onClick={() => setReason(why)}>
          {words.addReason}
        </Button>
      )}
    </InFoot>
  );
}

function ReasonFields({ why, onWhy }: { why: Why; onWhy: (why: Why | null) => void }) {
  useEscape(() => onWhy(null));
  return (
    <div className="mb-2 flex flex-col gap-1.5">
      <LineInput
        name={words.reason}
        placeholder={words.reason}
        autoFocus
        maxLength={500}
        value={why.note}
        onText={(note) => onWhy({ ...why, note })}
      />
      <LineInput
        name={words.link}
        placeholder={`${words.link}, https://…`}
        maxLength={500}
        value={why.link}
        onText={(link) => onWhy({ ...why, link })}
      />
    </div>
  );
}
