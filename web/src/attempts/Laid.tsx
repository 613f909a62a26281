import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { checklistQuery } from "../api/queries";
import type { AttemptPage } from "../api/types";
import { useCommands } from "../app/commands";
import { Notice } from "../components/Notice";
import { usePlayer } from "../player/context";
import { HearBoth } from "./HearBoth";
import { InkSheet } from "./InkSheet";
import { Lies } from "./Lies";
import { Panel } from "./Panel";
import type { Chosen } from "./selection";
import { StyleSheet } from "./StyleSheet";
import { pairOf } from "./track";

interface LaidProps {
  page: AttemptPage;
  onlyDifferent: boolean;
}

/** An attempt on what it is held against. */
export function Laid({ page, onlyDifferent }: LaidProps) {
  const { attempt, comparison, sheet } = page;
  const player = usePlayer();
  const [chosen, choose] = useState<Chosen>(null);
  const { data: checklist } = useQuery({
    ...checklistQuery(attempt.checklist_id ?? 0),
    enabled: attempt.checklist_id !== null,
  });
  useEffect(() => {
    if (sheet && page.reference) player.load(pairOf(page, sheet));
  }, [player, page, sheet]);
  const bars = comparison?.bars.length ?? 0;
  const step = (by: number) => {
    const bar = Math.min(bars, Math.max(1, (chosen?.kind === "bar" ? chosen.bar : player.barAt(player.time)) + by));
    choose({ kind: "bar", bar });
    player.seekBar(bar);
  };
  useCommands(
    comparison
      ? [
          { key: "ArrowRight", name: "next bar", group: "On the sheet", run: () => step(1) },
          { key: "ArrowLeft", name: "bar before", group: "On the sheet", run: () => step(-1) },
          { key: "Escape", name: "back to the lists", group: "On the sheet", run: () => choose(null) },
        ]
      : [],
  );
  const hear = (runs: [number, number][]) => {
    const [first] = runs;
    player.setLoop(first ? { first: first[0], last: first[1] } : null);
    if (!player.snapshot().playing) player.toggle();
  };
  return (
    <>
      <Lies page={page} />
      {page.style ? (
        <StyleSheet page={page} style={page.style} checklist={checklist} />
      ) : !comparison || !sheet || comparison.alignment.refused ? (
        <div className="grow bg-sheet px-4">
          <Notice>{comparison?.alignment.refused ?? page.problem ?? "There is nothing to compare yet."}</Notice>
        </div>
      ) : (
        <div className="flex min-h-0 grow max-small:flex-col max-small:overflow-y-auto">
          <div className="flex min-w-0 grow flex-col max-small:h-[420px] max-small:shrink-0">
            <InkSheet
              sheet={sheet}
              comparison={comparison}
              chosen={chosen}
              choose={choose}
              onlyDifferent={onlyDifferent}
            />
            <HearBoth />
          </div>
          <Panel page={page} checklist={checklist} chosen={chosen} choose={choose} onHear={hear} />
        </div>
      )}
    </>
  );
}
