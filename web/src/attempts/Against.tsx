import { useQuery } from "@tanstack/react-query";
import { useSearchParams } from "react-router";
import { attemptsQuery, studyQuery } from "../api/queries";
import type { AttemptRow } from "../api/types";
import { plural } from "../lib/format";
import { useAttemptChanges } from "./useAttempts";

const STYLE = "style";
const BESIDE = "beside";
/** One song is no style. */
const FEWEST = 2;

/** The other attempt that one is looked at beside, as the address says. */
export function useBeside() {
  const [search, setSearch] = useSearchParams();
  const beside = Number(search.get(BESIDE)) || undefined;
  return [beside, (id: number | undefined) => setSearch(id ? { [BESIDE]: String(id) } : {})] as const;
}

/** What an attempt is held against: one reference, the style of all songs of the study, or, to look only, another attempt. */
export function Against({ attempt }: { attempt: AttemptRow }) {
  const { change } = useAttemptChanges(attempt);
  const { data: study } = useQuery(studyQuery(attempt.study_id));
  const { data } = useQuery(attemptsQuery(attempt.study_id));
  const [beside, setBeside] = useBeside();
  const references = study?.references ?? [];
  const others = (data?.attempts ?? []).filter(({ id }) => id !== attempt.id);
  const style = references.length >= FEWEST;
  const held = attempt.against_id ? String(attempt.against_id) : style ? STYLE : "";
  const choose = (value: string) => {
    if (value.startsWith(BESIDE)) return setBeside(Number(value.slice(BESIDE.length)));
    setBeside(undefined);
    if (value !== held) change.mutate({ against_id: value === STYLE ? null : Number(value) });
  };
  return (
    <label className="flex items-center gap-2 text-ink-2">
      Against
      <select
        aria-label="What it is held against"
        value={beside ? `${BESIDE}${beside}` : held}
        onChange={(event) => choose(event.target.value)}
        className="h-6 max-w-[170px] rounded-sm border border-firm bg-sheet px-1 text-ink"
      >
        {held === "" && <option value="">choose a reference</option>}
        <optgroup label="It is an attempt at">
          {references.map((row) => (
            <option key={row.id} value={row.id}>
              {row.title}
            </option>
          ))}
          {style && <option value={STYLE}>{`the style of ${plural(references.length, "song")}`}</option>}
        </optgroup>
        {others.length > 0 && (
          <optgroup label="Only to look">
            {others.map(({ id, number }) => (
              <option key={id} value={`${BESIDE}${id}`}>
                {`attempt ${number}`}
              </option>
            ))}
          </optgroup>
        )}
      </select>
    </label>
  );
}
