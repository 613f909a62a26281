import { useState, useSyncExternalStore, type ReactNode } from "react";
import { useQuery } from "@tanstack/react-query";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { schoolsQuery } from "../api/queries";
import type { Settings } from "../api/types";
import { keyWords, useCommandRegistry } from "../app/commands";
import { useHouse } from "../app/house";
import { keymapNow, watchKeymap } from "../app/keymap";
import { setTheme, storedTheme } from "../app/theme";
import { useChange } from "../app/useChange";
import { nameOf } from "../app/useKeys";
import { Button } from "../components/Button";
import { PageHead } from "../components/PageHead";
import { Segmented } from "../components/Segmented";

const NAMES = [
  { value: "key", name: "by key" },
  { value: "sharps", name: "sharps" },
  { value: "flats", name: "flats" },
] as const;
const MIDDLES = [
  { value: "C4", name: "C4" },
  { value: "C3", name: "C3" },
] as const;
const THEMES = [
  { value: "day", name: "day" },
  { value: "night", name: "night" },
] as const;
const ON = [
  { value: "on", name: "on" },
  { value: "off", name: "off" },
] as const;

/** How one likes it. Kept with the data, so that it is the same in every browser. */
export function SettingsScreen() {
  const house = useHouse();
  const { data: schools } = useQuery(schoolsQuery);
  const [theme, choose] = useState(storedTheme);
  const save = useChange({
    send: (change: Partial<Settings>) => write<{ settings: Settings }>("PATCH", "/settings", change),
    stale: [keys.house, keys.references, keys.studyPages],
  });
  if (!house) return <PageHead title="Settings" />;
  const { settings } = house;
  return (
    <>
      <PageHead title="Settings" remark={`kept in the data directory “${house.name}”`} />
      <div className="min-h-0 grow overflow-y-auto bg-sheet px-4 pb-8 scroll-quiet">
        <Line name="Names of notes" hint="On sheets, layers and exports of a song. Checklists spell by their key.">
          <Segmented
            label="Names of notes"
            choices={NAMES}
            value={settings.names}
            onChange={(names) => save.mutate({ names })}
          />
        </Line>
        <Line
          name="Middle C is"
          hint="As piano rolls count: some call it C3. Checklists and files keep C4, as most programs read them."
        >
          <Segmented
            label="Middle C is"
            choices={MIDDLES}
            value={settings.middle_c}
            onChange={(middle_c) => save.mutate({ middle_c })}
          />
        </Line>
        <Line name="Order of work" hint={schools?.find((school) => school.id === settings.school)?.reason ?? ""}>
          <select
            aria-label="Order of work for new checklists"
            value={settings.school}
            onChange={(event) => save.mutate({ school: event.target.value as Settings["school"] })}
            className="h-7 rounded-sm border border-firm bg-sheet px-1.5"
          >
            {(schools ?? []).map((school) => (
              <option key={school.id} value={school.id}>
                {school.name}
              </option>
            ))}
          </select>
        </Line>
        <Line name="Paper" hint="By day or by night; kept in this browser.">
          <Segmented
            label="Paper"
            choices={THEMES}
            value={theme}
            onChange={(next) => {
              setTheme(next);
              choose(next);
            }}
          />
        </Line>
        <Line name="Volume at the start" hint="Playback starts quiet, so that nobody is startled.">
          <input
            type="range"
            aria-label="Volume at the start"
            min={0}
            max={100}
            step={5}
            defaultValue={settings.volume}
            onBlur={(event) => save.mutate({ volume: Number(event.target.value) })}
            onPointerUp={(event) => save.mutate({ volume: Number(event.currentTarget.value) })}
          />
          <span className="figure">{settings.volume} %</span>
        </Line>
        <Line name="Keys" hint="Single keys act on the page: L loops, C confirms. Keys with Ctrl stay.">
          <Segmented
            label="Single keys"
            choices={ON}
            value={settings.shortcuts ? "on" : "off"}
            onChange={(on) => save.mutate({ shortcuts: on === "on" })}
          />
        </Line>
        <OwnKeys settings={settings} onChange={(own) => save.mutate({ keys: own })} />
      </div>
    </>
  );
}

function Line({ name, hint, children }: { name: string; hint: string; children: ReactNode }) {
  return (
    <div className="grid grid-cols-[180px_280px_1fr] items-center gap-6 max-small:grid-cols-1 max-small:gap-2 border-b border-faint py-3">
      <span className="font-medium">{name}</span>
      <span className="flex items-center gap-3">{children}</span>
      <span className="max-w-[520px] text-ink-2">{hint}</span>
    </div>
  );
}

/** Other keys for what the keyboard does. */
function OwnKeys({ settings, onChange }: { settings: Settings; onChange: (own: Record<string, string>) => void }) {
  const registry = useCommandRegistry();
  useSyncExternalStore(watchKeymap, keymapNow);
  const [asking, setAsking] = useState<string | null>(null);
  const commands = registry.all().filter((command) => command.key && !command.key.startsWith("Mod+"));
  const taken = new Map(commands.map((command) => [settings.keys[command.key ?? ""] ?? command.key, command.name]));
  return (
    <section className="pt-4">
      <h2 className="border-b border-rule pb-1 font-serif text-18 italic">Keys of one’s own</h2>
      <p className="py-2 text-ink-2">
        Choose an action, then press the key that it is to have. Other pages’ keys can be changed from here once they
        were open.
      </p>
      <ul className="columns-2 gap-x-8 wide:columns-3">
        {commands.map(({ key: usual = "", name }) => (
          <li key={name} className="flex items-baseline gap-3 border-b border-faint py-1">
            <span className="grow">{name}</span>
            {usual in settings.keys && (
              <button
                type="button"
                className="underline"
                onClick={() =>
                  onChange(Object.fromEntries(Object.entries(settings.keys).filter(([other]) => other !== usual)))
                }
              >
                usual
              </button>
            )}
            <Button
              className="min-w-16 px-2"
              aria-label={`${keyWords(usual)}: another key for ${name}`}
              onClick={() => setAsking(usual)}
              onKeyDown={(event) => {
                if (asking !== usual || ["Tab", "Enter", " "].includes(event.key)) return;
                event.preventDefault();
                event.stopPropagation();
                setAsking(null);
                const pressed = nameOf(event.nativeEvent);
                if (event.key === "Escape" || taken.has(pressed)) return;
                onChange({ ...settings.keys, [usual]: pressed });
              }}
            >
              {asking === usual ? "press a key" : keyWords(usual)}
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
