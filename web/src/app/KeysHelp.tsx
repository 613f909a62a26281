import { Dialog } from "../components/Dialog";
import { keyWords, useCommandRegistry, type Command } from "./commands";

const ALWAYS: Command[] = [
  { key: "Tab", name: "to the next thing that acts", group: "Anywhere", run: () => undefined },
  { key: "Escape", name: "close what is open", group: "Anywhere", run: () => undefined },
];

/** What keys do on the card that is open; here they stand also while none is. */
const ON_CARDS = [
  ["c", "confirm"],
  ["x", "mark as wrong"],
  ["o", "reopen"],
  ["r", "take the likeliest alternative"],
  ["s", "split the chord or section"],
  ["j", "join it with the next"],
  ["g", "give a section a usual length"],
  ["b", "tap a beat, on the tempo's card"],
  ["h", "count half as fast"],
  ["d", "count twice as fast"],
  ["Shift+ArrowUp", "bar lines later, on the meter's card"],
  ["Shift+ArrowDown", "bar lines earlier"],
].map(([key = "", name = ""]): Command => ({ key, name, group: "On an open card", run: () => undefined }));
const CARD_GROUPS = new Set(["Deciding", "Sections", "Tempo and bars", "Chords"]);

/** All keys of the page, on one sheet. */
export function KeysHelp({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog title="Keys" open={open} onClose={onClose} wide>
      <KeyList />
    </Dialog>
  );
}

function KeyList() {
  const registry = useCommandRegistry();
  const offered = registry.all().filter((command) => command.key && !CARD_GROUPS.has(command.group));
  const onSheet = offered.some((command) => command.group === "On the sheet");
  const commands = [...ALWAYS, ...offered, ...(onSheet ? ON_CARDS : [])];
  const groups = [...new Set(commands.map((command) => command.group))];
  return (
    <div className="columns-3 gap-x-7">
      {groups.map((group) => (
        <section key={group} className="mb-4 break-inside-avoid">
          <h3 className="mb-1 border-b border-rule pb-1 font-serif text-15 italic">{group}</h3>
          <dl className="grid grid-cols-[86px_1fr] gap-y-1.5 pt-1">
            {commands
              .filter((command) => command.group === group)
              .map((command) => (
                <div key={command.name} className="contents">
                  <dt>
                    <kbd className="rounded-sm border border-firm px-1.5 font-mono text-11">
                      {keyWords(command.key ?? "")}
                    </kbd>
                  </dt>
                  <dd>{command.name}</dd>
                </div>
              ))}
          </dl>
        </section>
      ))}
    </div>
  );
}
