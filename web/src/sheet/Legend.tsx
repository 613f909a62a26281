import { Button } from "../components/Button";
import { inkColour, type Step } from "../lib/ink";

const STEPS: Step[] = [1, 2, 3, 4, 5];

/** What ink and hatching mean, and what a person can add. */
export function Legend({
  onAddLayer,
  onAddTechnique,
  onAddMark,
}: {
  onAddLayer: () => void;
  onAddTechnique: () => void;
  onAddMark: () => void;
}) {
  return (
    <div className="flex shrink-0 flex-col items-end gap-2 text-ink-2">
      <div className="flex gap-2">
        <Button onClick={onAddLayer}>Add a layer</Button>
        <Button onClick={onAddTechnique}>Note a technique</Button>
        <Button onClick={onAddMark}>Pin a mark</Button>
      </div>
      <div className="flex items-center gap-3 text-11">
        <span>How much it is there</span>
        <span aria-hidden className="flex gap-[3px]">
          {STEPS.map((step) => (
            <span key={step} className="h-[11px] w-[7px]" style={{ background: inkColour(step) }} />
          ))}
        </span>
        <span className="flex items-center gap-1.5">
          <span aria-hidden className="hatch size-swatch" /> heard
        </span>
      </div>
    </div>
  );
}
