import { useEffect, useRef, useState } from "react";
import { sentenceOf, ReckonWith } from "../../reckoner/ReckonWith";
import { isWaiting } from "../../api/queries";
import type { Aspect, Reading, ReferencePage } from "../../api/types";
import { Button } from "../../components/Button";
import { Fold } from "../../components/Fold";
import { stageName } from "../../components/Progress";
import { day, signs } from "../../lib/format";
import { words } from "../../words/words";
import { currentReading, useSheet } from "../context";
import { CardHead } from "../card/CardHead";
import { Decide } from "../card/Decide";
import { Listen } from "../card/Listen";
import { Part } from "../card/Part";
import { Alternatives, alternativesOf } from "./Alternatives";
import { CorrectionForm } from "./CorrectionForm";
import { Evidence } from "./Evidence";
import { headline } from "./headline";
import { KeyTools } from "./KeyTools";
import { BarLines, PickupTool } from "./MeterTools";
import { Sides } from "./SettleCard";
import { TempoTools } from "./TempoTools";

const STATES = { open: "open", confirmed: "confirmed", corrected: "replaced", refuted: "wrong" } as const;

/** Three parts: what decides (the value, its alternatives, what to do about it), the evidence, and the tools. */
export function ReadingCard({ aspect }: { aspect: Aspect }) {
  const { page, analysis, edits, editing } = useSheet();
  const [form, setForm] = useState<"correct" | "add" | null>(null);
  const seen = useRef(editing);
  useEffect(() => {
    if (editing !== seen.current) setForm("correct");
    seen.current = editing;
  }, [editing]);
  const reading = currentReading(page, aspect);
  if (!reading) return null;

  const heard = reading.source !== "measured";
  const apart = page.readings.filter((candidate) => page.contradictions[aspect]?.includes(candidate.id));
  const alternatives = alternativesOf(analysis, aspect, {
    count: (bpm, meter) => edits.post("count", { action: "count", bpm, meter }),
    value: (value) => edits.correct(reading.id, { value, note: "An alternative of the measured reading." }),
  }).filter((one) => !inForce(one.label, page));
  return (
    <>
      <CardHead
        caption={
          <>
            <span className="capitalize">{aspect}</span> · bars 1–{analysis.bars.length} ·{" "}
            <span className={heard ? "text-heard-text" : "text-measured"}>{reading.source}</span>,{" "}
            {STATES[reading.state]}
          </>
        }
        value={headline(reading)}
        heard={heard}
      />
      <Working />
      <Said reading={reading} />
      {form ? (
        <CorrectionForm
          aspect={aspect}
          reading={reading}
          title={form === "correct" ? "What you hear instead" : "What another source says"}
          action={form === "correct" ? words.saveCorrection : words.save}
          error={edits.error}
          onCancel={() => setForm(null)}
          onSave={(body) =>
            void (
              form === "correct" ? edits.correct(reading.id, body) : edits.post("readings", { aspect, ...body })
            ).then((answer) => answer && setForm(null))
          }
        />
      ) : (
        <>
          {apart.length > 0 && (
            <Part title="Sources disagree" aside="confirm the one that holds">
              <Sides readings={apart} />
            </Part>
          )}
          <Alternatives alternatives={alternatives} />
          {aspect === "meter" && <BarLines />}
          <Decide
            key={reading.id}
            state={reading.state}
            why={{ note: reading.reason, link: reading.link }}
            onMark={(state, why) => void edits.mark(reading.id, state, why)}
            onRival={() => void alternatives[0]?.take()}
            onCorrect={() => setForm("correct")}
          />
        </>
      )}
      <Fold title={words.evidence} open>
        {!heard && reading.why && <p className="mt-1 font-serif text-15 leading-snug">{reading.why}</p>}
        <Evidence aspect={aspect} />
      </Fold>
      <Fold title={words.tools}>
        {aspect === "tempo" && <TempoTools reading={reading} />}
        {aspect === "meter" && <PickupTool />}
        {aspect === "key" && <KeyTools key={reading.id} reading={reading} />}
        <ReckonWith studyId={page.reference.study_id} referenceId={page.reference.id} sentence={sentenceOf(aspect)} />
        <Button look="quiet" className="mt-1 self-start px-0" onClick={() => setForm("add")}>
          {words.addSource}
        </Button>
      </Fold>
      <Fold title={words.history} aside="oldest first">
        <History aspect={aspect} current={reading} />
      </Fold>
      <Listen run={{ first: 1, last: Math.min(8, analysis.bars.length) }} />
    </>
  );
}

/** What holds already is no alternative, also while what rests on it is still analysed. */
function inForce(label: string, page: ReferencePage): boolean {
  const [tempo, meter, key] = (["tempo", "meter", "key"] as const).map((aspect) => currentReading(page, aspect)?.value);
  const pair = `${Number(tempo?.bpm).toFixed(2)}, ${String(meter?.name)}`;
  return label === pair || label === signs(`${String(key?.tonic)} ${String(key?.mode)}`);
}

/** What was chosen stands above; meanwhile what rests on it is analysed again. */
function Working() {
  const run = useSheet().page.derivation;
  if (!isWaiting(run?.state)) return null;
  return (
    <p role="status" className="mt-1 text-ink-2">
      {words.reanalysing}
      {run?.stage ? `: ${stageName(run.stage)}` : ""}
    </p>
  );
}

/** What a person said of it, and where that is said. */
function Said({ reading }: { reading: Reading }) {
  const heard = reading.source !== "measured";
  const said = [heard ? reading.note || "Entered by you." : "", reading.reason].filter(Boolean).join(" ");
  return (
    <>
      {said && <p className="mt-1 font-serif text-15 leading-snug">{said}</p>}
      {reading.link && (
        <a
          href={reading.link}
          target="_blank"
          rel="noreferrer noopener"
          className="mt-1 truncate text-ink-2 underline decoration-firm"
        >
          {reading.link}
        </a>
      )}
    </>
  );
}

function History({ aspect, current }: { aspect: Aspect; current: Reading }) {
  const { page } = useSheet();
  const readings = page.readings.filter((reading) => reading.aspect === aspect);
  return (
    <ul className="mt-1 flex flex-col gap-1" aria-label={`History of ${aspect}`}>
      {readings.map((reading) => {
        const gone = reading.id !== current.id || reading.state === "refuted";
        const heard = reading.source !== "measured";
        return (
          <li key={reading.id} className="grid grid-cols-[46px_1fr] gap-2">
            <span className="figure text-ink-2">{day(reading.created_at)}</span>
            <span>
              <span
                className={`font-medium ${heard ? "text-heard-text" : "text-measured"} ${gone ? "line-through decoration-conflict" : ""}`}
              >
                {headline(reading)}
              </span>{" "}
              <span className="text-ink-2">
                {reading.source}
                {reading.state !== "open" && `, ${STATES[reading.state]}`}
                {heard && reading.note && `. ${reading.note}`}
                {reading.reason && `. ${reading.reason}`}
              </span>
            </span>
          </li>
        );
      })}
    </ul>
  );
}
