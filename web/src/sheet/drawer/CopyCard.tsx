import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { write } from "../../api/client";
import { keys } from "../../api/keys";
import { studyQuery } from "../../api/queries";
import { useChange } from "../../app/useChange";
import { Button } from "../../components/Button";
import { Failure } from "../../components/Notice";
import { useSheet } from "../context";
import { Part } from "../card/Part";
import { TEXT } from "../card/text";

/** Takes a layer's card into another song of the study; its bars stay behind. */
export function CopyCard({ id }: { id: number }) {
  const { page } = useSheet();
  const { data: study } = useQuery(studyQuery(page.reference.study_id));
  const others = (study?.references ?? []).filter((row) => row.id !== page.reference.id && row.summary);
  const [target, setTarget] = useState("");
  const copy = useChange({
    send: () => write("POST", `/readings/${id}/copies`, { reference_id: Number(target) }),
    stale: [keys.reference(Number(target))],
    shownHere: true,
  });
  if (others.length === 0) return null;
  return (
    <Part title="Copy the card" aside="into another song">
      <div className="flex gap-2">
        <select
          aria-label="Song to copy into"
          value={target}
          onChange={(event) => setTarget(event.target.value)}
          className={TEXT}
        >
          <option value="">choose a song</option>
          {others.map((row) => (
            <option key={row.id} value={row.id}>
              {row.title}
            </option>
          ))}
        </select>
        <Button disabled={target === "" || copy.isPending} onClick={() => copy.mutate()}>
          Copy
        </Button>
      </div>
      {copy.isSuccess && (
        <p role="status" className="mt-1 text-11 text-ink-2">
          Copied, without its bars.
        </p>
      )}
      {copy.error && <Failure error={copy.error} />}
    </Part>
  );
}
