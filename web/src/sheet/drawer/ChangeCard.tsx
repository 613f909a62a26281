import { changeWords } from "../changes";
import { useSheet } from "../context";
import { CardHead, Part } from "./Drawer";
import { Listen } from "./Listen";

const REACH = 4;

/** What changes where a run of four bars begins, with the activity before and after. */
export function ChangeCard({ bar }: { bar: number }) {
  const { analysis } = useSheet();
  const change = analysis.changes.find((candidate) => candidate.bar === bar);
  if (!change) return null;

  const mean = (values: number[]) => values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
  return (
    <>
      <CardHead
        caption={
          <>
            What changes · <span className="text-measured">measured on the mix</span>
          </>
        }
        value={`Bar ${bar}`}
        why={`${capital(changeWords(change).join("; "))}.`}
      />
      <Part title="Activity" aside={`${REACH} bars before, ${REACH} after`}>
        <ul>
          {analysis.layers.map((layer) => (
            <li key={layer.role} className="grid grid-cols-[1fr_48px_16px_48px] items-baseline py-0.5">
              <span>{layer.role}</span>
              <span className="figure text-right">
                {mean(layer.activity.slice(Math.max(0, bar - 1 - REACH), bar - 1)).toFixed(2)}
              </span>
              <span aria-hidden className="text-center text-ink-3">
                →
              </span>
              <span className="figure text-right">
                {mean(layer.activity.slice(bar - 1, bar - 1 + REACH)).toFixed(2)}
              </span>
            </li>
          ))}
        </ul>
      </Part>
      <Listen run={{ first: Math.max(1, bar - 2), last: Math.min(analysis.bars.length, bar + 1) }} />
    </>
  );
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}
