import { DropdownMenu } from "radix-ui";
import { useState } from "react";
import { useNavigate } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import type { StudyPage } from "../api/types";
import { told } from "../app/frame";
import { useChange } from "../app/useChange";
import { Button } from "../components/Button";
import { linkButton } from "../components/linkLook";
import { EditStudy } from "./EditStudy";

const CHOICE = "block px-4 py-1.5 outline-none data-[highlighted]:bg-wash";

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
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger className={`${linkButton} data-[state=open]:bg-ink data-[state=open]:text-sheet`}>
          Hand over
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="end" sideOffset={4} className="z-40 w-[360px] border border-firm bg-sheet py-1">
            <DropdownMenu.Item asChild>
              <a href={`/api/studies/${study.id}/study.zip`} download className={CHOICE}>
                The study whole, to be opened elsewhere: sound, readings, lists, attempts
              </a>
            </DropdownMenu.Item>
            <DropdownMenu.Item asChild>
              <a href={`/api/studies/${study.id}/all.zip?as=${told()}`} download className={CHOICE}>
                Every song in every format, the lists and the logbook, in one archive
              </a>
            </DropdownMenu.Item>
          </DropdownMenu.Content>
        </DropdownMenu.Portal>
      </DropdownMenu.Root>
      <Button look="quiet" title="It can be brought back from the page of all studies" onClick={() => remove.mutate()}>
        Throw away
      </Button>
      <EditStudy key={String(editing)} study={study} open={editing} onClose={() => setEditing(false)} />
    </>
  );
}
