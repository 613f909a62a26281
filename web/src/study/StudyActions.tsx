import { DropdownMenu } from "radix-ui";
import { useState } from "react";
import { useNavigate } from "react-router";
import { keys } from "../api/keys";
import type { StudyPage } from "../api/types";
import { told } from "../app/frame";
import { useDeletion } from "../app/useDeletion";
import { Button } from "../components/Button";
import { linkButton } from "../components/linkLook";
import { EditStudy } from "./EditStudy";
import { words } from "../words/words";

const CHOICE = "block px-4 py-1.5 outline-none data-[highlighted]:bg-wash";

/** See to a study: edit it, take it away whole, throw it away. */
export function StudyActions({ page }: { page: StudyPage }) {
  const { study } = page;
  const [editing, setEditing] = useState(false);
  const navigate = useNavigate();
  const remove = useDeletion();
  return (
    <>
      <Button onClick={() => setEditing(true)}>Edit</Button>
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger className={`${linkButton} data-[state=open]:bg-ink data-[state=open]:text-sheet`}>
          {words.export}
        </DropdownMenu.Trigger>
        <DropdownMenu.Portal>
          <DropdownMenu.Content align="end" sideOffset={4} className="z-40 w-[360px] border border-firm bg-sheet py-1">
            <DropdownMenu.Item asChild>
              <a href={`/api/studies/${study.id}/study.zip`} download className={CHOICE}>
                The whole study, to open on another machine: sound, readings, lists, attempts
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
      <Button
        look="quiet"
        title="It can be restored from the page of all studies"
        onClick={() =>
          remove({
            path: `/studies/${study.id}`,
            title: study.title,
            stale: [keys.studies],
            done: () => void navigate("/"),
          })
        }
      >
        {words.delete}
      </Button>
      <EditStudy key={String(editing)} study={study} open={editing} onClose={() => setEditing(false)} />
    </>
  );
}
