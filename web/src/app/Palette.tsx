import { Command as Cmdk, defaultFilter } from "cmdk";
import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "react-router";
import { searchQuery } from "../api/queries";
import { Dialog } from "../components/Dialog";
import { usePlayer } from "../player/context";
import { keyWords, useCommandRegistry, type Command } from "./commands";
import { sectionName } from "../lib/sections";

/** Any action, place, section or bar by name; and whatever has a name or was written. */
export function Palette({ open, onClose }: { open: boolean; onClose: () => void }) {
  return (
    <Dialog title="Do or go to" open={open} onClose={onClose}>
      <Choices onClose={onClose} />
    </Dialog>
  );
}

const FOUND = "found by words";

/** Actions and places come by their names; what was found stands behind them, whatever it is called. */
function nearness(value: string, search: string): number {
  return value.startsWith(FOUND) ? 0.0001 : defaultFilter(value, search);
}

const GROUP_LOOK =
  "[&_[cmdk-group-heading]]:mt-2 [&_[cmdk-group-heading]]:border-b [&_[cmdk-group-heading]]:border-rule [&_[cmdk-group-heading]]:pb-0.5 [&_[cmdk-group-heading]]:font-serif [&_[cmdk-group-heading]]:text-13 [&_[cmdk-group-heading]]:italic";

function Choices({ onClose }: { onClose: () => void }) {
  const registry = useCommandRegistry();
  const player = usePlayer();
  const [search, setSearch] = useState("");
  const commands = [
    ...registry.all(),
    ...places(player.snapshot().track?.sections ?? [], (bar) => player.seekBar(bar)),
  ];
  const { data: found } = useQuery(searchQuery(search.trim()));
  const navigate = useNavigate();
  const bar = Number(/^(?:bar\s*)?(\d+)$/i.exec(search.trim())?.[1]);
  const last = player.snapshot().track?.bars.length ?? 0;
  const groups = [...new Set(commands.map((command) => command.group))];
  const act = (run: () => void) => {
    onClose();
    // After the dialog has given the focus back, so that what is opened next can take it.
    setTimeout(() => run(), 0);
  };
  const choice = (command: Command) => (
    <Choice
      key={`${command.group} ${command.name}`}
      name={command.name}
      hint={command.key && keyWords(command.key)}
      onSelect={() => act(command.run)}
    />
  );
  return (
    <Cmdk label="Do or go to" filter={nearness} className="flex flex-col gap-2">
      <Cmdk.Input
        autoFocus
        value={search}
        onValueChange={setSearch}
        placeholder="An action, a place, a bar number, or words to find"
        className="h-9 w-full rounded-sm border border-firm bg-sheet px-2.5 text-13 placeholder:text-ink-3"
      />
      <Cmdk.List className="max-h-[46vh] overflow-y-auto scroll-quiet">
        <Cmdk.Empty className="py-3 font-serif text-15 italic text-ink-2">Nothing found.</Cmdk.Empty>
        {bar >= 1 && bar <= last && (
          <Choice name={`Go to bar ${bar}`} onSelect={() => act(() => player.seekBar(bar))} forced={search} />
        )}
        {/* One list while something is looked for, so that the nearest comes first whatever group it is of. */}
        {search.trim() === ""
          ? groups.map((group) => (
              <Cmdk.Group key={group} heading={group} className={GROUP_LOOK}>
                {commands.filter((command) => command.group === group).map(choice)}
              </Cmdk.Group>
            ))
          : commands.map(choice)}
        {found?.map((hit, index) => (
          <Choice
            key={`${index} ${hit.path}`}
            name={hit.text}
            hint={[hit.kind, hit.beside].filter(Boolean).join(", ")}
            forced={`${FOUND} ${index}`}
            onSelect={() => act(() => void navigate(hit.path))}
          />
        ))}
      </Cmdk.List>
    </Cmdk>
  );
}

interface ChoiceProps {
  name: string;
  hint?: string | undefined;
  onSelect: () => void;
  /** Shown whatever is typed. */
  forced?: string;
}

function Choice({ name, hint, onSelect, forced }: ChoiceProps) {
  return (
    <Cmdk.Item
      value={forced === undefined ? name : `${forced} ${name}`}
      onSelect={onSelect}
      className="flex cursor-pointer items-baseline justify-between gap-3 px-1.5 py-1 data-[selected=true]:bg-ink data-[selected=true]:text-sheet"
    >
      <span className="min-w-0 truncate">{name}</span>
      {hint && <span className="figure max-w-[45%] shrink-0 truncate">{hint}</span>}
    </Cmdk.Item>
  );
}

function places(
  sections: { label: string; letter: string; first_bar: number }[],
  go: (bar: number) => void,
): Command[] {
  return sections.map((section) => ({
    name: `${sectionName(section)}, bar ${section.first_bar}`,
    group: "Go to a section",
    run: () => go(section.first_bar),
  }));
}
