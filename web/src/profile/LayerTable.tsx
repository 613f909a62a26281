import type { Profile } from "../api/types";
import { amountStep, inkColour } from "../lib/ink";
import { Panel } from "./Panel";

/** In how many songs each role plays in each kind of section. */
export function LayerTable({ profile }: { profile: Profile }) {
  const { kinds, roles } = profile.layers;
  return (
    <Panel title="Layers by section" aside="songs in which the layer plays">
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="text-11 text-ink-2">
            <td />
            {kinds.map((kind) => (
              <th key={kind.name} scope="col" className="h-9 pr-1 align-bottom leading-tight font-normal">
                {kind.name}
                <br />
                of <span className="figure">{kind.of}</span>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {roles.map((row) => (
            <tr key={row.role} className="border-t border-faint">
              <th scope="row" className="h-[23px] pr-2 font-normal">
                {row.role}
              </th>
              {row.counts.map((count, index) => {
                const of = kinds[index]?.of ?? 1;
                return (
                  <td key={kinds[index]?.name ?? index} className="pr-1">
                    <span className="flex items-center gap-1.5">
                      <span
                        aria-hidden
                        className={`h-[13px] w-[20px] ${count === 0 ? "border-b border-firm" : ""}`}
                        style={{ background: inkColour(amountStep(count / Math.max(1, of))) }}
                      />
                      <span className={`figure ${count === 0 ? "text-ink-3" : ""}`}>{count}</span>
                    </span>
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="mt-1.5 text-11 text-ink-2">Denser is more often. By the best source that each song has.</p>
    </Panel>
  );
}
