import { bars, clock, figure, percent, plural } from "../../lib/format";
import { pitchName } from "../../lib/naming";
import { useSheet } from "../context";
import { returnsIn } from "../returns";
import { indexAt } from "../selection";
import { StepGrid } from "../StepGrid";
import { departureWords, longestPeriod } from "../played";
import { stepsPerBeat } from "../steps";
import { Columns, hertz } from "../card/Columns";
import { CardHead } from "../card/CardHead";
import { Part } from "../card/Part";
import { Facts } from "../card/Facts";
import { Listen } from "../card/Listen";
import { SectionTools } from "./SectionTools";
import { WidthList } from "./WidthList";
import { Confidence } from "../../components/Ink";

export function SectionCard({ at }: { at: number }) {
  const { page, analysis } = useSheet();
  const index = indexAt(analysis.sections, at);
  const section = analysis.sections[index];
  if (!section) return null;

  const heard = section.source !== "measured";
  const last = section.first_bar + section.bars - 1;
  const inside = analysis.bars.slice(section.first_bar - 1, last);
  const energy = inside.reduce((sum, bar) => sum + bar.energy, 0) / Math.max(1, inside.length);
  const chords = analysis.chords.filter((chord) => chord.degree && chord.bar >= section.first_bar && chord.bar <= last);
  const playing = analysis.layers
    .filter((layer) => mean(layer.activity.slice(section.first_bar - 1, last)) >= 0.5)
    .map((layer) => layer.role);
  // Shown as mine, the clock is that of the new track.
  const ratio = page.frame?.ratio ?? 1;
  const starts = (inside[0]?.start ?? 0) / ratio;
  const ends = (inside.at(-1)?.end ?? 0) / ratio;
  return (
    <>
      <CardHead
        caption={
          <>
            Section {section.letter} · {bars(section.first_bar, last)} ·{" "}
            <span className={heard ? "text-heard-text" : "text-measured"}>{section.source}</span>, {section.state}
          </>
        }
        value={section.label}
        why={heard ? "As you hear it." : `Called so for this: ${section.reason}.`}
        heard={heard}
      />
      {!heard && (
        <p className="mt-2">
          <Confidence value={section.confidence} />
        </p>
      )}
      <SectionTools section={section} index={index} />
      <Part title="In this section">
        <Facts
          facts={[
            ["Length", `${section.bars} bars, ${clock(ends - starts, 1)}`],
            ["On the clock", `${clock(starts, 1)} to ${clock(ends, 1)}`],
            ["Energy", `${figure(energy, 1)} LUFS`],
            ["Who plays", playing.join(", ") || "nobody for sure"],
          ]}
        />
      </Part>
      {returnsIn(analysis, section.first_bar).length > 0 && (
        <Part title="Heard before">
          <ul>
            {returnsIn(analysis, section.first_bar).map((text) => (
              <li key={text}>{text}</li>
            ))}
          </ul>
        </Part>
      )}
      <Part title="Chords">
        <p className="text-measured">{chords.map((chord) => chord.symbol).join("  ") || "none"}</p>
      </Part>
      <Drums firstBar={section.first_bar} />
      <Lines firstBar={section.first_bar} last={last} />
      <Spectrum firstBar={section.first_bar} />
      <Listen run={{ first: section.first_bar, last }} />
    </>
  );
}

/** Bars that depart from the pattern, as many as are listed. */
const MOST_DEPARTURES = 8;

function mean(values: number[]): number {
  return values.reduce((sum, value) => sum + value, 0) / Math.max(1, values.length);
}

/** The usual bar of the kit, large enough to copy. */
function Drums({ firstBar }: { firstBar: number }) {
  const { analysis } = useSheet();
  const pattern = analysis.drums.find((candidate) => candidate.first_bar === firstBar);
  if (!pattern) return null;

  const named = [...pattern.names, pattern.hat_rate && `hats in ${pattern.hat_rate}`].filter(Boolean).join(", ");
  return (
    <Part
      title="Drum steps"
      aside={`over ${plural(longestPeriod(pattern), "bar")}; ${percent(pattern.confidence)} sure`}
    >
      <StepGrid
        whole
        pattern={pattern}
        width={228}
        rowHeight={18}
        perBeat={stepsPerBeat(analysis.meter, pattern.steps)}
      />
      <p className="mt-1 text-11 text-ink-2">
        {pattern.rows
          .map(
            (row) =>
              `${row.layer === row.piece ? row.piece : `${row.piece} (${row.layer})`}, ${plural(row.period, "bar")}`,
          )
          .join(" · ")}
      </p>
      {named && <p className="mt-1 font-serif italic">{named}</p>}
      {pattern.departures.length > 0 && (
        <ul className="mt-1.5 text-ink-2">
          {pattern.departures.slice(0, MOST_DEPARTURES).map((departure) => (
            <li key={departure.bar}>
              <span className="figure">bar {departure.bar}</span>
              {departure.kind === "change" ? "" : `, a ${departure.kind}`}: {departureWords(departure.strokes)}
            </li>
          ))}
          {pattern.departures.length > MOST_DEPARTURES && (
            <li>{plural(pattern.departures.length - MOST_DEPARTURES, "bar")} more differ.</li>
          )}
        </ul>
      )}
    </Part>
  );
}

/** What the bass does, and the high line where one stands clear. */
function Lines({ firstBar, last }: { firstBar: number; last: number }) {
  const { analysis } = useSheet();
  const lead = analysis.leads.find((candidate) => candidate.first_bar === firstBar);
  const notes = analysis.bass.notes.filter((note) => note.bar >= firstBar && note.bar <= last);
  const beats = notes.reduce((sum, note) => sum + note.beats, 0);
  const share = (tone: string) =>
    percent(notes.filter((note) => note.tone === tone).reduce((sum, note) => sum + note.beats, 0) / Math.max(1, beats));
  return (
    <Part title="Lines">
      <Facts
        facts={[
          [
            "Bass",
            notes.length > 0 ? `root ${share("root")}, third ${share("third")}, fifth ${share("fifth")}` : "rests",
          ],
          [
            "Lead",
            lead
              ? `${lead.contour}, ${pitchName(lead.low, analysis.key?.signature)} to ${pitchName(lead.high, analysis.key?.signature)}; ${percent(lead.confidence)} sure`
              : "none stands clear",
          ],
        ]}
      />
    </Part>
  );
}

/** The section's spectrum against the song's own mean, and its width. */
function Spectrum({ firstBar }: { firstBar: number }) {
  const { analysis } = useSheet();
  const mix = analysis.mix.sections.find((candidate) => candidate.first_bar === firstBar);
  if (!mix) return null;

  return (
    <>
      <Part title="Against the song's mean" aside="dB by third octave">
        <Columns
          values={mix.against_mean}
          names={analysis.mix.centres.map(hertz)}
          unit="dB"
          label="Spectrum against the mean"
          every={6}
        />
      </Part>
      <WidthList registers={mix.registers} />
    </>
  );
}
