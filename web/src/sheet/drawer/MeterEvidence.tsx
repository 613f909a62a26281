import type { Timing } from "../../api/types";
import { figure, percent, plural } from "../../lib/format";
import { useSheet } from "../context";
import { Columns } from "../card/Columns";
import { Part } from "../card/Part";
import { Facts } from "../card/Facts";

/** Swing, feel, and how far from the grid each step is played. */
export function MeterEvidence() {
  const { analysis } = useSheet();
  const { groove } = analysis;
  const busiest = groove.timing.reduce<Timing | null>(
    (best, one) => (best && best.onsets >= one.onsets ? best : one),
    null,
  );
  return (
    <>
      <Part title="Feel">
        <Facts
          facts={[
            ["Off-beat", `${percent(groove.swing_ratio)} of a pair of ${groove.swing_unit}s`],
            ...(groove.feel && busiest?.spread_ms
              ? ([["Played", `${groove.feel}, within ${figure(busiest.spread_ms, 1)} ms`]] as [string, string][])
              : []),
            ["Beats", `${analysis.beats.length} in ${analysis.bars.length} bars`],
            ["Pickup", analysis.pickup_beats === 0 ? "none" : plural(analysis.pickup_beats, "beat")],
            ["First beats", `${percent(analysis.downbeat_confidence)} sure`],
          ]}
        />
      </Part>
      {busiest && busiest.onsets > 0 && (
        <Part title={`Off the grid, ${busiest.register} onsets`} aside="ms late by step">
          <Columns
            values={busiest.offsets_ms.map((offset) => offset ?? 0)}
            names={busiest.offsets_ms.map((_, step) => String(step + 1))}
            unit="ms"
            label="Mean offset by step"
            every={4}
          />
        </Part>
      )}
    </>
  );
}
