import { percent } from "../../lib/format";
import { useState, type FormEvent } from "react";
import { Button } from "../../components/Button";
import type { Change } from "../../api/types";
import { changeLines, changeWords, standing } from "../changes";
import { useSheet } from "../context";
import { CardHead } from "../card/CardHead";
import { Part } from "../card/Part";
import { Listen } from "../card/Listen";

const REACH = 4;

/** What changes where a run of four bars begins, with the activity before and after. */
export function ChangeCard({ bar }: { bar: number }) {
  const { analysis } = useSheet();
  const change = analysis.changes.find((candidate) => candidate.bar === bar);
  if (!change) return null;

  const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
  return (
    <>
      <CardHead
        caption={
          <>
            What changes · <span className="text-measured">measured on the mix</span>
          </>
        }
        value={`Bar ${bar}`}
        why={`${capital(changeWords(standing(change)).join("; ")) || "Nothing changes here"}.`}
      />
      <Lines change={change} />
      <Part title="Activity" aside={`${REACH} bars before, ${REACH} after`}>
        <ul>
          {analysis.layers.map((layer) => (
            <li key={layer.role} className="grid grid-cols-[1fr_48px_16px_48px] items-baseline py-0.5">
              <span>{layer.role}</span>
              <span className="figure text-right">
                {percent(mean(layer.activity.slice(Math.max(0, bar - 1 - REACH), bar - 1)))}
              </span>
              <span aria-hidden className="text-center text-ink-3">
                →
              </span>
              <span className="figure text-right">{percent(mean(layer.activity.slice(bar - 1, bar - 1 + REACH)))}</span>
            </li>
          ))}
        </ul>
      </Part>
      <Listen run={{ first: Math.max(1, bar - 2), last: Math.min(analysis.bars.length, bar + 1) }} />
    </>
  );
}

/** What changes, line by line: strike what is wrong, add what is missing. */
function Lines({ change }: { change: Change }) {
  const { page, edits } = useSheet();
  const [text, setText] = useState("");
  const post = (body: object) => edits.post("changes", { bar: change.bar, ...body });
  const struckId = (key: string) =>
    page.readings.find(
      (reading) => reading.aspect === "change" && reading.value?.key === key && reading.first_bar === change.bar,
    )?.id;
  const add = async (event: FormEvent) => {
    event.preventDefault();
    if (await post({ text: text.trim() })) setText("");
  };
  return (
    <Part title="What changes">
      <ul className="flex flex-col gap-1">
        {changeLines(change).map((line) => (
          <li key={line.key} className="flex items-center justify-between gap-2">
            <span className={line.struck ? "text-ink-3 line-through decoration-conflict" : ""}>{line.words}</span>
            <Button
              className="h-6 px-2"
              onClick={() => {
                const id = struckId(line.key);
                void (line.struck && id !== undefined ? edits.remove(id) : post({ key: line.key }));
              }}
            >
              {line.struck ? "put back" : "strike"}
            </Button>
          </li>
        ))}
        {change.added.map((added) => (
          <li key={added.reading_id} className="flex items-center justify-between gap-2">
            <span className="text-heard-text">{added.text}</span>
            <Button className="h-6 px-2" onClick={() => void edits.remove(added.reading_id)}>
              remove
            </Button>
          </li>
        ))}
      </ul>
      <form onSubmit={(event) => void add(event)} className="mt-2 flex gap-2">
        <input
          aria-label="Another change here"
          placeholder="what else changes"
          maxLength={200}
          value={text}
          onChange={(event) => setText(event.target.value)}
          className="h-7 min-w-0 grow rounded-sm border border-firm bg-sheet px-2 text-12 placeholder:text-ink-3"
        />
        <Button type="submit" className="px-2" disabled={text.trim() === ""}>
          Add
        </Button>
      </form>
    </Part>
  );
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
