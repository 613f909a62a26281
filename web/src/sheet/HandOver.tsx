import { DropdownMenu } from "radix-ui";
import { FORMATS } from "../api/contract";
import { told } from "../app/frame";

/** What can be taken away from a sheet, in open formats. */
export function HandOver({ referenceId }: { referenceId: number }) {
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger className="h-7 rounded-sm border border-firm px-3 font-medium whitespace-nowrap hover:bg-wash data-[state=open]:bg-ink data-[state=open]:text-sheet">
        Hand over
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={4} className="z-40 border border-firm bg-sheet py-1">
          {FORMATS.map(({ file, words }) => (
            <DropdownMenu.Item key={file} asChild>
              <a
                href={`/api/references/${referenceId}/${file}?as=${told()}`}
                download
                className="block px-4 py-1.5 outline-none data-[highlighted]:bg-wash"
              >
                {words}
              </a>
            </DropdownMenu.Item>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
