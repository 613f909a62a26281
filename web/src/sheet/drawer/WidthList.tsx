import type { Register } from "../../api/types";
import { figure, percent } from "../../lib/format";
import { Part } from "../card/Part";

/** Side share, correlation and what mono costs, register by register. */
export function WidthList({ registers }: { registers: Register[] }) {
  return (
    <Part title="Width" aside="side · correlation · mono dB">
      <ul>
        {registers.map((register) => (
          <li key={register.name} className="grid grid-cols-[1fr_40px_46px_44px] items-baseline py-0.5">
            <span title={`${register.hertz[0]} to ${register.hertz[1]} Hz`}>{register.name}</span>
            <span className="figure text-right">{percent(register.side)}</span>
            <span className="figure text-right">{figure(register.correlation, 2)}</span>
            <span className="figure text-right">{figure(register.mono_loss_db, 1)}</span>
          </li>
        ))}
      </ul>
    </Part>
  );
}
