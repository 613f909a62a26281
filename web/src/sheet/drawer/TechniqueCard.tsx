import { useQuery } from "@tanstack/react-query";
import { techniquesQuery } from "../../api/queries";
import type { ReadingState, Sighting } from "../../api/types";
import { Button } from "../../components/Button";
import { Confidence } from "../../components/Ink";
import { bars, figure } from "../../lib/format";
import { usePlayer } from "../../player/context";
import { useSheet } from "../context";
import { CardHead, Part } from "./Drawer";
import { Listen } from "./Listen";
import { Remove } from "./Remove";

const DETAILS: Record<string, string> = {
  beats: "beats without drums",
  opens_by_db: "dB brighter after",
  side_share: "side energy, 0 to 1",
  opens_to: "side energy after",
  from_per_beat: "hits a beat before",
  to_per_beat: "hits a beat after",
};

/** What a technique is, where it happens, what shows it, and how to do it. */
export function TechniqueCard({ technique }: { technique: string }) {
  const { analysis, edits } = useSheet();
  const player = usePlayer();
  const { data: library } = useQuery(techniquesQuery);
  const sightings = analysis.techniques.filter((sighting) => sighting.kind === technique);
  const first = sightings[0];
  const entry = library?.find((candidate) => candidate.kind === technique);
  const decide = (sighting: Sighting, state: ReadingState) =>
    void edits.post("sightings", {
      kind: sighting.kind,
      state,
      first_bar: sighting.first_bar,
      last_bar: sighting.last_bar,
    });
  if (!first) return null;

  return (
    <>
      <CardHead
        caption={
          <>
            Technique · <span className="text-measured">measured</span>
          </>
        }
        value={first.name}
        {...(entry ? { why: entry.summary } : {})}
      />
      <Part title="Where" aside={sightings.length === 1 ? "once" : `${sightings.length} times`}>
        <ul className="flex flex-col gap-1.5">
          {sightings.map((sighting) => (
            <li key={sighting.start} className="grid grid-cols-[1fr_auto] items-center gap-x-2 gap-y-1">
              <button
                type="button"
                className={`justify-self-start underline decoration-firm underline-offset-2 hover:bg-wash ${sighting.state === "refuted" ? "line-through decoration-conflict" : ""}`}
                onClick={() => player.playBars({ first: sighting.first_bar, last: sighting.last_bar })}
              >
                {bars(sighting.first_bar, sighting.last_bar)}
              </button>
              <Confidence value={sighting.confidence} />
              <span className="w-full text-11 text-ink-2">
                {Object.entries(sighting.detail)
                  .map(
                    ([name, value]) => `${figure(value, value % 1 ? (value < 1 ? 3 : 1) : 0)} ${DETAILS[name] ?? name}`,
                  )
                  .join(", ")}
              </span>
              <SightingState sighting={sighting} onDecide={(state) => decide(sighting, state)} />
            </li>
          ))}
        </ul>
      </Part>
      {entry && (
        <Part title="How to do it">
          <ol className="flex flex-col gap-1">
            {entry.steps.map((step, index) => (
              <li key={step} className="grid grid-cols-[16px_1fr]">
                <span className="figure text-ink-2">{index + 1}</span>
                {step}
              </li>
            ))}
          </ol>
        </Part>
      )}
      <Listen run={{ first: first.first_bar, last: Math.min(analysis.bars.length, first.last_bar + 1) }} />
    </>
  );
}

/** What a person decided about one place, and the other decisions. */
function SightingState({ sighting, onDecide }: { sighting: Sighting; onDecide: (state: ReadingState) => void }) {
  const { state } = sighting;
  if (state !== "open")
    return (
      <span className="flex items-center gap-1.5">
        <span className={state === "confirmed" ? "text-confirmed" : "text-conflict"}>{state}</span>
        <Button className="h-6 px-2" onClick={() => onDecide("open")}>
          open again
        </Button>
      </span>
    );
  return (
    <span className="flex gap-1.5">
      <Button look="confirm" className="h-6 px-2" onClick={() => onDecide("confirmed")}>
        Confirm
      </Button>
      <Button look="refute" className="h-6 px-2" onClick={() => onDecide("refuted")}>
        Refute
      </Button>
    </span>
  );
}

/** A technique that a person noted. */
export function OwnTechniqueCard({ id }: { id: number }) {
  const { page } = useSheet();
  const reading = page.readings.find((candidate) => candidate.id === id);
  if (!reading) return null;

  const first = reading.first_bar ?? 1;
  const last = reading.last_bar ?? first;
  return (
    <>
      <CardHead
        caption={
          <>
            Technique · {bars(first, last)} · <span className="text-heard-text">heard by you</span>
          </>
        }
        value={reading.statement}
        why={reading.note}
        heard
      />
      <Listen run={{ first, last }} />
      <Remove id={id}>Remove the note</Remove>
    </>
  );
}
