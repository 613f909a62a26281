import { useState } from "react";
import { Button } from "../components/Button";

const KEY = "ethoscope-hints-seen";

/** Two short hints over the first sheet that somebody reads, and never again. */
export function Hints() {
  const [seen, setSeen] = useState(() => localStorage.getItem(KEY) !== null);
  if (seen) return null;
  const close = () => {
    localStorage.setItem(KEY, "1");
    setSeen(true);
  };
  return (
    <aside
      aria-label="Hints"
      className="flex shrink-0 flex-wrap items-center gap-x-6 gap-y-1 border-b border-rule bg-sheet px-4 py-1.5"
    >
      <span>
        <strong className="font-medium">Something is wrong?</strong> Click it in the strip above: its alternatives are
        one click each.
      </span>
      <span>
        <strong className="font-medium">Listen:</strong> Space plays, drag over the ruler to loop,{" "}
        <kbd className="rounded-sm border border-firm px-1 font-mono text-11">?</kbd> shows all keys.
      </span>
      <Button className="ml-auto" onClick={close}>
        Got it
      </Button>
    </aside>
  );
}
