import { bars, percent, signs } from "../../lib/format";
import { useSheet } from "../context";
import { Part } from "../card/Part";
import { PitchClasses } from "./PitchClasses";

/** Notes, where the key changes, how phrases end, and what sounds from outside the scale. */
export function KeyEvidence() {
  const { analysis } = useSheet();
  const key = analysis.key;
  if (!key) return null;

  return (
    <>
      <PitchClasses />
      {key.pentatonic && (
        <p className="mt-1 text-ink-2">Only the five notes of the pentatonic scale sound to speak of.</p>
      )}
      {key.stretches.length > 1 && (
        <Part title="Where it changes" aside="sure">
          <ul>
            {key.stretches.map((stretch) => (
              <li key={stretch.first_bar} className="grid grid-cols-[1fr_92px_40px] items-baseline py-0.5">
                <span>{signs(`${stretch.tonic} ${stretch.mode}`)}</span>
                <span className="text-ink-2">{bars(stretch.first_bar, stretch.last_bar)}</span>
                <span className="figure text-right">{percent(stretch.confidence)}</span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {key.outside.length > 0 && (
        <Part title="From outside the scale" aside="share of the time">
          <ul>
            {key.outside.slice(0, 5).map((note) => (
              <li key={note.note} className="grid grid-cols-[32px_44px_1fr] items-baseline py-0.5">
                <span className="font-medium">{signs(note.note)}</span>
                <span className="figure">{percent(note.share)}</span>
                <span className="truncate text-ink-2">bars {note.bars.slice(0, 8).join(", ")}</span>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {analysis.cadences.length > 0 && (
        <Part title="Cadences before sections">
          <p className="text-ink-2">
            {analysis.cadences.map((cadence) => `${cadence.kind} at bar ${cadence.bar}`).join(", ")}
          </p>
        </Part>
      )}
    </>
  );
}
