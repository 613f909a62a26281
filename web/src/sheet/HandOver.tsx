import { DropdownMenu } from "radix-ui";
import { useNavigate } from "react-router";
import { FORMATS } from "../api/contract";
import type { Analysis, ReferencePage } from "../api/types";
import { told } from "../app/frame";
import { linkButton } from "../components/linkLook";
import { words } from "../words/words";

const CHOICE = "block px-4 py-1 outline-none data-[highlighted]:bg-wash";

/** What can be taken away from a sheet, in open formats, in the tempo and key that it is told in. */
export function HandOver({ page, analysis }: { page: ReferencePage; analysis: Analysis }) {
  const { id, study_id: studyId } = page.reference;
  const navigate = useNavigate();
  const first = (analysis.bars[0]?.start ?? 0) / (page.frame?.ratio ?? 1);
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className={`${linkButton} data-[state=open]:bg-ink data-[state=open]:text-sheet`}>
        {words.export}
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={4}
          className="z-40 max-h-[80vh] w-[380px] overflow-y-auto border border-firm bg-sheet py-1"
        >
          <p className="px-4 pt-1 pb-2 font-serif text-13 italic text-ink-2">
            {page.frame
              ? "As mine: in the tempo and key of the new track. "
              : "As theirs: in the song’s own tempo and key. "}
            Bar 1 lies at {first.toFixed(3)} s of the recording. In files of notes it lies at 0, but for the one that is
            aligned to the audio.
          </p>
          <DropdownMenu.Item
            className={CHOICE}
            onSelect={() => void navigate(`/studies/${studyId}/references/${id}/paper`)}
          >
            On paper: the sheet, printed
          </DropdownMenu.Item>
          {FORMATS.map(({ file, words }) => (
            <DropdownMenu.Item key={file} asChild>
              <a href={`/api/references/${id}/${file}?as=${told()}`} download className={CHOICE}>
                {words}
              </a>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
