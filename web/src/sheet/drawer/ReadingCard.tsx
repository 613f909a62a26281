import { useEffect, useRef, useState } from "react";
import { ReckonWith, sentenceOf } from "../../reckoner/ReckonWith";
import type { Aspect, Reading } from "../../api/types";
import { Button } from "../../components/Button";
import { day } from "../../lib/format";
import { currentReading, useSheet } from "../context";
import { CorrectionForm } from "./CorrectionForm";
import { Decide } from "../card/Decide";
import { CardHead } from "../card/CardHead";
import { Part } from "../card/Part";
import { Evidence } from "./Evidence";
import { headline } from "./headline";
import { KeyTools } from "./KeyTools";
import { Listen } from "../card/Listen";
import { MeterTools } from "./MeterTools";
import { rivalValue, Rivals } from "./Rivals";
import { Sides } from "./SettleCard";
import { TempoTools } from "./TempoTools";

const STATES = { open: "open", confirmed: "confirmed", corrected: "replaced", refuted: "refuted" } as const;

/** Why a reading says what it says, what else it could be, what it replaced, and what to do about it. */
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
  const take = (value: Record<string, unknown>) =>
    void edits.correct(reading.id, { value, note: "A rival of the measured reading." });
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
        why={heard ? reading.note || "Put here by you." : reading.why}
        heard={heard}
      />
      {reading.link && <p className="mt-1 truncate text-ink-2">{reading.link}</p>}
      {apart.length > 0 && (
        <Part title="Sources disagree" aside="confirm the one that holds">
          <Sides readings={apart} />
        </Part>
      )}
      {aspect === "tempo" && <TempoTools reading={reading} />}
      {aspect === "meter" && <MeterTools />}
      {aspect === "key" && <KeyTools key={reading.id} reading={reading} />}
      <Evidence aspect={aspect} />
      {!heard && <Rivals aspect={aspect} reading={reading} onTake={take} />}
      <History aspect={aspect} current={reading} />
      <ReckonWith studyId={page.reference.study_id} referenceId={page.reference.id} sentence={sentenceOf(aspect)} />
      <Listen run={{ first: 1, last: Math.min(8, analysis.bars.length) }} />
      {form && (
        <CorrectionForm
          aspect={aspect}
          reading={reading}
          title={form === "correct" ? "What you hear instead" : "What another source says"}
          action={form === "correct" ? "Put it in its place" : "Add it"}
          error={edits.error}
          onCancel={() => setForm(null)}
          onSave={(body) =>
            void (
              form === "correct" ? edits.correct(reading.id, body) : edits.post("readings", { aspect, ...body })
            ).then((answer) => answer && setForm(null))
          }
        />
      )}
      <Decide
        state={reading.state}
        onMark={(state) => void edits.mark(reading.id, state)}
        onRival={() => {
          const value = heard ? null : rivalValue(analysis, aspect, 0);
          if (value) take(value);
        }}
        {...(form ? {} : { onCorrect: () => setForm("correct") })}
      />
      {!form && (
        <Button look="quiet" className="mt-1 self-start px-0" onClick={() => setForm("add")}>
          Add what another source says
        </Button>
      )}
    </>
  );
}

function History({ aspect, current }: { aspect: Aspect; current: Reading }) {
  const { page } = useSheet();
  const readings = page.readings.filter((reading) => reading.aspect === aspect);
  return (
    <Part title="History" aside="oldest first">
      <ul className="flex flex-col gap-1" aria-label={`History of ${aspect}`}>
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
                </span>
              </span>
            </li>
          );
        })}
      </ul>
    </Part>
  );
}
