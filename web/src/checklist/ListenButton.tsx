import { useQuery } from "@tanstack/react-query";
import { referenceQuery } from "../api/queries";
import type { Item } from "../api/types";
import { Button } from "../components/Button";
import { bars } from "../lib/format";
import { usePlayer, usePlayerState } from "../player/context";
import { ISOLATION_NAMES } from "../player/isolation";
import { trackOf } from "../player/track";
import { bandOf, placeOf } from "./listen";

/** Plays the bars of the reference that an item is about, over and over, in the band where it is heard best. */
export function ListenButton({ item, referenceId }: { item: Item; referenceId: number }) {
  const player = usePlayer();
  const { playing, loop } = usePlayerState();
  const { data } = useQuery(referenceQuery(referenceId));
  const place = placeOf(item);
  if (!data?.analysis || !place) return null;

  const { reference, analysis } = data;
  const run = { first: place.first, last: Math.min(place.last, analysis.bars.length) };
  const band = bandOf(item);
  const here = playing && loop?.first === run.first && loop.last === run.last;
  return (
    <Button
      onClick={() => {
        if (here) {
          player.toggle();
          return;
        }
        player.load(trackOf(reference, analysis));
        player.setIsolation(band);
        player.setLoop(run);
        player.seekBar(run.first);
        if (!playing) player.toggle();
      }}
    >
      {here
        ? "Stop listening"
        : `Listen to ${bars(run.first, run.last)}${band === "whole" ? "" : `, ${ISOLATION_NAMES[band]}`}`}
    </Button>
  );
}
