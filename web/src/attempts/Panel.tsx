import { useState } from "react";
import type { AttemptPage, Checklist, Difference, Item } from "../api/types";
import { Segmented } from "../components/Segmented";
import { figure, plural } from "../lib/format";
import { DifferenceCard } from "./DifferenceCard";
import { Edge, Lists } from "./Edge";
import { ItemList, itemsByEar } from "./ItemList";
import type { Chosen } from "./selection";
import { about, places, sentence } from "./words";

type View = "bars" | "things" | "items" | "ear";

interface PanelProps {
  page: AttemptPage;
  checklist: Checklist | undefined;
  chosen: Chosen;
  choose: (chosen: Chosen) => void;
  onHear: (bars: [number, number][]) => void;
}

/** The right edge: what is looked at, or short lists that lead there. */
export function Panel({ page, checklist, chosen, choose, onHear }: PanelProps) {
  const [view, setView] = useState<View>("things");
  const { comparison } = page;
  if (!comparison) return null;
  const items = Object.keys(page.verdicts).length > 0 ? (checklist?.items ?? []) : [];
  const ear = itemsByEar(items, page);
  const looked = chosen?.kind === "difference" ? comparison.differences[chosen.index] : undefined;
  return (
    <Edge label="What differs">
      {looked ? (
        <DifferenceCard
          difference={looked}
          items={against(looked, items, page)}
          onBack={() => choose(null)}
          onHear={() => onHear(looked.bars)}
        />
      ) : (
        <Lists
          choice={
            <Segmented
              label="List"
              value={view}
              onChange={setView}
              choices={[
                { value: "things", name: `Differs ${comparison.differences.length}` },
                { value: "bars", name: "Worst bars" },
                ...(items.length > 0 ? [{ value: "items" as const, name: "Items" }] : []),
                ...(ear.length > 0 ? [{ value: "ear" as const, name: `To hear ${ear.length}` }] : []),
              ]}
            />
          }
        >
          {view === "things" && <Things differences={comparison.differences} choose={choose} />}
          {view === "bars" && <Worst page={page} chosen={chosen} choose={choose} onHear={onHear} />}
          {view === "items" && <ItemList items={items} page={page} ear={false} />}
          {view === "ear" && <ItemList items={ear} page={page} ear />}
        </Lists>
      )}
    </Edge>
  );
}

/** Items of which a difference says that they are not reached. */
function against(difference: Difference, items: Item[], page: AttemptPage): Item[] {
  return items.filter((item) => page.verdicts[item.id]?.words.includes(difference.words));
}

function Things({ differences, choose }: { differences: Difference[]; choose: (chosen: Chosen) => void }) {
  if (differences.length === 0)
    return (
      <p className="font-serif text-15 text-ink-2">
        Nothing differs by more than the measurement error. The rest is for the ear.
      </p>
    );
  return (
    <ol>
      {differences.map((difference, index) => (
        <li key={index} className="border-b border-faint">
          <button
            type="button"
            onClick={() => choose({ kind: "difference", index })}
            className="grid w-full grid-cols-[1fr_auto] gap-x-3 py-1.5 text-left hover:bg-wash"
          >
            <span className="font-serif text-15 leading-snug">{sentence(difference)}</span>
            <span className="figure text-conflict">{figure(difference.size, 1)} ×</span>
            <span className="text-12 text-ink-2">
              {about(difference)}, <span className="figure">{places(difference.bars)}</span>
              {difference.under.length > 0 && `, and ${plural(difference.under.length, "thing")} that follows`}
            </span>
          </button>
        </li>
      ))}
    </ol>
  );
}

interface WorstProps {
  page: AttemptPage;
  chosen: Chosen;
  choose: (chosen: Chosen) => void;
  onHear: (bars: [number, number][]) => void;
}

function Worst({ page, chosen, choose, onHear }: WorstProps) {
  const worst = page.comparison?.worst ?? [];
  if (worst.length === 0) return <p className="font-serif text-15 text-ink-2">No bar stands out.</p>;
  return (
    <ol aria-label="Worst bars">
      {worst.map((bar) => (
        <li key={bar.bar} className="border-b border-faint">
          <button
            type="button"
            aria-pressed={chosen?.kind === "bar" && chosen.bar === bar.bar}
            onClick={() => {
              choose({ kind: "bar", bar: bar.bar });
              onHear([[bar.bar, bar.bar]]);
            }}
            className="grid w-full grid-cols-[34px_1fr_auto] gap-x-2 py-1.5 text-left hover:bg-wash aria-pressed:bg-wash"
          >
            <span className="figure text-13">{bar.bar}</span>
            <span className="font-serif text-15 leading-snug">{bar.why.join(" ")}</span>
            <span className="figure text-conflict">{figure(bar.apart, 1)} ×</span>
          </button>
        </li>
      ))}
    </ol>
  );
}
