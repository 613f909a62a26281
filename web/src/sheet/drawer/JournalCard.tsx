import { Button } from "../../components/Button";
import { day, plural } from "../../lib/format";
import { useSheet } from "../context";
import { CardHead } from "../card/CardHead";
import { Part } from "../card/Part";

/** Every change to this sheet, newest first; what was undone can be done again. */
export function JournalCard() {
  const { page, edits } = useSheet();
  const { journal } = page;
  const done = journal.edits.filter((edit) => !edit.undone).length;
  return (
    <>
      <CardHead
        caption="Changes to this sheet"
        value={plural(done, "change")}
        why={journal.edits.length === 0 ? "What you change is listed here, and can be undone." : undefined}
      />
      <div className="mt-3 flex gap-2">
        <Button className="grow" disabled={journal.undo === null} onClick={edits.undo}>
          Undo
        </Button>
        <Button className="grow" disabled={journal.redo === null} onClick={edits.redo}>
          Redo
        </Button>
      </div>
      {journal.edits.length > 0 && (
        <Part title="Newest first">
          <ol className="flex flex-col gap-1">
            {journal.edits.toReversed().map((edit) => (
              <li key={edit.number} className="grid grid-cols-[24px_48px_1fr] gap-2">
                <span className="figure text-ink-2">{edit.number}</span>
                <span className="figure text-ink-2">{day(edit.created_at)}</span>
                <span className={edit.undone ? "text-ink-3 line-through" : ""}>
                  {edit.label}
                  {edit.undone && <span className="sr-only"> (undone)</span>}
                </span>
              </li>
            ))}
          </ol>
        </Part>
      )}
    </>
  );
}
