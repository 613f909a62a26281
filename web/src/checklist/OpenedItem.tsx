import { useState } from "react";
import type { Checklist, Item, ItemResult } from "../api/types";
import { ITEM_RESULTS } from "../api/contract";
import { Button } from "../components/Button";
import { LineInput } from "../components/LineInput";
import { Segmented } from "../components/Segmented";
import { ItemClock } from "./ItemClock";
import { ItemParts } from "./ItemParts";
import { ItemWho, ItemWords } from "./ItemWords";
import { ListenButton } from "./ListenButton";
import { percent } from "../lib/format";
import { beatsOf } from "./meter";
import { surenessOf } from "./sureness";
import { NoteRow, notesOf } from "./NoteRow";
import { Pins } from "./Pins";
import { gridOf, TargetGrid } from "./TargetGrid";
import type { ItemBody, List } from "./useList";
import { words } from "../words/words";

/** What was put right since the checklist was made: the item keeps what it said until the new target is taken. */
function Changed({ item, onTakeTarget }: { item: Item; onTakeTarget: () => void }) {
  if (!item.now) return null;
  return (
    <div className="mb-2 margin-stroke-l border-conflict pl-2 text-conflict">
      {item.now.target === null ? (
        <p>The reading has changed since, and says nothing of this any more.</p>
      ) : (
        <>
          <p>
            The reading has changed since. Use the new target? {item.now.target}
            {item.now.tolerance && ` (${item.now.tolerance})`}
          </p>
          <Button className="mt-1" onClick={onTakeTarget}>
            Use the new target
          </Button>
        </>
      )}
    </div>
  );
}

/** How near it came, by ear, and a word why. */
function Result({ item, onChange }: { item: Item; onChange: (change: ItemBody) => void }) {
  const [why, setWhy] = useState(item.why);
  return (
    <>
      <h2 className="font-medium">{words.howClose}</h2>
      <div>
        <Segmented<ItemResult | "">
          label={`How close ${item.number} is`}
          choices={ITEM_RESULTS.map((result) => ({ value: result, name: result }))}
          value={item.result ?? ""}
          onChange={(result) => result !== "" && onChange({ result, state: "done" })}
        />
      </div>
      <LineInput
        name={words.reason}
        placeholder={words.reason}
        maxLength={300}
        value={why}
        onText={setWhy}
        onBlur={() => why !== item.why && onChange({ why })}
        className="w-full font-serif italic"
      />
    </>
  );
}

interface OpenedItemProps {
  item: Item;
  checklist: Checklist;
  place: number;
  of: number;
  list: List;
}

/** What is to be done and how, with the clock; how near it came; and everything that can be said of it or done with it. */
export function OpenedItem({ item, checklist, place, of, list }: OpenedItemProps) {
  const onChange = (change: ItemBody) => list.change(item.id, change);
  const [note, setNote] = useState(item.note);
  const grid = gridOf(item);
  const sure = surenessOf(item);
  const notes = notesOf(item);
  return (
    <tr className="bg-paper">
      <td />
      <td colSpan={7} className="border-b border-rule margin-stroke-l border-l-select">
        <div className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-6 px-4 pt-1 pb-3">
          <div>
            <Changed item={item} onTakeTarget={() => list.takeTarget(item.id)} />
            <p className="mb-1 text-13">
              {item.target}
              {sure !== null && <span className="text-ink-2">{`, ${percent(sure)} sure`}</span>}
            </p>
            {grid && <TargetGrid grid={grid} label={`${item.title}: ${item.target}`} />}
            {notes && (
              <NoteRow notes={notes} beatsPerBar={beatsOf(checklist.items)} label={`${item.title}: ${item.target}`} />
            )}
            {checklist.reference_id !== null && (
              <div className="mb-2">
                <ListenButton item={item} referenceId={checklist.reference_id} />
              </div>
            )}
            <Pins item={item} list={list} />
            <h2 className="mb-1 font-medium">How to do it</h2>
            {item.steps.length === 0 && (
              <p className="text-ink-2">By ear: compare with the reference, level-matched.</p>
            )}
            <ol>
              {item.steps.map((step, index) => (
                <li key={`${index} ${step}`} className="grid grid-cols-[18px_1fr] py-0.5">
                  <span className="figure text-ink-2">{index + 1}</span>
                  {step}
                </li>
              ))}
            </ol>
            {item.fallback && (
              <>
                <h2 className="mt-2 mb-1 font-medium">If it can't be found</h2>
                <p className="font-serif text-15 leading-snug">{item.fallback}</p>
              </>
            )}
          </div>
          <div className="flex flex-col gap-2.5">
            <ItemClock item={item} list={list} />
            <Result key={`${item.result} ${item.why}`} item={item} onChange={onChange} />
            <label className="font-medium" htmlFor={`note-${item.id}`}>
              Your note
            </label>
            <textarea
              id={`note-${item.id}`}
              rows={2}
              maxLength={1000}
              value={note}
              onChange={(event) => setNote(event.target.value)}
              onBlur={() => note !== item.note && onChange({ note })}
              className="w-full resize-y rounded-sm border border-firm bg-sheet px-2 py-1 font-serif text-15 italic"
            />
            <div className="flex gap-2">
              <Button disabled={note === item.note} onClick={() => onChange({ note })}>
                Save note
              </Button>
              <Button onClick={() => onChange({ state: item.state === "skipped" ? "open" : "skipped", result: null })}>
                {item.state === "skipped" ? words.reopen : words.skip}
              </Button>
            </div>
            <ItemWho key={item.who} item={item} onChange={onChange} />
            <ItemWords
              key={[item.title, item.target, item.tolerance, item.minutes, ...item.steps].join(" ")}
              item={item}
              onChange={onChange}
            />
            <ItemParts item={item} place={place} of={of} list={list} />
          </div>
        </div>
      </td>
    </tr>
  );
}
