import { useState } from "react";
import type { AttemptPage, Checklist } from "../api/types";
import { Segmented } from "../components/Segmented";
import { ItemList, itemsByEar } from "./ItemList";

/** What became of the checklist's items, and those for one pass of listening. */
export function StylePanel({ page, checklist }: { page: AttemptPage; checklist: Checklist | undefined }) {
  const [view, setView] = useState<"items" | "ear">("items");
  const items = checklist?.items ?? [];
  const ear = itemsByEar(items, page);
  return (
    <aside
      aria-label="The checklist"
      className="flex w-[308px] shrink-0 flex-col border-l border-rule bg-sheet mid:w-[324px] wide:w-[380px]"
    >
      {items.length === 0 ? (
        <p className="px-4 pt-3 font-serif text-15 text-ink-2">
          Make a checklist from the profile; its items are judged by this attempt.
        </p>
      ) : (
        <>
          <div className="px-4 pt-3 pb-2">
            <Segmented
              label="List"
              value={view}
              onChange={setView}
              choices={[
                { value: "items", name: `Items ${items.length}` },
                { value: "ear", name: `To hear ${ear.length}` },
              ]}
            />
          </div>
          <div className="min-h-0 grow overflow-auto px-4 pb-4 scroll-quiet">
            <ItemList items={view === "ear" ? ear : items} page={page} ear={view === "ear"} />
          </div>
        </>
      )}
    </aside>
  );
}
