import { Button } from "../../components/Button";
import { Confidence } from "../../components/Ink";
import { percent } from "../../lib/format";
import { useSheet } from "../context";
import { Curve } from "./Curve";
import { CardHead, Part } from "./Drawer";

const BASIS: Record<string, string> = {
  kick: "Struck sound below 130 Hz and strokes heard step by step.",
  snare: "Struck sound with body and crack together, 180 Hz to 6 kHz, and strokes heard step by step.",
  hats: "Struck sound above 7 kHz and strokes heard step by step.",
  bass: "Held sound between 40 and 170 Hz.",
  chords: "Held sound between 250 and 1400 Hz.",
  lead: "How far the strongest high note stands over the others.",
};

export function LayerCard({ role }: { role: string }) {
  const { analysis, select, edits } = useSheet();
  const layer = analysis.layers.find((candidate) => candidate.role === role);
  if (!layer) return null;

  const playing = layer.activity.filter((value) => value >= 0.5).length;
  return (
    <>
      <CardHead
        caption={
          <>
            Layer · <span className="text-measured">measured on the mix</span>
          </>
        }
        value={role}
        why={`Plays in ${playing} of ${layer.activity.length} bars.`}
      />
      <p className="mt-2 flex items-center gap-3">
        <Confidence value={layer.confidence} />
        <span className="text-11 text-ink-2">
          {layer.confidence < 0.6 ? "a mix can't tell more surely" : "few bars are in doubt"}
        </span>
      </p>
      <Part title="How much of it there is" aside="0 to 1 by bar">
        <Curve values={layer.activity} unit="there" decimals={2} least={1} />
      </Part>
      <Button
        className="mt-3 self-start"
        onClick={() =>
          void edits.post("layers", { name: role, role }).then((answer) => {
            if (answer?.reading) select({ kind: "ownLayer", id: answer.reading.id });
          })
        }
      >
        Paint it yourself, over this row
      </Button>
      <Part title="By section" aside="share of bars">
        <ul>
          {analysis.sections.map((section) => {
            const part = layer.activity.slice(section.first_bar - 1, section.first_bar - 1 + section.bars);
            return (
              <li key={section.first_bar} className="grid grid-cols-[24px_1fr_48px] items-baseline py-0.5">
                <span className="figure">{section.letter}</span>
                <span className="font-serif text-13 italic">{section.label}</span>
                <span className="figure text-right">
                  {percent(part.filter((value) => value >= 0.5).length / Math.max(1, part.length))}
                </span>
              </li>
            );
          })}
        </ul>
      </Part>
      <Part title="What it rests on">
        <p className="text-ink-2">{BASIS[role]}</p>
        {analysis.untold_roles.length > 0 && (
          <p className="mt-1.5 text-ink-2">Not told on a mix, and so not shown: {analysis.untold_roles.join(", ")}.</p>
        )}
      </Part>
    </>
  );
}
