import { useVirtualizer } from "@tanstack/react-virtual";
import { useLayoutEffect, useMemo, useRef, useState } from "react";
import type { ReferenceRow } from "../api/types";
import { LineInput } from "../components/LineInput";
import { TableHead } from "../components/TableHead";
import { plural } from "../lib/format";
import { words } from "../words/words";
import { ManySongs } from "./ManySongs";
import { ReferenceLine } from "./ReferenceLine";
import { ORDERS, shownSongs, type Order } from "./songOrder";

const COLUMNS = [
  "(Choose)",
  "(Number)",
  "Song",
  "Tempo",
  "Meter",
  "Key",
  "Loop",
  "Form",
  "Loudness",
  "Readings",
  "(What to do)",
];
/** From so many songs on a list can be filtered and sorted, and from that only rows in view are drawn. */
const FILTERED = 8;
const VIRTUAL = 40;
const ROW = 58;

/** The songs of a study: sorted, filtered, chosen many at a time; long lists draw what is in view. */
export function ReferenceTable({ rows, scroller }: { rows: ReferenceRow[]; scroller: HTMLElement | null }) {
  const [filter, setFilter] = useState("");
  const [order, setOrder] = useState<Order>("position");
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const shown = useMemo(() => shownSongs(rows, filter, order), [rows, filter, order]);
  const picked = shown.filter((row) => chosen.has(row.id));
  const all = picked.length === shown.length && shown.length > 0;
  const choose = (ids: number[], on: boolean) =>
    setChosen((before) => new Set(on ? [...before, ...ids] : [...before].filter((id) => !ids.includes(id))));
  return (
    <>
      <div className="flex min-h-9 flex-wrap items-center gap-x-4 gap-y-1 pt-2">
        <label className="flex min-h-6 items-center gap-1.5 text-ink-2">
          <input
            type="checkbox"
            checked={all}
            onChange={() =>
              choose(
                shown.map((row) => row.id),
                !all,
              )
            }
          />
          {picked.length > 0 ? `${picked.length} ${words.selected}` : "Select all"}
        </label>
        {picked.length > 0 && <ManySongs rows={picked} onDone={() => setChosen(new Set())} />}
        {rows.length >= FILTERED && (
          <span className="ml-auto flex flex-wrap items-center gap-3">
            {filter && (
              <span role="status" className="text-ink-2">
                {plural(shown.length, "song")} of {rows.length}
              </span>
            )}
            <LineInput
              name={words.filter}
              placeholder="Filter by title, key, word"
              className="w-52"
              value={filter}
              onText={setFilter}
            />
            <label className="flex items-center gap-1.5 text-ink-2">
              {words.sortBy}
              <select
                value={order}
                onChange={(event) => setOrder(event.target.value as Order)}
                className="h-7 rounded-sm border border-firm bg-sheet px-1.5 text-ink"
              >
                {ORDERS.map(({ value, name }) => (
                  <option key={value} value={value}>
                    {name}
                  </option>
                ))}
              </select>
            </label>
          </span>
        )}
      </div>
      <Rows
        key={shown.length > VIRTUAL ? "virtual" : "all"}
        rows={shown}
        of={rows.length}
        chosen={chosen}
        onChoose={(id, on) => choose([id], on)}
        scroller={scroller}
      />
    </>
  );
}

interface RowsProps {
  rows: ReferenceRow[];
  of: number;
  chosen: ReadonlySet<number>;
  onChoose: (id: number, on: boolean) => void;
  /** What scrolls; null until it is there, so that rows are drawn anew when it is. */
  scroller: HTMLElement | null;
}

function Rows(props: RowsProps) {
  return props.rows.length > VIRTUAL ? <VirtualRows {...props} /> : <AllRows {...props} />;
}

function AllRows({ rows, of, chosen, onChoose }: RowsProps) {
  return (
    <table className="mt-1 w-full border-collapse text-left">
      <TableHead columns={COLUMNS} />
      <tbody>
        {rows.map((row) => (
          <ReferenceLine
            key={row.id}
            row={row}
            of={of}
            chosen={chosen.has(row.id)}
            onChoose={(on) => onChoose(row.id, on)}
          />
        ))}
      </tbody>
    </table>
  );
}

/** Rows that are out of sight are two empty ones as high as they all are. */
function VirtualRows({ rows, of, chosen, onChoose, scroller }: RowsProps) {
  const table = useRef<HTMLTableElement>(null);
  const [margin, setMargin] = useState(0);
  useLayoutEffect(() => {
    const top = table.current?.getBoundingClientRect().top;
    if (top !== undefined && scroller) setMargin(top - scroller.getBoundingClientRect().top + scroller.scrollTop);
  }, [scroller]);
  // The virtualizer keeps its own state; what it hands out changes without a new object.
  // eslint-disable-next-line react-hooks/incompatible-library
  const list = useVirtualizer({
    count: rows.length,
    getScrollElement: () => scroller,
    estimateSize: () => ROW,
    getItemKey: (index) => rows[index]?.id ?? index,
    overscan: 8,
    scrollMargin: margin,
  });
  const items = list.getVirtualItems();
  const before = (items[0]?.start ?? margin) - margin;
  const after = list.getTotalSize() - ((items.at(-1)?.end ?? margin) - margin);
  return (
    <table ref={table} aria-rowcount={rows.length + 1} className="mt-1 w-full border-collapse text-left">
      <TableHead columns={COLUMNS} />
      <tbody>
        {before > 0 && <tr aria-hidden style={{ height: before }} />}
        {items.map(({ index, key }) => {
          const row = rows[index];
          return (
            row && (
              <ReferenceLine
                key={key}
                row={row}
                of={of}
                chosen={chosen.has(row.id)}
                onChoose={(on) => onChoose(row.id, on)}
                measured={{ index, ref: list.measureElement }}
              />
            )
          );
        })}
        {after > 0 && <tr aria-hidden style={{ height: after }} />}
      </tbody>
    </table>
  );
}
