import { Button } from "../components/Button";
import { strokes } from "../lib/pen";

/** From a little to all of it. */
const SWELL = strokes([0.15, 0.3, 0.5, 0.75, 1], 14, 12, -1, 11)
  .map((stroke) => stroke.d)
  .join("");

/** What strokes and hatching mean, and what a person can add. */
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
      <div className="flex max-w-[330px] flex-wrap items-center justify-end gap-x-3 text-11">
        <span title="What changes at a bar">
          <span className="figure">+2</span> enter · <span className="figure">−1</span> leaves ·{" "}
          <span className="figure">~</span> thins or swells · <span className="figure">» «</span> hats faster, slower
        </span>
        <span>How much it is there</span>
        <svg aria-hidden width="74" height="13">
          <path d="M0 12.5H74" stroke="var(--rule)" />
          <path d={SWELL} fill="var(--measured)" />
        </svg>
        <span className="flex items-center gap-1.5">
          <span aria-hidden className="hatch size-swatch" /> heard
        </span>
      </div>
    </div>
  );
}
