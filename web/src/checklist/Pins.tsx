import { useParams, Link } from "react-router";
import type { Item, Pin } from "../api/types";
import type { List } from "./useList";

/** What was reckoned for an item; each opens its sentence again. */
export function Pins({ item, list }: { item: Item; list: List }) {
  const { studyId } = useParams();
  if (item.pins.length === 0) return null;
  return (
    <ul aria-label="Calculated" className="border-t border-faint">
      {item.pins.map((pin, place) => (
        <li key={`${place} ${pin.calculator}`} className="flex items-baseline gap-3 border-b border-faint py-1">
          <Link
            to={`/studies/${studyId}/reckoner?${query(pin)}`}
            className="shrink-0 underline decoration-firm underline-offset-2"
          >
            {pin.name}
          </Link>
          <span className="min-w-0 grow font-mono text-12 text-measured">{pin.text}</span>
          <button
            type="button"
            aria-label={`Delete ${pin.name}`}
            className="underline"
            onClick={() => list.unpin(item.id, place)}
          >
            remove
          </button>
        </li>
      ))}
    </ul>
  );
}

function query(pin: Pin): string {
  return new URLSearchParams({ sentence: pin.calculator, ...pin.written }).toString();
}
