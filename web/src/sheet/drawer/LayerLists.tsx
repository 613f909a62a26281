import { TEXT } from "../card/text";
import { TOLD_SOURCES } from "../../api/contract";
import type { LayerCard } from "../../api/types";
import { Button } from "../../components/Button";
import { SureField } from "../../components/SureField";
import { Part } from "../card/Part";

/** Kinds of processing, in no one's words. */
const PROCESSES = [
  "low cut",
  "high cut",
  "equaliser",
  "compressor",
  "limiter",
  "gate",
  "saturation",
  "distortion",
  "chorus",
  "phaser",
  "flanger",
  "tremolo",
  "filter sweep",
  "delay",
  "reverb",
  "widener",
  "side-chain",
  "bit reduction",
  "pitch shift",
];

/** What could play the layer, how that is known, and how sure it is. */
export function Candidates({
  card,
  onChange,
}: {
  card: LayerCard;
  onChange: (candidates: NonNullable<LayerCard["candidates"]>) => void;
}) {
  const list = card.candidates ?? [];
  const edit = (index: number, change: Partial<(typeof list)[number]>) =>
    onChange(list.map((candidate, place) => (place === index ? { ...candidate, ...change } : candidate)));
  return (
    <Part title="What could play it" aside="with how sure, 0 to 1">
      <ul className="flex flex-col gap-1.5">
        {list.map((candidate, index) => (
          <li key={index} className="grid grid-cols-[1fr_52px_auto] gap-1.5">
            <input
              aria-label={`Candidate ${index + 1}`}
              value={candidate.text}
              maxLength={200}
              onChange={(event) => edit(index, { text: event.target.value })}
              className={`${TEXT} col-span-2`}
            />
            <Button
              className="px-1.5"
              aria-label={`Remove candidate ${index + 1}`}
              onClick={() => onChange(list.filter((_, place) => place !== index))}
            >
              ×
            </Button>
            <select
              aria-label={`How candidate ${index + 1} is known`}
              value={candidate.source ?? "heard"}
              onChange={(event) => edit(index, { source: event.target.value })}
              className={TEXT}
            >
              {TOLD_SOURCES.map((source) => (
                <option key={source}>{source}</option>
              ))}
            </select>
            <SureField
              aria-label={`How sure of candidate ${index + 1}`}
              value={candidate.sure}
              onValue={(sure) => edit(index, { sure })}
              className={`${TEXT} font-mono`}
            />
            <span />
            <input
              aria-label={`What candidate ${index + 1} costs`}
              placeholder="cost, or have it"
              value={candidate.cost ?? ""}
              maxLength={60}
              onChange={(event) => edit(index, { cost: event.target.value })}
              className={`${TEXT} col-span-2`}
            />
            <label className="col-span-3 flex items-center gap-1.5 text-11 text-ink-2">
              <input
                type="checkbox"
                checked={candidate.live ?? false}
                onChange={(event) => edit(index, { live: event.target.checked })}
              />
              playable live
            </label>
          </li>
        ))}
      </ul>
      <Button className="mt-1.5 px-2" onClick={() => onChange([...list, { text: "", source: "heard", sure: null }])}>
        Another candidate
      </Button>
    </Part>
  );
}

/** The processing chain, in order. */
export function Chain({
  card,
  onChange,
}: {
  card: LayerCard;
  onChange: (chain: NonNullable<LayerCard["chain"]>) => void;
}) {
  const list = card.chain ?? [];
  const edit = (index: number, change: Partial<(typeof list)[number]>) =>
    onChange(list.map((step, place) => (place === index ? { ...step, ...change } : step)));
  const earlier = (index: number) => {
    const next = [...list];
    const [step] = next.splice(index, 1);
    if (step) next.splice(index - 1, 0, step);
    onChange(next);
  };
  return (
    <Part title="Processing, in order">
      <datalist id="processes">
        {PROCESSES.map((process) => (
          <option key={process} value={process} />
        ))}
      </datalist>
      <ol className="flex flex-col gap-1.5">
        {list.map((step, index) => (
          <li key={index} className="grid grid-cols-[14px_1fr_1fr_auto_auto] items-center gap-1">
            <span className="figure text-ink-2">{index + 1}</span>
            <input
              aria-label={`Step ${index + 1}`}
              list="processes"
              value={step.type}
              maxLength={60}
              onChange={(event) => edit(index, { type: event.target.value })}
              className={`${TEXT} col-span-2`}
            />
            <Button
              className="px-1"
              aria-label={`Step ${index + 1} earlier`}
              disabled={index === 0}
              onClick={() => earlier(index)}
            >
              ↑
            </Button>
            <Button
              className="px-1"
              aria-label={`Remove step ${index + 1}`}
              onClick={() => onChange(list.filter((_, place) => place !== index))}
            >
              ×
            </Button>
            <input
              aria-label={`Setting of step ${index + 1}`}
              placeholder="setting"
              value={step.setting ?? ""}
              maxLength={120}
              onChange={(event) => edit(index, { setting: event.target.value })}
              className={`${TEXT} col-start-2`}
            />
            <input
              aria-label={`Amount of step ${index + 1}`}
              placeholder="amount"
              value={step.amount ?? ""}
              maxLength={60}
              onChange={(event) => edit(index, { amount: event.target.value })}
              className={`${TEXT} col-span-3`}
            />
            <input
              aria-label={`Why step ${index + 1}`}
              placeholder="why"
              value={step.why ?? ""}
              maxLength={200}
              onChange={(event) => edit(index, { why: event.target.value })}
              className={`${TEXT} col-span-4 col-start-2`}
            />
          </li>
        ))}
      </ol>
      <Button className="mt-1.5 px-2" onClick={() => onChange([...list, { type: "", setting: "", amount: "" }])}>
        Another step
      </Button>
    </Part>
  );
}
