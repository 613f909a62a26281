import { useState } from "react";
import { ROLES } from "../../api/contract";
import type { ScoreRow } from "../../api/types";
import { Ask } from "../../components/Ask";
import { Button } from "../../components/Button";
import { SmallField } from "../../components/SmallField";
import { figure, plural } from "../../lib/format";
import { TEXT } from "../card/text";
import { useSheet } from "../context";
import type { Change } from "../useSources";

interface ScorePlaceProps {
  score: ScoreRow;
  onSet: (place: { file_bar: number; bar?: number; at?: number }) => void;
  onFind: () => void;
}

/** Where the file lies, on a person's word: this bar of it is that bar, or begins at that second. */
function ScorePlace({ score, onSet, onFind }: ScorePlaceProps) {
  const [fileBar, setFileBar] = useState(String(score.place?.file_bar ?? 1));
  const [bar, setBar] = useState("");
  const [seconds, setSeconds] = useState("");
  const whole = (text: string) => /^[1-9]\d*$/.test(text.trim());
  const at = Number(seconds.replace(",", "."));
  const bySecond = seconds.trim() !== "" && Number.isFinite(at);
  return (
    <div className="mb-2 flex flex-wrap items-center gap-2 text-11">
      <SmallField label="its bar" inputMode="numeric" className="w-11" value={fileBar} onText={setFileBar} />
      <SmallField label="is bar" inputMode="numeric" className="w-11" value={bar} onText={setBar} />
      <SmallField label="or at, s" inputMode="decimal" className="w-14" value={seconds} onText={setSeconds} />
      <Button
        className="px-2"
        disabled={!whole(fileBar) || !(whole(bar) || bySecond)}
        onClick={() => onSet({ file_bar: Number(fileBar), ...(bySecond ? { at } : { bar: Number(bar) }) })}
      >
        Place it there
      </Button>
      {score.place && (
        <Button look="quiet" className="px-0" onClick={onFind}>
          as found
        </Button>
      )}
    </div>
  );
}

/** A MIDI file: where it lies, what was odd in it, and the role of each of its parts. */
export function ScoreSource({ score, change }: { score: ScoreRow; change: Change }) {
  const { page, analysis } = useSheet();
  const path = `/references/${page.reference.id}/score`;
  const placement = analysis.score?.placement;
  return (
    <>
      {placement && !placement.believable && (
        <p className="mb-2 margin-stroke-l border-conflict pl-2 text-conflict">
          These notes fit nowhere in the recording, so nothing is read from them. Is the file of this song?
        </p>
      )}
      {placement?.believable && (
        <p className="mb-2 text-ink-2">
          Bar 1 of the file lies at <span className="figure">{figure(placement.offset, 2)}</span> s,{" "}
          {placement.kind === "clock" ? "by the clock" : "beat by beat"}
          {placement.told ? ", set by you" : ""}.
        </p>
      )}
      <ScorePlace
        score={score}
        onSet={(place) => void change("POST", `${path}/place`, place)}
        onFind={() => void change("DELETE", `${path}/place`)}
      />
      {score.warnings.map((warning) => (
        <p key={warning} className="mb-1.5 text-ink-2">
          {warning}
        </p>
      ))}
      <ul className="flex flex-col gap-1.5">
        {score.parts.map((part) => (
          <li key={part.name} className="grid grid-cols-[1fr_44px_112px] items-center gap-2">
            <span className="truncate" title={part.name}>
              {part.name}
            </span>
            <span className="figure text-right text-ink-2" title={plural(part.notes, "note")}>
              {part.notes}
            </span>
            <select
              aria-label={`Role of ${part.name}`}
              value={score.roles[part.name] ?? part.role}
              onChange={(event) =>
                void change("PATCH", path, { roles: [{ name: part.name, role: event.target.value }] })
              }
              className={TEXT}
            >
              {ROLES.map((role) => (
                <option key={role}>{role}</option>
              ))}
            </select>
          </li>
        ))}
      </ul>
      <Ask
        title={`Remove the MIDI file “${score.name}”?`}
        description="What its notes tell goes with it, and the song is analysed again. This can't be undone; the file can be added again."
        action="Remove the notes"
        onYes={() => void change("DELETE", path)}
      >
        Remove the MIDI file
      </Ask>
    </>
  );
}
