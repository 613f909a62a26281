import { Minus, Plus } from "lucide-react";
import type { ReactNode } from "react";
import { Segmented } from "../components/Segmented";
import { figure, percent } from "../lib/format";
import { usePlayer, usePlayerState } from "./context";
import { ISOLATION_NAMES, ISOLATIONS } from "./isolation";
import { useParts } from "./useParts";

const PARTS = ISOLATIONS.map((value) => ({ value, name: ISOLATION_NAMES[value] }));
const PASSES = [
  { value: "0", name: "∞" },
  { value: "2", name: "2" },
  { value: "4", name: "4" },
  { value: "8", name: "8" },
] as const;

/** How it is heard: in parts, slower, transposed, with a click. */
export function ListeningStrip() {
  const player = usePlayer();
  const state = usePlayerState();
  const { choose, separation } = useParts();
  const busy = separation?.state === "queued" || separation?.state === "running";
  return (
    <section
      aria-label="How it is heard"
      className="flex shrink-0 flex-wrap items-center gap-x-4 gap-y-1.5 border-t border-rule bg-paper px-4 py-1.5"
    >
      <Segmented label="Hear" choices={PARTS} value={state.isolation} onChange={choose} />
      {busy && (
        <p role="status" className="text-11 text-ink-2">
          separating drums from tonal parts, <span className="figure">{percent(separation.progress)}</span>
        </p>
      )}
      {separation?.state === "failed" && (
        <p role="alert" className="text-11 text-conflict">
          {separation.error}
        </p>
      )}
      <Stepper
        label="Speed"
        value={percent(state.rate)}
        onStep={(by) => player.setRate(state.rate + by * 0.05)}
        onReset={() => player.setRate(1)}
      />
      <Stepper
        label="Pitch"
        value={`${state.semitones > 0 ? "+" : ""}${figure(state.semitones, Number.isInteger(state.semitones) ? 0 : 2)} st`}
        onStep={(by) => player.setSemitones(state.semitones + by)}
        onReset={() => player.setSemitones(0)}
      />
      <Switch on={state.click} onChange={(on) => player.setClick(on)}>
        click
      </Switch>
      <Switch on={state.countIn} onChange={(on) => player.setCountIn(on)}>
        count-in
      </Switch>
      {state.loop && (
        <span className="flex items-center gap-2 text-ink-2">
          loop
          <Segmented
            label="Times that the loop is played"
            choices={PASSES}
            value={(state.passes === null ? "0" : String(state.passes)) as (typeof PASSES)[number]["value"]}
            onChange={(value) => player.setPasses(value === "0" ? null : Number(value))}
          />
        </span>
      )}
    </section>
  );
}

interface StepperProps {
  label: string;
  value: string;
  onStep: (by: number) => void;
  onReset: () => void;
}

function Stepper({ label, value, onStep, onReset }: StepperProps) {
  return (
    <div role="group" aria-label={label} className="flex items-center gap-1 text-ink-2">
      <span>{label}</span>
      <button type="button" aria-label={`${label} down`} onClick={() => onStep(-1)} className="p-1 hover:bg-wash">
        <Minus size={11} />
      </button>
      <button
        type="button"
        aria-label={`${label} ${value}, back to normal`}
        title="back to normal"
        onClick={onReset}
        className="figure w-12 text-center text-ink hover:bg-wash"
      >
        {value}
      </button>
      <button type="button" aria-label={`${label} up`} onClick={() => onStep(1)} className="p-1 hover:bg-wash">
        <Plus size={11} />
      </button>
    </div>
  );
}

function Switch({ on, onChange, children }: { on: boolean; onChange: (on: boolean) => void; children: ReactNode }) {
  return (
    <button
      type="button"
      role="switch"
      aria-checked={on}
      onClick={() => onChange(!on)}
      className={`h-6 rounded-sm border border-firm px-2.5 text-12 ${on ? "bg-ink text-sheet" : "text-ink-2 hover:bg-wash"}`}
    >
      {children}
    </button>
  );
}
