import { useState } from "react";
import type { AttemptPage, Checklist } from "../api/types";
import { Segmented } from "../components/Segmented";
import { Edge, Lists } from "./Edge";
import { ItemList, itemsByEar } from "./ItemList";

/** What became of the checklist's items, and those for one pass of listening. */
export function StylePanel({ page, checklist }: { page: AttemptPage; checklist: Checklist | undefined }) {
  const [view, setView] = useState<"items" | "ear">("items");
  const items = checklist?.items ?? [];
  const ear = itemsByEar(items, page);
  return (
    <Edge label="The checklist">
      {items.length === 0 ? (
        <p className="px-4 pt-3 font-serif text-15 text-ink-2">
          Make a checklist from the profile; its items are judged by this attempt.
        </p>
      ) : (
        <Lists
          choice={
            <Segmented
              label="List"
              value={view}
              onChange={setView}
              choices={[
                { value: "items", name: `Items ${items.length}` },
                { value: "ear", name: `To hear ${ear.length}` },
              ]}
            />
          }
        >
          <ItemList items={view === "ear" ? ear : items} page={page} ear={view === "ear"} />
        </Lists>
      )}
    </Edge>
  );
}
