import { useQuery } from "@tanstack/react-query";
import { Ellipsis } from "lucide-react";
import { DropdownMenu } from "radix-ui";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { studiesQuery } from "../api/queries";
import type { ReferenceRow } from "../api/types";
import { useChange } from "../app/useChange";
import { useDeletion } from "../app/useDeletion";
import { words } from "../words/words";

const CHOICE = "block w-full px-4 py-1.5 text-left outline-none data-[highlighted]:bg-wash";

/** What can be done with a song of a study. */
export function RowMenu({ row, of, onRename }: { row: ReferenceRow; of: number; onRename: () => void }) {
  const { data } = useQuery(studiesQuery);
  const stale = [keys.study(row.study_id), keys.studies, keys.progress(row.study_id), keys.profile(row.study_id)];
  const place = useChange({ send: (to: number) => write("POST", `/references/${row.id}/place`, { to }), stale });
  const move = useChange({
    send: (body: { study_id: number; copy: boolean }) => write("POST", `/references/${row.id}/moves`, body),
    stale,
  });
  const remove = useDeletion();
  const others = (data?.studies ?? []).filter((study) => study.id !== row.study_id);
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger aria-label={`What to do with ${row.title}`} className="p-1.5 hover:bg-wash">
        <Ellipsis size={15} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={2}
          className="z-40 max-h-[60vh] overflow-y-auto border border-firm bg-sheet py-1"
        >
          <DropdownMenu.Item className={CHOICE} onSelect={onRename}>
            Rename
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className={CHOICE}
            disabled={row.position === 1}
            onSelect={() => place.mutate(row.position - 1)}
          >
            Move up
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className={CHOICE}
            disabled={row.position >= of}
            onSelect={() => place.mutate(row.position + 1)}
          >
            Move down
          </DropdownMenu.Item>
          {others.map((study) => (
            <DropdownMenu.Item
              key={`move ${study.id}`}
              className={CHOICE}
              onSelect={() => move.mutate({ study_id: study.id, copy: false })}
            >
              {`Move to “${study.title}”`}
            </DropdownMenu.Item>
          ))}
          {others.map((study) => (
            <DropdownMenu.Item
              key={`copy ${study.id}`}
              className={CHOICE}
              onSelect={() => move.mutate({ study_id: study.id, copy: true })}
            >
              {`Copy to “${study.title}”`}
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Item
            className={`${CHOICE} text-conflict`}
            onSelect={() => remove({ path: `/references/${row.id}`, title: row.title, stale })}
          >
            {words.delete}
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
