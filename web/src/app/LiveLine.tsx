import { useEffect, useState } from "react";
import { followInput, hear } from "./live";

/** Says what opened and what changed; nobody sees it. */
export function LiveLine() {
  const [words, setWords] = useState("");
  useEffect(() => hear(setWords), []);
  useEffect(() => followInput(document), []);
  return (
    <p aria-live="polite" className="sr-only" data-testid="live">
      {words}
    </p>
  );
}
