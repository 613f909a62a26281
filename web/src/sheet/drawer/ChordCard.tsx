import { Confidence } from "../../components/Ink";
import type { Chord } from "../../api/types";
import { figure, signs } from "../../lib/format";
import { useSheet } from "../context";
import { CardHead, Part } from "./Drawer";
import { Facts } from "./Evidence";
import { Listen } from "./Listen";

export function ChordCard({ index }: { index: number }) {
  const { analysis } = useSheet();
  const chord = analysis.chords[index];
  if (!chord) return null;

  const again = analysis.chords.filter((other) => other.label === chord.label);
  const last = Math.min(
    analysis.bars.length,
    chord.bar +
      Math.max(0, Math.ceil((chord.beat - 1 + chord.beats) / beatsOf(analysis.bars.length, analysis.beats.length)) - 1),
  );
  return (
    <>
      <CardHead
        caption={
          <>
            Chord · bar {chord.bar}, beat {figure(chord.beat, chord.beat % 1 ? 1 : 0)} ·{" "}
            <span className="text-measured">measured</span>
          </>
        }
        value={chord.symbol}
        why={why(chord)}
      />
      <p className="mt-2">
        <Confidence value={chord.confidence} />
      </p>
      <Part title="Here and elsewhere">
        <Facts
          facts={[
            ["Label", chord.label],
            ["Lasts", `${figure(chord.beats, chord.beats % 1 ? 1 : 0)} beats`],
            ["Sounds", `${again.length} times`],
          ]}
        />
      </Part>
      {chord.rivals.length > 0 && (
        <Part title="Could also be" aside="odds">
          <ul>
            {chord.rivals.map((rival) => (
              <li key={rival.symbol} className="flex items-baseline justify-between py-0.5">
                <span>{rival.symbol}</span>
                <span className="figure">{rival.odds.toFixed(2)}</span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      <Listen run={{ first: Math.max(1, chord.bar), last: Math.max(1, last) }} />
    </>
  );
}

function beatsOf(bars: number, beats: number): number {
  return Math.max(1, Math.round(beats / Math.max(1, bars)));
}

function why({ degree, function: kind, function_of }: Chord): string {
  if (!degree) return "No chord sounds here.";
  const of = function_of ? signs(function_of) : "";
  switch (kind) {
    case "secondary dominant":
      return `Degree ${degree}: the dominant of another degree, ${of}.`;
    case "chromatic approach":
      return `Degree ${degree}, sliding by a semitone into ${of}.`;
    case "borrowed":
      return `Degree ${degree}, borrowed from ${of}.`;
    case "outside":
      return `Degree ${degree}, from outside any scale on this tonic.`;
    default:
      return `Degree ${degree}, from the key's own scale.`;
  }
}
