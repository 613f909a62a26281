import { useState } from "react";
import type { HeardLayer } from "../../api/types";
import { Button } from "../../components/Button";
import { Segmented } from "../../components/Segmented";
import { SmallField } from "../../components/SmallField";
import { usePlayer } from "../../player/context";
import { useSheet, type Brush } from "../context";
import { CopyCard } from "./CopyCard";
import { CardHead } from "../card/CardHead";
import { Part } from "../card/Part";
import { LayerCardForm } from "./LayerCardForm";
import { Remove } from "../card/Remove";
import { sectionName } from "../../lib/sections";
import { words } from "../../words/words";

const LEVELS = [
  { value: "0", name: "absent" },
  { value: "1", name: "thin" },
  { value: "3", name: "full" },
] as const;

type Level = (typeof LEVELS)[number]["value"];

/** A layer that a person hears: where it plays, by section here or bar by bar on the sheet, and all that it takes to rebuild it. */
export function OwnLayerCard({ id }: { id: number }) {
  const { analysis, edits } = useSheet();
  const layer = analysis.heard_layers.find((candidate) => candidate.reading_id === id);
  if (!layer) return null;

  const playing = layer.levels.filter(Boolean).length;
  return (
    <>
      <CardHead
        caption={
          <>
            Layer{layer.role ? ` · ${layer.role}` : ""} · <span className="text-heard-text">heard by you</span>
          </>
        }
        value={layer.name}
        why={`Plays in ${playing} of ${layer.levels.length} bars.`}
        heard
      />
      <Painting layer={layer} />
      <LayerCardForm
        key={id}
        layer={layer}
        onSave={(change, done) => void edits.patch(`${id}/card`, change).then((answer) => answer && done())}
      />
      <CopyCard id={id} />
      <Remove id={id}>{words.delete}</Remove>
    </>
  );
}

function Painting({ layer }: { layer: HeardLayer }) {
  const { analysis, brush, setBrush, edits } = useSheet();
  const [open, setOpen] = useState(true);
  return (
    <>
      <Part title="Brush" aside="drag over the row's bars">
        <Segmented
          label="Brush"
          choices={LEVELS}
          value={String(brush) as Level}
          onChange={(value) => setBrush(Number(value) as Brush)}
        />
      </Part>
      <BarsForm layer={layer} />
      <Part
        title="By section"
        aside={
          <button type="button" aria-expanded={open} onClick={() => setOpen(!open)} className="underline">
            {open ? "hide" : "show"}
          </button>
        }
      >
        {open && (
          <ul className="flex flex-col gap-1.5">
            {analysis.sections.map((section) => {
              const run = { first_bar: section.first_bar, last_bar: section.first_bar + section.bars - 1 };
              const part = layer.levels.slice(run.first_bar - 1, run.last_bar);
              const level = part.every((cell) => cell === part[0]) ? String(part[0] ?? 0) : "";
              return (
                <li key={section.first_bar} className="flex items-center justify-between gap-2">
                  <span className="truncate pr-1 font-serif text-13 italic">
                    {sectionName(section)}
                    {level === "" && <span className="ml-1.5 text-11 text-ink-2 not-italic">mixed</span>}
                  </span>
                  <Segmented
                    label={`${sectionName(section)}, from bar ${section.first_bar}`}
                    choices={LEVELS}
                    value={level as Level}
                    onChange={(value) =>
                      void edits.patch(`${layer.reading_id}/cells`, { ...run, level: Number(value) })
                    }
                  />
                </li>
              );
            })}
          </ul>
        )}
      </Part>
    </>
  );
}

/** The brush over a run of bars, without a mouse. */
function BarsForm({ layer }: { layer: HeardLayer }) {
  const { brush, edits } = useSheet();
  const player = usePlayer();
  const loop = player.snapshot().loop;
  const [run, setRun] = useState({ first: String(loop?.first ?? 1), last: String(loop?.last ?? layer.levels.length) });
  return (
    <div className="mt-2 flex flex-wrap items-center gap-2">
      <SmallField
        label="bars"
        inputMode="numeric"
        className="w-11"
        value={run.first}
        onText={(first) => setRun({ ...run, first })}
      />
      <SmallField
        label="to"
        inputMode="numeric"
        className="w-11"
        value={run.last}
        onText={(last) => setRun({ ...run, last })}
      />
      <Button
        className="px-2"
        onClick={() =>
          void edits.patch(`${layer.reading_id}/cells`, {
            first_bar: Number(run.first),
            last_bar: Number(run.last),
            level: brush,
          })
        }
      >
        Paint
      </Button>
    </div>
  );
}
