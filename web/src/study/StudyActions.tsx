import { useState } from "react";
import { useNavigate } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import type { StudyPage } from "../api/types";
import { useChange } from "../app/useChange";
import { Button } from "../components/Button";
import { linkButton } from "../components/linkLook";
import { EditStudy } from "./EditStudy";

/** See to a study: edit it, take it away whole, throw it away. */
export function StudyActions({ page }: { page: StudyPage }) {
  const { study } = page;
  const [editing, setEditing] = useState(false);
  const navigate = useNavigate();
  const remove = useChange({
    send: () => write("DELETE", `/studies/${study.id}`),
    stale: [keys.studies],
    done: () => void navigate("/"),
  });
  return (
    <>
      <Button onClick={() => setEditing(true)}>Edit</Button>
      <a href={`/api/studies/${study.id}/study.zip`} download className={linkButton}>
        Take away whole
      </a>
      <Button look="quiet" title="It can be brought back from the page of all studies" onClick={() => remove.mutate()}>
        Throw away
      </Button>
      <EditStudy key={String(editing)} study={study} open={editing} onClose={() => setEditing(false)} />
    </>
  );
}
