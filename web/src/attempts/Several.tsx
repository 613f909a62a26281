import { Button } from "../components/Button";
import { plural } from "../lib/format";
import { words } from "../words/words";
import { isNotes, type useDrop } from "./useAttempts";

/** Several sounds were dropped at once: what are they? And what became of the parts that were sent. */
export function Several({ drop }: { drop: ReturnType<typeof useDrop> }) {
  const { several, each, together, leave, parts } = drop;
  if (parts.refused.length > 0)
    return (
      <div role="alert" className="flex flex-wrap items-center gap-4 border-b border-rule px-4 py-1.5 text-conflict">
        {parts.refused.map(({ name, message }) => (
          <span key={name}>{name ? `${name}: ${message}` : message}</span>
        ))}
        {parts.taken && parts.taken.stems.length > 0 && (
          <Button onClick={() => parts.taken && void parts.start(parts.taken)}>
            {parts.refused.length === 1 ? words.continueWithoutIt : words.continueWithoutThem}
          </Button>
        )}
        <Button onClick={() => void parts.forget()}>{words.cancel}</Button>
      </div>
    );
  if (parts.sending)
    return (
      <p role="status" className="border-b border-rule px-4 py-1.5 text-ink-2">{`${parts.sending} is on its way.`}</p>
    );
  if (several.length === 0) return null;
  const notes = several.some(isNotes);
  return (
    <div role="status" className="flex flex-wrap items-center gap-3 border-b border-rule bg-wash px-4 py-1.5">
      <span className="mr-1 font-serif text-15">{`${plural(several.length, "file")}: what are they?`}</span>
      <Button look="solid" onClick={() => void together(several)}>
        Stems of one attempt
      </Button>
      {!notes && <Button onClick={() => void each(several)}>An attempt each</Button>}
      <Button look="quiet" onClick={leave}>
        {words.cancel}
      </Button>
    </div>
  );
}
