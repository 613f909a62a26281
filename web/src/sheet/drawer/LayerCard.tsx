import { Button } from "../../components/Button";
import { Confidence } from "../../components/Ink";
import { percent } from "../../lib/format";
import { toldBy } from "../../lib/sources";
import type { Analysis, Layer } from "../../api/types";
import { useSheet } from "../context";
import { Curve } from "../card/Curve";
import { CardHead } from "../card/CardHead";
import { Part } from "../card/Part";
import { lineOf } from "../played";
import { ReckonWith } from "../../reckoner/ReckonWith";
import { LineEditor } from "./LineEditor";
import { LineFacts } from "./LineFacts";
import { ScorePartFacts, StemFacts } from "./SourceFacts";

const BASIS: Record<string, string> = {
  kick: "Struck sound below 130 Hz and strokes heard step by step.",
  snare: "Struck sound with body and crack together, 180 Hz to 6 kHz, and strokes heard step by step.",
  hats: "Struck sound above 7 kHz and strokes heard step by step.",
  bass: "Held sound between 40 and 170 Hz.",
  chords: "Held sound between 250 and 1400 Hz.",
  lead: "How far the strongest high note stands over the others.",
  vocal: "Tones that glide between the semitones, formants that move under what is held, and breath, beat by beat.",
};

/** A measured layer: where it plays, by which source, what the others say, and all that its stem or notes tell. */
export function LayerCard({ name }: { name: string }) {
  const { page, analysis, select, edits } = useSheet();
  const layer = analysis.layers.find((candidate) => candidate.name === name);
  if (!layer) return null;

  const playing = layer.activity.filter((value) => value >= 0.5).length;
  const stem = analysis.stems.find((candidate) => candidate.name === name || candidate.role === layer.role);
  const line = lineOf(analysis, layer);
  const part = analysis.score?.parts.find((candidate) => candidate.name === name);
  return (
    <>
      <CardHead
        caption={
          <>
            Layer{layer.name === layer.role ? "" : ` · ${layer.role}`} ·{" "}
            <span className="text-measured">{toldBy(layer.source)}</span>
          </>
        }
        value={name}
        why={`Plays in ${playing} of ${layer.activity.length} bars.`}
      />
      <p className="mt-2 flex items-center gap-3">
        <Confidence value={layer.confidence} />
        <span className="text-11 text-ink-2">
          {layer.confidence < 0.6 ? "a mix can't tell more surely" : "few bars are in doubt"}
        </span>
      </p>
      <Part title="How much of it there is" aside="by bar">
        <Curve values={layer.activity.map((share) => share * 100)} unit="%" decimals={0} least={100} />
      </Part>
      {layer.role === "vocal" && <Voiceless passages={analysis.voiceless} />}
      <Rivals layer={layer} />
      <ReckonWith
        studyId={page.reference.study_id}
        referenceId={page.reference.id}
        sentence={layer.role === "bass" ? "sub_octave" : "cut_points"}
        layer={name}
      />
      <Button
        className="mt-3 self-start"
        onClick={() =>
          void edits.post("layers", { name, role: layer.role, from: name }).then((answer) => {
            if (answer?.reading) select({ kind: "ownLayer", id: answer.reading.id });
          })
        }
      >
        {analysis.heard_layers.some((own) => own.name === name) ? "Open its card" : "Paint it and fill its card"}
      </Button>
      {line && <LineFacts line={line} />}
      {line && <LineEditor line={line} />}
      {part && <ScorePartFacts part={part} />}
      {stem && <StemFacts stem={stem} />}
      <Part title="By section" aside="share of bars">
        <ul>
          {analysis.sections.map((section) => {
            const here = layer.activity.slice(section.first_bar - 1, section.first_bar - 1 + section.bars);
            return (
              <li key={section.first_bar} className="grid grid-cols-[24px_1fr_48px] items-baseline py-0.5">
                <span className="figure">{section.letter}</span>
                <span className="font-serif text-13 italic">{section.label}</span>
                <span className="figure text-right">
                  {percent(here.filter((value) => value >= 0.5).length / Math.max(1, here.length))}
                </span>
              </li>
            );
          })}
        </ul>
      </Part>
      {layer.source === "mix" && (
        <Part title="What it rests on">
          <p className="text-ink-2">{BASIS[layer.role]}</p>
          {analysis.untold_roles.length > 0 && (
            <p className="mt-1.5 text-ink-2">
              Not told on a mix, and so not shown: {analysis.untold_roles.join(", ")}. Stems or MIDI tell them.
            </p>
          )}
        </Part>
      )}
    </>
  );
}

/** Where nobody sings: passages to cut out and work with. */
function Voiceless({ passages }: { passages: Analysis["voiceless"] }) {
  return (
    <Part title="Voiceless passages" aside="two bars or more">
      {passages.length === 0 && <p className="text-ink-2">None: somebody sings throughout.</p>}
      <ul className="figure flex flex-wrap gap-x-4 gap-y-0.5">
        {passages.map((passage) => (
          <li key={passage.first_bar}>
            bars {passage.first_bar} to {passage.last_bar}
          </li>
        ))}
      </ul>
    </Part>
  );
}

/** What the weaker sources say of the same role. */
function Rivals({ layer }: { layer: Layer }) {
  if (layer.rivals.length === 0) return null;
  return (
    <Part title="What other sources say" aside="bars they agree on">
      <ul>
        {layer.rivals.map((rival) => {
          const alike = rival.activity.filter(
            (value, bar) => value >= 0.5 === (layer.activity[bar] ?? 0) >= 0.5,
          ).length;
          return (
            <li key={rival.source} className="flex justify-between">
              <span>{toldBy(rival.source)}</span>
              <span className="figure">{`${alike} of ${layer.activity.length}`}</span>
            </li>
          );
        })}
      </ul>
    </Part>
  );
}
