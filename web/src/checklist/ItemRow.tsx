import { Check, Minus } from "lucide-react";
import { Checkbox } from "radix-ui";
import { useState } from "react";
import { Link } from "react-router";
import type { Checklist, Item, ItemResult, ItemState } from "../api/types";
import { ITEM_RESULTS } from "../api/contract";
import { Segmented } from "../components/Segmented";
import { Button } from "../components/Button";
import { LineInput } from "../components/LineInput";
import { ItemWords } from "./ItemWords";
import { gridOf, TargetGrid } from "./TargetGrid";

/** What can be changed of an item; what has a result is done. */
export interface ItemBody {
  state?: ItemState;
  result?: ItemResult | null;
  why?: string;
  note?: string;
  title?: string;
  target?: string;
  minutes?: number;
}

interface ItemRowProps {
  item: Item;
  checklist: Checklist;
  firstOfStage: boolean;
  open: boolean;
  onOpen: () => void;
  onChange: (change: ItemBody) => void;
  onTakeTarget: () => void;
  onRemove: () => void;
}

const TITLE = { open: "", done: "text-ink-2", skipped: "text-ink-3 line-through" } as const;

/** One thing to do on one line; opened, it says how, what if not, and takes a note. */
export function ItemRow({
  item,
  checklist,
  firstOfStage,
  open,
  onOpen,
  onChange,
  onTakeTarget,
  onRemove,
}: ItemRowProps) {
  const settled = item.state !== "open";
  return (
    <>
      <tr className={`${firstOfStage ? "border-t border-rule" : ""} ${open ? "bg-paper" : "hover:bg-wash"}`}>
        <td className="h-[25px] truncate pr-2 font-serif text-15 leading-none">{firstOfStage ? item.stage : ""}</td>
        <td className="border-b border-faint figure text-ink-2">{item.number}</td>
        <td className="border-b border-faint">
          <Tick item={item} onChange={onChange} />
        </td>
        <td className="border-b border-faint pr-3">
          <button
            type="button"
            aria-expanded={open}
            onClick={onOpen}
            title={item.title}
            className="w-full truncate text-left text-13"
          >
            <span className={TITLE[item.state]}>{item.title}</span>
            {item.result && <span className="font-serif text-ink-2 italic"> · {item.result}</span>}
            {item.note && <span className="text-heard-text"> note</span>}
            {item.now && <span className="text-conflict"> changed</span>}
          </button>
        </td>
        <td className={`truncate border-b border-faint pr-3 ${settled ? "text-ink-2" : ""}`} title={item.target}>
          {item.target}
        </td>
        <td className="truncate border-b border-faint pr-2 text-ink-2">{item.tolerance}</td>
        <td className="border-b border-faint figure text-ink-2">{item.minutes}</td>
        <td className="truncate border-b border-faint">
          <From item={item} checklist={checklist} />
        </td>
      </tr>
      {open && <Opened item={item} onChange={onChange} onTakeTarget={onTakeTarget} onRemove={onRemove} />}
    </>
  );
}

function Tick({ item, onChange }: { item: Item; onChange: ItemRowProps["onChange"] }) {
  return (
    <Checkbox.Root
      aria-label={`${item.number} ${item.title}`}
      checked={item.state === "skipped" ? "indeterminate" : item.state === "done"}
      onCheckedChange={(checked) =>
        onChange(checked === true && item.state === "open" ? { state: "done" } : { state: "open", result: null })
      }
      className="grid size-box place-items-center border border-firm bg-sheet data-[state=checked]:border-confirmed"
    >
      <Checkbox.Indicator>
        {item.state === "skipped" ? (
          <Minus size={12} className="text-ink-2" />
        ) : (
          <Check size={13} strokeWidth={3} className="text-confirmed" />
        )}
      </Checkbox.Indicator>
    </Checkbox.Root>
  );
}

/** Leads to the reading that the target came from. */
function From({ item, checklist }: { item: Item; checklist: Checklist }) {
  if (item.from === "you") return <span className="text-heard-text">you</span>;

  const study = `/studies/${checklist.study_id}`;
  const strip = ["tempo", "meter", "key", "tuning", "loop", "form", "loudness"].includes(item.from);
  const asked = new URLSearchParams({
    ...(strip ? { reading: item.from } : {}),
    ...(item.about ? { about: item.about } : {}),
  }).toString();
  const path = checklist.reference_id
    ? `${study}/references/${checklist.reference_id}${asked ? `?${asked}` : ""}`
    : `${study}/profile`;
  return (
    <Link to={path} className="underline decoration-firm underline-offset-2 hover:bg-wash">
      {item.from}
    </Link>
  );
}

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
            The reading has changed since. Take the new target? {item.now.target}
            {item.now.tolerance && ` (${item.now.tolerance})`}
          </p>
          <Button className="mt-1" onClick={onTakeTarget}>
            Take the new target
          </Button>
        </>
      )}
    </div>
  );
}

/** How near it came, by ear, and a word why. */
function Result({ item, onChange }: Pick<ItemRowProps, "item" | "onChange">) {
  const [why, setWhy] = useState(item.why);
  return (
    <>
      <h3 className="font-medium">How near did it come?</h3>
      <div>
        <Segmented<ItemResult | "">
          label={`How near ${item.number} came`}
          choices={ITEM_RESULTS.map((result) => ({ value: result, name: result }))}
          value={item.result ?? ""}
          onChange={(result) => result !== "" && onChange({ result, state: "done" })}
        />
      </div>
      <LineInput
        name="A word why"
        placeholder="A word why"
        maxLength={300}
        value={why}
        onText={setWhy}
        onBlur={() => why !== item.why && onChange({ why })}
        className="w-full font-serif italic"
      />
    </>
  );
}

function Opened({
  item,
  onChange,
  onTakeTarget,
  onRemove,
}: Pick<ItemRowProps, "item" | "onChange" | "onTakeTarget" | "onRemove">) {
  const [note, setNote] = useState(item.note);
  const grid = gridOf(item);
  return (
    <tr className="bg-paper">
      <td />
      <td colSpan={7} className="border-b border-rule margin-stroke-l border-l-select">
        <div className="grid grid-cols-[1fr_1fr] gap-6 px-4 pt-1 pb-3">
          <div>
            <Changed item={item} onTakeTarget={onTakeTarget} />
            <p className="mb-1 text-13">{item.target}</p>
            {grid && <TargetGrid grid={grid} label={`${item.title}: ${item.target}`} />}
            <h3 className="mb-1 font-medium">How to do it</h3>
            {item.steps.length === 0 && (
              <p className="text-ink-2">By ear: compare with the reference, level-matched.</p>
            )}
            <ol>
              {item.steps.map((step, index) => (
                <li key={step} className="grid grid-cols-[18px_1fr] py-0.5">
                  <span className="figure text-ink-2">{index + 1}</span>
                  {step}
                </li>
              ))}
            </ol>
            {item.fallback && (
              <>
                <h3 className="mt-2 mb-1 font-medium">If it can't be found</h3>
                <p className="font-serif text-15 leading-snug">{item.fallback}</p>
              </>
            )}
          </div>
          <div className="flex flex-col gap-2">
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
                Keep the note
              </Button>
              <Button onClick={() => onChange({ state: item.state === "skipped" ? "open" : "skipped", result: null })}>
                {item.state === "skipped" ? "Take it up again" : "Skip it"}
              </Button>
            </div>
            <ItemWords
              key={`${item.title} ${item.target} ${item.minutes}`}
              item={item}
              onChange={onChange}
              onRemove={onRemove}
            />
          </div>
        </div>
      </td>
    </tr>
  );
}
