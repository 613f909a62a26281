import { X } from "lucide-react";
import { useEffect } from "react";
import { Button } from "../components/Button";
import { words } from "../words/words";
import { tellDone, useDone } from "./notices";

/** So long an offer to undo stays in sight; what was deleted can be restored for ever where it was listed. */
const SECONDS = 30;

/** Above playback: what was just deleted or overwritten, and one button that takes it back. */
export function DoneLine() {
  const done = useDone();
  useEffect(() => {
    if (!done) return;
    const timer = setTimeout(() => tellDone(null), SECONDS * 1000);
    return () => clearTimeout(timer);
  }, [done]);
  return (
    <div role="status" aria-label="Done" data-testid="done" className="contents print:hidden">
      {done && (
        <p className="flex shrink-0 items-center gap-3 border-t border-firm bg-sheet px-4 py-1.5">
          <span className="min-w-0 truncate">{done.message}</span>
          <Button
            onClick={() => {
              tellDone(null);
              done.undo();
            }}
          >
            {words.undo}
          </Button>
          <button
            type="button"
            aria-label="Dismiss"
            className="ml-auto grid size-6 place-items-center hover:bg-wash"
            onClick={() => tellDone(null)}
          >
            <X size={14} aria-hidden />
          </button>
        </p>
      )}
    </div>
  );
}
