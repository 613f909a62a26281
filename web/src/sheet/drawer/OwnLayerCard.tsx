import { Button } from "../../components/Button";
import { Failure } from "../../components/Notice";
import { Segmented } from "../../components/Segmented";
import { useSheet, type Brush } from "../context";
import { cellsOf } from "../LayerRows";
import { useReadings } from "../useReadings";
import { CardHead, Part } from "./Drawer";

const LEVELS = [
  { value: "0", name: "none" },
  { value: "1", name: "little" },
  { value: "2", name: "some" },
  { value: "3", name: "much" },
] as const;

type Level = (typeof LEVELS)[number]["value"];

/** A layer that a person hears: where it plays, by section here or bar by bar on the sheet. */
export function OwnLayerCard({ id }: { id: number }) {
  const { page, analysis, select, brush, setBrush } = useSheet();
  const { paint, remove } = useReadings();
  const reading = page.readings.find((candidate) => candidate.id === id);
  if (!reading) return null;

  const cells = cellsOf(reading);
  return (
    <>
      <CardHead
        caption={
          <>
            Layer · <span className="text-heard-text">heard by you</span>
          </>
        }
        value={reading.statement}
        why={`Plays in ${cells.filter(Boolean).length} of ${cells.length} bars.`}
        heard
      />
      <Part title="Brush" aside="drag over the row's bars">
        <Segmented
          label="Brush"
          choices={LEVELS}
          value={String(brush) as Level}
          onChange={(value) => setBrush(Number(value) as Brush)}
        />
      </Part>
      <Part title="By section">
        <ul className="flex flex-col gap-2">
          {analysis.sections.map((section) => {
            const run = { first_bar: section.first_bar, last_bar: section.first_bar + section.bars - 1 };
            const part = cells.slice(run.first_bar - 1, run.last_bar);
            const level = part.every((cell) => cell === part[0]) ? String(part[0] ?? 0) : "";
            return (
              <li key={section.first_bar}>
                <p className="mb-0.5 font-serif text-13 italic">
                  {section.label} {section.letter}
                  {level === "" && <span className="ml-2 text-11 text-ink-2 not-italic">mixed</span>}
                </p>
                <Segmented
                  label={`${section.label} ${section.letter}, from bar ${section.first_bar}`}
                  choices={LEVELS}
                  value={level as Level}
                  onChange={(value) => paint.mutate({ id, ...run, level: Number(value) })}
                />
              </li>
            );
          })}
        </ul>
      </Part>
      {(paint.error ?? remove.error) && <Failure error={paint.error ?? remove.error} />}
      <Button look="refute" className="mt-4" onClick={() => remove.mutate(id, { onSuccess: () => select(null) })}>
        Remove the layer
      </Button>
    </>
  );
}
