import type { Aspect, Reading } from "../../api/types";
import { Button } from "../../components/Button";
import { useSheet } from "../context";
import { CardHead } from "../card/CardHead";
import { Part } from "../card/Part";
import { headline } from "./headline";
import { words } from "../../words/words";

/** Readings that contradict each other: the one that is confirmed holds, the others stay in the history. */
export function SettleCard() {
  const { page, select } = useSheet();
  const open = Object.entries(page.contradictions);
  return (
    <>
      <CardHead
        caption="To settle"
        value={open.length === 0 ? "Nothing contradicts" : `${open.length} to settle`}
        why={
          open.length === 0
            ? "All readings of this sheet agree."
            : "Sources say different things. Confirm one; it is what profile and checklist use."
        }
      />
      {open.map(([aspect, ids]) => (
        <Part
          key={aspect}
          title={aspect}
          aside={
            <button
              type="button"
              className="underline"
              onClick={() => select({ kind: "reading", aspect: aspect as Aspect })}
            >
              why
            </button>
          }
        >
          <Sides readings={page.readings.filter((reading) => ids.includes(reading.id))} />
        </Part>
      ))}
    </>
  );
}

/** What each source says, with what settles it. */
export function Sides({ readings }: { readings: Reading[] }) {
  const { edits } = useSheet();
  return (
    <ul className="flex flex-col gap-1.5">
      {readings.map((reading) => (
        <li key={reading.id} className="flex items-center justify-between gap-2">
          <span className="min-w-0">
            <span className={`font-medium ${reading.source === "measured" ? "text-measured" : "text-heard-text"}`}>
              {headline(reading)}
            </span>{" "}
            <span className="text-ink-2">
              {reading.source}
              {reading.note && reading.source !== "measured" ? `, ${reading.note}` : ""}
            </span>
          </span>
          <Button look="confirm" className="h-6 px-2" onClick={() => void edits.mark(reading.id, "confirmed")}>
            {words.confirm}
          </Button>
        </li>
      ))}
    </ul>
  );
}
