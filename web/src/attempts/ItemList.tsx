import { useState } from "react";
import type { AttemptPage, AttemptVerdict, Closeness, Item } from "../api/types";
import { Button } from "../components/Button";
import { LineInput } from "../components/LineInput";
import { CLOSENESS, TREND, trend, verdictWords } from "./words";
import { useOverrule } from "./useAttempts";

/** Items that no measurement can judge; they are listed together, for one pass of listening. */
export function itemsByEar(items: Item[], page: AttemptPage): Item[] {
  return items.filter((item) => page.verdicts[item.id]?.closeness === null);
}

interface ItemListProps {
  items: Item[];
  page: AttemptPage;
  ear: boolean;
}

/** The checklist's items with how close this attempt came, the line over all attempts, and a person's own word on it. */
export function ItemList({ items, page, ear }: ItemListProps) {
  const [open, setOpen] = useState<number | null>(null);
  return (
    <ul aria-label={ear ? "Items to hear" : "Items"}>
      {items.map((item) => (
        <li key={item.id} className="border-b border-faint">
          <button
            type="button"
            aria-expanded={open === item.id}
            onClick={() => setOpen(open === item.id ? null : item.id)}
            className="grid w-full grid-cols-[34px_1fr_auto] items-baseline gap-x-2 py-1.5 text-left hover:bg-wash"
          >
            <span className="figure text-ink-2">{item.number}</span>
            <span className="text-13">{item.title}</span>
            <Standing item={item} page={page} />
          </button>
          {open === item.id && <Opened item={item} page={page} />}
        </li>
      ))}
    </ul>
  );
}

function Standing({ item, page }: { item: Item; page: AttemptPage }) {
  const verdict = page.verdicts[item.id];
  const { mark, words } = TREND[trend(before(item, page), verdict?.closeness)];
  return (
    <span className={`text-12 ${verdict?.closeness === "missing" ? "text-conflict" : "text-ink-2"}`}>
      {verdictWords(verdict)}
      {mark && (
        <span title={words}>
          {" "}
          {mark}
          <span className="sr-only">, {words}</span>
        </span>
      )}
    </span>
  );
}

/** How close the attempt before this one came. */
function before(item: Item, page: AttemptPage): Closeness | null | undefined {
  const at = page.attempts.findIndex((other) => other.id === page.attempt.id);
  return page.attempts[at - 1]?.closeness[item.id];
}

function Opened({ item, page }: { item: Item; page: AttemptPage }) {
  const verdict = page.verdicts[item.id];
  return (
    <div className="pb-3 pl-[42px] text-12">
      <Line item={item} page={page} />
      {verdict?.words.map((words) => (
        <p key={words} className="font-serif text-15">
          {words}
        </p>
      ))}
      {verdict?.targets.map((target, index) => (
        <p key={index} className="mt-1 text-ink-2">
          <span className="text-measured">{short(target.here)}</span>
          {target.there !== null && <span className="block text-mine">{short(target.there)}</span>}
        </p>
      ))}
      {verdict && <Overrule item={item} page={page} verdict={verdict} />}
    </div>
  );
}

const short = (text: string) => (text.length > 90 ? `${text.slice(0, 88)}…` : text);

const WIDTH = 210;
const HEIGHT = 44;

/** How close each attempt came, the latest last. */
function Line({ item, page }: { item: Item; page: AttemptPage }) {
  const points = page.attempts.flatMap((attempt, index) => {
    const closeness = attempt.closeness[item.id];
    if (!closeness) return [];
    const row = Math.max(0, CLOSENESS.indexOf(closeness === "substituted" ? "close" : closeness));
    const x = 6 + (index * (WIDTH - 80)) / Math.max(1, page.attempts.length - 1);
    return [{ x, y: 6 + (row * (HEIGHT - 12)) / 3, number: attempt.number, closeness }];
  });
  if (points.length < 2) return null;
  return (
    <svg
      role="img"
      aria-label={points.map(({ number, closeness }) => `attempt ${number} ${closeness}`).join(", ")}
      width={WIDTH}
      height={HEIGHT}
      className="mb-1 block"
    >
      <path d={`M0 6H${WIDTH - 70}`} stroke="var(--measured)" strokeDasharray="2 3" />
      <path
        d={`M${points.map(({ x, y }) => `${x} ${y}`).join("L")}`}
        fill="none"
        stroke="var(--mine)"
        strokeWidth="1.5"
      />
      {points.map(({ x, y, number }) => (
        <circle key={number} cx={x} cy={y} r="3.2" fill="var(--sheet)" stroke="var(--mine)" strokeWidth="1.5" />
      ))}
      <text x={(points.at(-1)?.x ?? 0) + 9} y={(points.at(-1)?.y ?? 0) + 4} fontSize="11" fill="var(--ink-2)">
        {points.at(-1)?.closeness}
      </text>
    </svg>
  );
}

/** A person says otherwise, with a word why. */
function Overrule({ item, page, verdict }: { item: Item; page: AttemptPage; verdict: AttemptVerdict }) {
  const { overrule, judgeAgain } = useOverrule(page.attempt);
  const [why, setWhy] = useState("");
  const [closeness, setCloseness] = useState<Closeness>("close");
  if (verdict.overruled !== null)
    return (
      <p className="mt-2">
        You say {verdict.closeness}: <span className="font-serif text-15 italic">{verdict.overruled}</span>{" "}
        <button type="button" className="underline" onClick={() => judgeAgain.mutate(item.id)}>
          measure it again
        </button>
      </p>
    );
  return (
    <form
      className="mt-2 flex flex-wrap items-center gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        overrule.mutate({ item: item.id, closeness, why });
      }}
    >
      <label className="flex items-center gap-1.5">
        It is
        <select
          aria-label="How close it is"
          value={closeness}
          onChange={(event) => setCloseness(event.target.value as Closeness)}
          className="h-7 rounded-sm border border-firm bg-sheet px-1"
        >
          {[...CLOSENESS, "substituted" as const].map((word) => (
            <option key={word}>{word}</option>
          ))}
        </select>
      </label>
      <LineInput name="Why" placeholder="because …" value={why} onText={setWhy} className="w-[128px]" />
      <Button type="submit" disabled={why.trim() === "" || overrule.isPending}>
        Save verdict
      </Button>
    </form>
  );
}
