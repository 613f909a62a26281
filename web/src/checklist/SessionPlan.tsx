import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import type { Checklist, Item } from "../api/types";
import { sessionQuery } from "../api/queries";
import { useNow } from "./ItemClock";
import { SmallField } from "../components/SmallField";

const MOST = 8;
const MINUTE = 60_000;

/** "I have so many minutes": what of the list fits into them, in the order of work. Asked anew whenever something is settled. */
export function SessionPlan({ checklist, onOpen }: { checklist: Checklist; onOpen: (item: Item) => void }) {
  const [text, setText] = useState("");
  const [since, setSince] = useState(0);
  const had = /^\d{1,3}$/.test(text.trim()) ? Number(text) : 0;
  const now = useNow(had > 0);
  // As time passes less is left; what fits is asked anew every minute.
  const minutes = Math.max(0, had - (now > since ? Math.floor((now - since) / MINUTE) : 0));
  const settled = checklist.items.filter((item) => item.state !== "open").length;
  const { data } = useQuery({
    ...sessionQuery(checklist.id, minutes, settled),
    enabled: minutes >= 5 && minutes <= 600,
  });
  const items = checklist.items.filter((item) => data?.items.includes(item.id));
  return (
    <section className="max-mid:hidden mid:mt-3 mid:border-t mid:border-rule mid:pt-3">
      <h2 className="mb-1.5 font-medium">A session</h2>
      <SmallField
        label="I have, in minutes"
        inputMode="numeric"
        className="w-12"
        value={text}
        onText={(typed) => {
          setText(typed);
          setSince(Date.now());
        }}
      />
      {had > minutes && <p className="mt-1 text-ink-2">{`${minutes} min are left of them.`}</p>}
      {data && minutes >= 5 && (
        <>
          <ol className="mt-1.5">
            {items.slice(0, MOST).map((item) => (
              <li key={item.id} className="grid grid-cols-[34px_1fr_32px] items-baseline py-0.5">
                <span className="figure text-ink-2">{item.number}</span>
                <button type="button" className="truncate text-left hover:underline" onClick={() => onOpen(item)}>
                  {item.title}
                </button>
                <span className="figure text-right text-ink-2">{item.minutes}</span>
              </li>
            ))}
          </ol>
          <p className="mt-1 text-ink-2">
            {items.length === 0 && "Nothing that is open is that short. "}
            {items.length > MOST && `${items.length - MOST} more. `}
            {items.length > 0 && `${data.work} min of work`}
            {data.rest > 0 && `, ${data.rest} min for the ears to rest`}
            {items.length > 0 && "."}
          </p>
        </>
      )}
    </section>
  );
}
