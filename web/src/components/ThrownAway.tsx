import { write } from "../api/client";
import type { Key } from "../api/keys";
import { useChange } from "../app/useChange";
import { day } from "../lib/format";
import { Ask } from "./Ask";
import { words } from "../words/words";

interface ThrownAwayProps {
  rows: { id: number; title: string; deleted_at: string | null }[];
  /** Where they live, such as /checklists. */
  path: string;
  stale: Key[];
}

/** What was thrown away: to be brought back, or thrown away for good. */
export function ThrownAway({ rows, path, stale }: ThrownAwayProps) {
  const back = useChange({ send: (id: number) => write("POST", `${path}/${id}/bring-back`), stale });
  const gone = useChange({ send: (id: number) => write("DELETE", `${path}/${id}?for_good=true`), stale });
  if (rows.length === 0) return null;
  return (
    <details className="mt-6 max-w-[860px] text-ink-2">
      <summary>{`${words.deleted}: ${rows.length}`}</summary>
      <ul className="mt-1 border-t border-faint">
        {rows.map((row) => (
          <li key={row.id} className="flex items-baseline gap-4 border-b border-faint py-1.5">
            <span className="grow truncate font-serif text-15 line-through decoration-firm">{row.title}</span>
            <span className="figure">{row.deleted_at ? day(row.deleted_at) : ""}</span>
            <button
              type="button"
              aria-label={`${words.restore} ${row.title}`}
              className="underline"
              onClick={() => back.mutate(row.id)}
            >
              {words.restore}
            </button>
            <Ask
              plain
              name={`Delete ${row.title} permanently`}
              title={`Delete “${row.title}” permanently?`}
              description="It goes with all that was said of it. This can't be undone."
              action={words.deleteForGood}
              onYes={() => gone.mutate(row.id)}
            >
              {words.deleteForGood}
            </Ask>
          </li>
        ))}
      </ul>
    </details>
  );
}
