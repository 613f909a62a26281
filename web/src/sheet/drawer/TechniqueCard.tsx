import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { howToQuery } from "../../api/queries";
import type { ReadingState, Sighting } from "../../api/types";
import { Confidence } from "../../components/Ink";
import { bars } from "../../lib/format";
import { toldBy } from "../../lib/sources";
import { usePlayer } from "../../player/context";
import { useSheet } from "../context";
import { detailText } from "./detailText";
import { CardHead } from "../card/CardHead";
import { Part } from "../card/Part";
import { HowToParts } from "./HowToParts";
import { Listen } from "../card/Listen";
import { Remove } from "../card/Remove";
import { Series } from "../card/Series";
import { SightingState } from "./SightingState";
import { words } from "../../words/words";

/** What a technique is, where it happens, what shows it, and how to do it. */
export function TechniqueCard({ technique }: { technique: string }) {
  const { analysis, page, edits } = useSheet();
  const player = usePlayer();
  const { data } = useQuery(howToQuery(page.reference.id, technique));
  const sightings = analysis.techniques.filter((sighting) => sighting.kind === technique);
  const [chosen, choose] = useState(0);
  const shown = sightings[Math.min(chosen, sightings.length - 1)];
  const decide = (sighting: Sighting, state: ReadingState) =>
    void edits.post("sightings", {
      kind: sighting.kind,
      state,
      first_bar: sighting.first_bar,
      last_bar: sighting.last_bar,
    });
  if (!shown) return null;

  const steps = data?.steps.find((row) => row.first_bar === shown.first_bar && row.last_bar === shown.last_bar);
  return (
    <>
      <CardHead
        caption={
          <>
            Technique · <span className="text-measured">{toldBy(shown.source)}</span>
          </>
        }
        value={data?.entry.name ?? shown.name}
        {...(data ? { why: data.entry.summary } : {})}
      />
      <Part title="Where" aside={sightings.length === 1 ? "once" : `${sightings.length} times`}>
        <ul className="flex flex-col gap-2">
          {sightings.map((sighting, index) => (
            <li
              key={sighting.start}
              className={`grid grid-cols-[1fr_auto] items-center gap-x-2 gap-y-1 ${sightings.length > 1 && index === chosen ? "-ml-2 border-l-2 border-select pl-1.5" : ""}`}
            >
              <button
                type="button"
                className={`justify-self-start underline decoration-firm underline-offset-2 hover:bg-wash ${sighting.state === "refuted" ? "line-through decoration-conflict" : ""}`}
                onClick={() => {
                  choose(index);
                  player.playBars({ first: sighting.first_bar, last: sighting.last_bar });
                }}
              >
                {bars(sighting.first_bar, sighting.last_bar)}
              </button>
              <Confidence value={sighting.confidence} />
              <span className="text-11 text-ink-2">{detailText(sighting.detail)}</span>
              <SightingState sighting={sighting} onDecide={(state) => decide(sighting, state)} />
            </li>
          ))}
        </ul>
      </Part>
      {shown.evidence && (
        <Part title="What shows it" aside={bars(shown.first_bar, shown.last_bar)}>
          <p className="mb-1.5 text-ink-2">{shown.evidence.label}</p>
          <Series evidence={shown.evidence} />
        </Part>
      )}
      {data && <HowToParts entry={data.entry} steps={steps?.steps ?? data.steps[0]?.steps ?? []} />}
      <Listen run={{ first: shown.first_bar, last: Math.min(analysis.bars.length, shown.last_bar + 1) }} />
    </>
  );
}

/** A technique that a person noted; it counts the same. */
export function OwnTechniqueCard({ id }: { id: number }) {
  const { page } = useSheet();
  const reading = page.readings.find((candidate) => candidate.id === id);
  const kind = typeof reading?.value?.["kind"] === "string" ? reading.value["kind"] : "";
  const { data } = useQuery({ ...howToQuery(page.reference.id, kind), enabled: kind !== "" });
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
        why={reading.note || data?.entry.summary}
        heard
      />
      <Listen run={{ first, last }} />
      {data && <HowToParts entry={data.entry} steps={data.steps[0]?.steps ?? []} />}
      <Remove id={id}>{words.delete}</Remove>
    </>
  );
}
