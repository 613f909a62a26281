import { useState } from "react";
import { write } from "../api/client";
import { keys } from "../api/keys";
import type { ReferenceRow } from "../api/types";
import { useChange } from "../app/useChange";
import { Button } from "../components/Button";
import { LineInput } from "../components/LineInput";
import { useEscape } from "../lib/useEscape";
import { words } from "../words/words";

/** Title and artist of a song, in its row. */
export function Rename({ row, onDone }: { row: ReferenceRow; onDone: () => void }) {
  const [title, setTitle] = useState(row.title);
  const [artist, setArtist] = useState(row.artist ?? "");
  useEscape(onDone);
  const save = useChange({
    send: () => write("PATCH", `/references/${row.id}`, { title: title.trim(), artist: artist.trim() || null }),
    stale: [keys.study(row.study_id), keys.reference(row.id)],
    done: onDone,
  });
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <LineInput name="Title" autoFocus maxLength={200} value={title} onText={setTitle} />
      <LineInput name="Artist" placeholder="artist" maxLength={200} value={artist} onText={setArtist} />
      <span className="flex gap-1.5">
        <Button type="submit" disabled={title.trim() === ""}>
          {words.save}
        </Button>
        <Button look="quiet" onClick={onDone}>
          {words.cancel}
        </Button>
      </span>
    </form>
  );
}
