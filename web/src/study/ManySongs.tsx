import { useQuery, useQueryClient } from "@tanstack/react-query";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { studiesQuery } from "../api/queries";
import type { ReferenceRow, Standing } from "../api/types";
import { tellFailure } from "../app/failures";
import { tellDone } from "../app/notices";
import { useChange } from "../app/useChange";
import { Button } from "../components/Button";
import { plural } from "../lib/format";
import { words } from "../words/words";

interface Many {
  action: Standing | "delete" | "restore" | "move" | "analyse" | "confirm";
  ids: number[];
  to?: number;
}

/** What can be done with many songs at once; what can't be done with one of them is said, and leaves the others. */
export function ManySongs({ rows, onDone }: { rows: ReferenceRow[]; onDone: () => void }) {
  const client = useQueryClient();
  const { data } = useQuery(studiesQuery);
  const studyId = rows[0]?.study_id ?? 0;
  const ids = rows.map((row) => row.id);
  const others = (data?.studies ?? []).filter((study) => study.id !== studyId);
  const songs = plural(rows.length, "song");
  const ask = () =>
    Promise.all(
      [keys.study(studyId), keys.studies, keys.progress(studyId), keys.profile(studyId), keys.references].map((key) =>
        client.invalidateQueries({ queryKey: key }),
      ),
    );
  const many = useChange({
    send: (body: Many) => write<{ left: { id: number; why: string }[] }>("POST", `/studies/${studyId}/many`, body),
    done: ({ left }) => {
      void ask();
      if (left[0]) tellFailure(`${plural(left.length, "song")} stayed as before. ${left[0].why}`);
    },
  });
  const run = (action: Many["action"], message?: string, undo?: () => void) =>
    many.mutate(
      { action, ids },
      {
        onSuccess: () => {
          onDone();
          if (message && undo) tellDone({ message, undo });
        },
      },
    );
  const aside = () => {
    const standings = [...new Set(rows.map((row) => row.standing))];
    run("aside", `${songs} set aside.`, () => {
      for (const action of standings)
        many.mutate({ action, ids: rows.filter((row) => row.standing === action).map((row) => row.id) });
    });
  };
  return (
    <span role="group" aria-label="With the selected songs" className="flex flex-wrap items-center gap-1.5">
      <Button onClick={() => run("confirm")} title="Confirm all readings of these songs that are open">
        {words.confirm}
      </Button>
      <Button onClick={aside} title="Exclude them from the profile">
        {words.setAside}
      </Button>
      <Button onClick={() => run("analyse")}>{words.analyseAgain}</Button>
      {others.length > 0 && (
        <select
          aria-label={words.moveTo}
          value=""
          onChange={(event) =>
            many.mutate({ action: "move", ids, to: Number(event.target.value) }, { onSuccess: onDone })
          }
          className="h-7 max-w-44 rounded-sm border border-firm bg-sheet px-1.5"
        >
          <option value="" disabled>
            {words.moveTo}…
          </option>
          {others.map((study) => (
            <option key={study.id} value={study.id}>
              {study.title}
            </option>
          ))}
        </select>
      )}
      <Button
        look="refute"
        onClick={() => run("delete", `${songs} deleted.`, () => many.mutate({ action: "restore", ids }))}
      >
        {words.delete}
      </Button>
    </span>
  );
}
