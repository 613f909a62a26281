import type { PlayedLine } from "../../api/types";
import { bars, figure, percent, plural } from "../../lib/format";
import { Facts } from "../card/Facts";
import { Part } from "../card/Part";
import { useSheet } from "../context";
import { apartWords } from "../played";
import { returnsOf } from "../returns";
import { swingText } from "./FeelTable";
import { words } from "../../words/words";

/** Bars that depart from what returns, as many as are listed. */
const MOST = 8;

/** How a layer plays against the grid, what returns in it, and where it departs from that. */
export function LineFacts({ line }: { line: PlayedLine }) {
  const { feel, sections } = line;
  const { analysis } = useSheet();
  const signature = analysis.key?.signature ?? 0;
  const moved = returnsOf(analysis, line.layer);
  const apart = sections.flatMap((section) => section.departures);
  return (
    <>
      {feel && (
        <Part title="Feel" aside="against the grid">
          <Facts
            facts={[
              ["Off-beats", feel.ratio > 0.53 ? `${swingText(feel)}, ${figure(feel.ms, 0)} ms late` : "straight"],
              ["Spread", feel.spread_ms === null ? "not told" : `${figure(feel.spread_ms, 1)} ms`],
              [
                words.alternatingAccents,
                feel.ladder ? `${feel.ladder.map((value) => percent(value)).join(" / ")}` : words.none,
              ],
              ...(feel.strum_ms === null
                ? []
                : [["Strum", `${figure(feel.strum_ms, 1)} ms a chord`] as [string, string]]),
            ]}
          />
        </Part>
      )}
      {moved.length > 0 && (
        <Part title="The same, moved">
          <ul>
            {moved.map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </Part>
      )}
      {sections.length > 0 && (
        <Part title="What returns" aside="by section">
          <ul>
            {sections.map((section) => (
              <li key={section.first_bar} className="flex justify-between gap-2">
                <span>{bars(section.first_bar, section.first_bar + section.bars - 1)}</span>
                <span className="text-ink-2">
                  {section.period === null ? "nothing returns" : `after ${plural(section.period, "bar")}`}
                </span>
              </li>
            ))}
          </ul>
          {apart.length > 0 && (
            <ul className="mt-1.5 border-t border-faint pt-1.5 text-ink-2">
              {apart.slice(0, MOST).map((bar) => (
                <li key={bar.bar}>
                  <span className="figure">bar {bar.bar}</span>: {apartWords(bar.strokes, line.layer, signature)}
                </li>
              ))}
              {apart.length > MOST && <li>{plural(apart.length - MOST, "bar")} more differ.</li>}
            </ul>
          )}
        </Part>
      )}
    </>
  );
}
