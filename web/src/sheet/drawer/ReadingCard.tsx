import { Check } from "lucide-react";
import { useState } from "react";
import type { Aspect, Reading } from "../../api/types";
import { Button } from "../../components/Button";
import { Failure } from "../../components/Notice";
import { day } from "../../lib/format";
import { useKeys } from "../../app/useKeys";
import { currentReading, useSheet } from "../context";
import { useReadings } from "../useReadings";
import { CorrectionForm } from "./CorrectionForm";
import { CardHead, Part } from "./Drawer";
import { Evidence } from "./Evidence";
import { headline } from "./headline";
import { Listen } from "./Listen";
import { Rivals } from "./Rivals";

const STATES = { open: "open", confirmed: "confirmed", corrected: "replaced", refuted: "refuted" } as const;

/** Why a reading says what it says, what else it could be, what it replaced, and what to do about it. */
export function ReadingCard({ aspect }: { aspect: Aspect }) {
  const { page, analysis } = useSheet();
  const { mark, correct } = useReadings();
  const [correcting, setCorrecting] = useState(false);
  const reading = currentReading(page, aspect);
  const act = (state: "open" | "confirmed" | "refuted") => reading && mark.mutate({ id: reading.id, state });
  useKeys({ c: () => act("confirmed"), x: () => act("refuted"), o: () => act("open"), e: () => setCorrecting(true) });
  if (!reading) return null;

  const heard = reading.source !== "measured";
  return (
    <>
      <CardHead
        caption={
          <>
            <span className="capitalize">{aspect}</span> · bars 1–{analysis.bars.length} ·{" "}
            <span className={heard ? "text-heard-text" : "text-measured"}>{heard ? reading.source : "measured"}</span>,{" "}
            {STATES[reading.state]}
          </>
        }
        value={headline(reading)}
        why={heard ? reading.note || "Put here by you." : reading.why}
        heard={heard}
      />
      {!heard && <Evidence aspect={aspect} />}
      {!heard && (
        <Rivals
          aspect={aspect}
          reading={reading}
          onTake={(value) =>
            correct.mutate({ id: reading.id, body: { value, note: "A rival of the measured reading." } })
          }
        />
      )}
      <History aspect={aspect} current={reading} />
      <Listen run={{ first: 1, last: Math.min(8, analysis.bars.length) }} />
      {(mark.error ?? correct.error) && <Failure error={mark.error ?? correct.error} />}
      {correcting ? (
        <CorrectionForm
          aspect={aspect}
          reading={reading}
          error={correct.error}
          onCancel={() => setCorrecting(false)}
          onSave={(body) => correct.mutate({ id: reading.id, body }, { onSuccess: () => setCorrecting(false) })}
        />
      ) : (
        <Decision reading={reading} onMark={act} onCorrect={() => setCorrecting(true)} />
      )}
    </>
  );
}

interface DecisionProps {
  reading: Reading;
  onMark: (state: "open" | "confirmed" | "refuted") => void;
  onCorrect: () => void;
}

function Decision({ reading, onMark, onCorrect }: DecisionProps) {
  const settled = reading.state === "confirmed" || reading.state === "refuted";
  return (
    <div className="mt-4 grid grid-cols-3 gap-2">
      {settled ? (
        <Button onClick={() => onMark("open")}>Open again</Button>
      ) : (
        <Button look="confirm" className="px-1" onClick={() => onMark("confirmed")}>
          <Check size={13} strokeWidth={2.4} className="shrink-0" aria-hidden /> Confirm
        </Button>
      )}
      <Button onClick={onCorrect}>Correct</Button>
      <Button look="refute" disabled={reading.state === "refuted"} onClick={() => onMark("refuted")}>
        Refute
      </Button>
    </div>
  );
}

function History({ aspect, current }: { aspect: Aspect; current: Reading }) {
  const { page } = useSheet();
  const readings = page.readings.filter((reading) => reading.aspect === aspect);
  return (
    <Part title="History">
      <ul className="flex flex-col gap-1">
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
                </span>
              </span>
            </li>
          );
        })}
      </ul>
    </Part>
  );
}
