import { useState, type FormEvent } from "react";
import { useCommands } from "../../app/commands";
import { SECTION_LABELS } from "../../api/contract";
import type { Section } from "../../api/types";
import { Button } from "../../components/Button";
import { SmallField } from "../../components/SmallField";
import { plural } from "../../lib/format";
import { usePlayer } from "../../player/context";
import { useSheet } from "../context";
import { useOpenOnEdit } from "../useOpenOnEdit";
import { Decide } from "../card/Decide";
import { Part } from "../card/Part";

const GROUP = "Sections";

/** Name, letter, borders: what a person changes about a section. */
export function SectionTools({ section, index }: { section: Section; index: number }) {
  const { edits } = useSheet();
  const player = usePlayer();
  const send = (action: string, body: object = {}) => void edits.post("sections", { action, index, ...body });
  const here = () => Math.max(1, player.barAt(player.time));
  const usual = section.usual_bars;
  useCommands([
    {
      key: "s",
      name: "split the section at the bar that plays",
      group: GROUP,
      run: () => send("split", { bar: here() }),
    },
    { key: "j", name: "join it with the next", group: GROUP, run: () => send("merge") },
    ...(usual === null ? [] : [{ key: "g", name: "give it a usual length", group: GROUP, run: () => send("snap") }]),
  ]);
  return (
    <>
      {usual !== null && (
        <div
          role="note"
          className="mt-2 flex items-center justify-between gap-2 margin-stroke-l border-conflict pl-2.5"
        >
          <p>{plural(section.bars, "bar")} is an unusual length.</p>
          <Button className="px-2" onClick={() => send("snap")}>
            Make it {usual}
          </Button>
        </div>
      )}
      <NameForm key={`${section.first_bar}-${section.label}-${section.letter}`} section={section} onSend={send} />
      <Borders key={section.first_bar} section={section} index={index} onSend={send} />
      <Decide state={section.state} refutable={false} onMark={(state) => send("mark", { state })} />
    </>
  );
}

interface FormProps {
  section: Section;
  onSend: (action: string, body?: object) => void;
}

function NameForm({ section, onSend }: FormProps) {
  const [label, setLabel] = useState(section.label);
  const [letter, setLetter] = useState(section.letter);
  const field = useOpenOnEdit();
  const submit = (event: FormEvent) => {
    event.preventDefault();
    onSend("rename", { change: { label: label.trim(), letter: letter.trim() } });
  };
  return (
    <Part title="Call it">
      <form onSubmit={submit} className="flex flex-wrap items-center gap-2">
        <input
          ref={field}
          aria-label="Section name"
          list="section-names"
          maxLength={40}
          value={label}
          onChange={(event) => setLabel(event.target.value)}
          className="h-7 w-full rounded-sm border border-firm bg-sheet px-2 text-13"
        />
        <datalist id="section-names">
          {SECTION_LABELS.map((name) => (
            <option key={name} value={name} />
          ))}
        </datalist>
        <SmallField label="letter" className="w-9" maxLength={4} value={letter} onText={setLetter} />
        <Button type="submit" className="px-2" disabled={label.trim() === "" || letter.trim() === ""}>
          Rename
        </Button>
      </form>
    </Part>
  );
}

function Borders({ section, index, onSend }: FormProps & { index: number }) {
  const { analysis } = useSheet();
  const [start, setStart] = useState(String(section.first_bar));
  const [split, setSplit] = useState(String(section.first_bar + Math.floor(section.bars / 2)));
  const last = index === analysis.sections.length - 1;
  return (
    <Part title="Borders">
      <div className="flex flex-wrap items-center gap-2">
        {index > 0 && (
          <>
            <SmallField label="starts at bar" inputMode="numeric" className="w-11" value={start} onText={setStart} />
            <Button className="px-2" onClick={() => onSend("move", { bar: Number(start) })}>
              Move
            </Button>
          </>
        )}
        <SmallField label="split at bar" inputMode="numeric" className="w-11" value={split} onText={setSplit} />
        <Button className="px-2" disabled={section.bars < 2} onClick={() => onSend("split", { bar: Number(split) })}>
          Split
        </Button>
        {!last && (
          <Button className="px-2" onClick={() => onSend("merge")}>
            Join with next
          </Button>
        )}
      </div>
    </Part>
  );
}
