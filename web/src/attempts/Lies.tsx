import { useState } from "react";
import { Link } from "react-router";
import type { AttemptPage, AttemptRow } from "../api/types";
import { keys } from "../api/keys";
import { tellDone } from "../app/notices";
import { useDeletion } from "../app/useDeletion";
import { Ask } from "../components/Ask";
import { Button } from "../components/Button";
import { LineInput } from "../components/LineInput";
import { percent } from "../lib/format";
import { Against, useBeside } from "./Against";
import { useAttemptChanges } from "./useAttempts";
import { settledWords } from "./words";
import { words } from "../words/words";

/** How the attempt lies, with what may be said of that by hand; its note; and what can be done with this version. */
export function Lies({ page }: { page: AttemptPage }) {
  const { attempt, comparison } = page;
  const { change, restoreList, undoList } = useAttemptChanges(attempt);
  const remove = useDeletion();
  const [beside] = useBeside();
  const alignment = comparison?.alignment;
  /** Held against a reference, and not only looked at. */
  const judged = !page.style && !beside;
  const laid = alignment?.bars.filter(([, other]) => other !== null).length ?? 0;
  return (
    <div className="flex flex-wrap items-center gap-x-5 gap-y-1 border-b border-rule bg-paper px-4 py-1.5 text-12">
      <Against attempt={attempt} />
      {alignment && !alignment.refused && (
        <span className="text-ink-2">
          <span className="figure">{`${laid} of ${alignment.bars.length}`}</span> bars aligned,{" "}
          <span className="figure">{percent(alignment.confidence)}</span> sure
          {settledWords(attempt.settled) && `; ${settledWords(attempt.settled)}`}
        </span>
      )}
      {judged && (
        <ByHand key={JSON.stringify(attempt.lies)} attempt={attempt} onSay={(lies) => change.mutate({ lies })} />
      )}
      <Note key={attempt.note} attempt={attempt} onSay={(note) => change.mutate({ note })} />
      <span className="ml-auto flex items-center gap-2">
        <Link
          to={`/studies/${attempt.study_id}/references/${attempt.song_id}`}
          title="Correct its tempo, meter or chords there; add its stems"
          className="underline"
        >
          Its own sheet
        </Link>
        {attempt.checklist_id !== null && (
          <Ask
            small
            title={`Put the checklist back to ${attempt.title.toLowerCase()}?`}
            description="Its items, targets and results become those of the moment when this was dropped. What was changed since can be had back with Undo."
            action="Put it back"
            onYes={() =>
              restoreList.mutate(undefined, {
                onSuccess: () =>
                  tellDone({
                    message: `The checklist is as it was at ${attempt.title.toLowerCase()}.`,
                    undo: () => undoList.mutate(),
                  }),
              })
            }
          >
            Checklist of then
          </Ask>
        )}
        <Button
          look="quiet"
          onClick={() =>
            remove({
              path: `/attempts/${attempt.id}`,
              back: "return",
              title: attempt.title,
              stale: [keys.attempts(attempt.study_id)],
            })
          }
        >
          {words.delete}
        </Button>
      </span>
    </div>
  );
}

/** "My bar 1 is bar 9." */
function ByHand({ attempt, onSay }: { attempt: AttemptRow; onSay: (lies: AttemptRow["lies"]) => void }) {
  const [own = 1, theirs = 1] = attempt.lies.starts ?? [];
  const [bar, setBar] = useState(String(theirs));
  const said = attempt.lies.starts !== undefined;
  return (
    <form
      className="flex items-center gap-1.5 text-ink-2"
      onSubmit={(event) => {
        event.preventDefault();
        const value = Math.round(Number(bar));
        if (value >= 1) onSay({ ...attempt.lies, starts: [own, value] });
      }}
    >
      My bar <span className="figure">{own}</span> = reference bar
      <LineInput
        name="Bar of the reference"
        inputMode="numeric"
        value={bar}
        onText={setBar}
        className="h-6 w-11 figure"
      />
      {said ? (
        <button type="button" className="underline" onClick={() => onSay({})}>
          find it yourself
        </button>
      ) : (
        String(theirs) !== bar && (
          <button type="submit" className="underline">
            set
          </button>
        )
      )}
    </form>
  );
}

function Note({ attempt, onSay }: { attempt: AttemptRow; onSay: (note: string) => void }) {
  const [text, setText] = useState(attempt.note);
  return (
    <LineInput
      name="Note on this attempt"
      placeholder={`what changed since ${attempt.number > 1 ? `attempt ${attempt.number - 1}` : "the start"}`}
      value={text}
      onText={setText}
      onBlur={() => text !== attempt.note && onSay(text)}
      className="h-6 w-[148px] wide:w-[320px]"
    />
  );
}
