import { Check, Minus } from "lucide-react";
import { Checkbox } from "radix-ui";
import { useState } from "react";
import { Link } from "react-router";
import type { Checklist, Item } from "../api/types";
import type { Standing } from "../attempts/useStandings";
import { OpenedItem } from "./OpenedItem";
import type { ItemBody, List } from "./useList";

interface ItemRowProps {
  item: Item;
  checklist: Checklist;
  firstOfHeading: boolean;
  open: boolean;
  onOpen: () => void;
  /** Its place in the list, and how many items there are. */
  place: number;
  of: number;
  list: List;
  /** How close the latest attempt came. */
  standing: Standing | undefined;
  /** Stands before whatever is dropped on it. */
  onDrop: (id: number) => void;
}

const TITLE = { open: "", done: "text-ink-2", skipped: "text-ink-3 line-through" } as const;

/** One thing to do on one line; opened, it says how, what if not, and takes a note. */
export function ItemRow(props: ItemRowProps) {
  const { item, checklist, firstOfHeading, open, onOpen, place, of, list, standing, onDrop } = props;
  const settled = item.state !== "open";
  const [over, setOver] = useState(false);
  return (
    <>
      <tr
        className={`${over ? "border-t-2 border-select" : firstOfHeading ? "border-t border-rule" : ""} ${open ? "bg-paper" : "hover:bg-wash"}`}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          onDrop(Number(event.dataTransfer.getData("text/plain")));
        }}
      >
        <td className="h-[25px] truncate pr-2 font-serif text-15 leading-none max-small:hidden" title={item.heading}>
          {firstOfHeading ? item.heading : ""}
        </td>
        <td
          draggable
          onDragStart={(event) => event.dataTransfer.setData("text/plain", String(item.id))}
          title="Drag to another place"
          className="cursor-grab border-b border-faint figure text-ink-2"
        >
          {item.number}
        </td>
        <td className="border-b border-faint">
          <Tick item={item} onChange={(change) => list.change(item.id, change)} />
        </td>
        <td className="border-b border-faint pr-3">
          {firstOfHeading && <span className="block pt-1 font-serif text-15 small:hidden">{item.heading}</span>}
          <button
            type="button"
            aria-expanded={open}
            onClick={onOpen}
            title={item.title}
            className="flex w-full items-baseline gap-1 text-left text-13"
          >
            <span className="min-w-0 truncate">
              <span className={TITLE[item.state]}>{item.title}</span>
              {item.result && <span className="font-serif text-ink-2 italic"> · {item.result}</span>}
              {item.started_at && <span className="text-select"> clock runs</span>}
              {item.who && <span className="text-ink-2"> for {item.who}</span>}
              {item.note && <span className="text-heard-text"> note</span>}
              {item.now && <span className="text-conflict"> changed</span>}
            </span>
            {standing?.closeness && <Tried standing={standing} />}
          </button>
        </td>
        <td
          className={`truncate border-b border-faint pr-3 max-small:hidden ${settled ? "text-ink-2" : ""}`}
          title={item.target}
        >
          {item.target}
        </td>
        <td className="truncate border-b border-faint pr-2 text-ink-2 max-small:hidden">{item.tolerance}</td>
        <td className="border-b border-faint figure text-ink-2">{item.minutes + item.extra}</td>
        <td className="truncate border-b border-faint max-small:hidden">
          <From item={item} checklist={checklist} />
        </td>
      </tr>
      {open && <OpenedItem item={item} checklist={checklist} place={place} of={of} list={list} />}
    </>
  );
}

function Tick({ item, onChange }: { item: Item; onChange: (change: ItemBody) => void }) {
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

/** What the latest attempt made of it. */
function Tried({ standing }: { standing: Standing }) {
  return (
    <span
      title={`Attempt ${standing.attempt}: ${standing.words}${standing.course && `, ${standing.course}`}`}
      className={`shrink-0 ${standing.closeness === "missing" ? "text-conflict" : "text-mine"}`}
    >
      {`· ${standing.words}`}
      {standing.mark && (
        <>
          <span aria-hidden>{` ${standing.mark}`}</span>
          <span className="sr-only">, {standing.course}</span>
        </>
      )}
    </span>
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
