import type { ReferencePage } from "../api/types";
import { isBusy } from "../app/useProgress";
import { Button } from "../components/Button";
import { Failure } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { plural } from "../lib/format";
import { Unfinished } from "./Unfinished";
import { useAgain } from "./useAgain";
import { useEdits } from "./useEdits";
import { words } from "../words/words";

/** What is stored can't be laid out: the last change can be taken back, or the recording measured anew. */
export function Unshowable({ page, problem }: { page: ReferencePage; problem: string }) {
  const { reference, journal } = page;
  const again = useAgain(page);
  const edits = useEdits(page);
  const measuring = isBusy(page.reference.run);
  return (
    <>
      <PageHead title={reference.title} remark={reference.artist} />
      <div className="min-h-0 grow overflow-y-auto bg-sheet p-4">
        <Failure error={again.error ?? edits.error ?? new Error(problem)} />
        <div className="mt-4 flex gap-2">
          {journal.undo && <Button onClick={edits.undo}>Undo: {journal.undo}</Button>}
          <Button disabled={measuring || again.isPending} onClick={() => again.mutate()}>
            {measuring ? "Being analysed again" : words.analyseAgain}
          </Button>
        </div>
        <p className="mt-4 max-w-[520px] text-ink-2">
          {journal.edits.length > 0 &&
            `What you said of this song is kept: ${plural(journal.edits.length, "change")}. `}
          The study, its profile and its other songs go on without it.
        </p>
      </div>
    </>
  );
}

/** A sheet that can't be read yet: how far it is, or why it failed and what to do. */
export function NotYet({ page, run }: { page: ReferencePage; run: ReferencePage["reference"]["run"] }) {
  const { reference } = page;
  const again = useAgain(page);
  return (
    <>
      <PageHead title={reference.title} remark={reference.artist} />
      <div className="min-h-0 grow overflow-y-auto bg-sheet">
        {run?.state === "failed" ? (
          <div className="p-4">
            <Failure
              error={new Error(run.error ?? "The analysis failed.")}
              action={<Button onClick={() => again.mutate()}>{words.tryAgain}</Button>}
            />
          </div>
        ) : (
          run && <Unfinished run={run} />
        )}
      </div>
    </>
  );
}
