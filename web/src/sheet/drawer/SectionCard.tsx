import { bars, figure } from "../../lib/format";
import { useSheet } from "../context";
import { CardHead, Part } from "./Drawer";
import { Facts } from "./Evidence";
import { Listen } from "./Listen";
import { Confidence } from "../../components/Ink";

export function SectionCard({ index }: { index: number }) {
  const { analysis } = useSheet();
  const section = analysis.sections[index];
  if (!section) return null;

  const last = section.first_bar + section.bars - 1;
  const inside = analysis.bars.slice(section.first_bar - 1, last);
  const energy = inside.reduce((sum, bar) => sum + bar.energy, 0) / Math.max(1, inside.length);
  const chords = analysis.chords.filter((chord) => chord.degree && chord.bar >= section.first_bar && chord.bar <= last);
  const playing = analysis.layers
    .filter((layer) => mean(layer.activity.slice(section.first_bar - 1, last)) >= 0.5)
    .map((layer) => layer.role);
  return (
    <>
      <CardHead
        caption={
          <>
            Section {section.letter} · {bars(section.first_bar, last)} · <span className="text-measured">measured</span>
          </>
        }
        value={section.label}
        why={`Called so because it ${section.reason}.`}
      />
      <p className="mt-2">
        <Confidence value={section.confidence} />
      </p>
      <Part title="In this section">
        <Facts
          facts={[
            ["Length", `${section.bars} bars, ${(section.end - section.start).toFixed(1)} s`],
            ["Energy", `${figure(energy, 1)} LUFS`],
            ["Who plays", playing.join(", ") || "nobody for sure"],
          ]}
        />
      </Part>
      <Part title="Chords">
        <p className="text-measured">{chords.map((chord) => chord.symbol).join("  ") || "none"}</p>
      </Part>
      <Listen run={{ first: section.first_bar, last }} />
    </>
  );
}

function mean(values: number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
}
