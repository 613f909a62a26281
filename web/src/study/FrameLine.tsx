import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useParams } from "react-router";
import { referenceQuery, studyQuery } from "../api/queries";
import type { Frame, Home, Study } from "../api/types";
import { useTold } from "../app/frame";
import { Dialog } from "../components/Dialog";
import { figure, signs } from "../lib/format";
import { usePlayer, usePlayerState } from "../player/context";

const keyName = (key: Home | null) => (key ? signs(`${key.tonic} ${key.mode}`) : null);
const LINK = "underline decoration-firm underline-offset-2 hover:bg-wash";

/** While everything is shown as mine: from what into what, what does not fit, and how to hear it so. */
export function FrameLine() {
  const params = useParams();
  const studyId = Number(params.studyId);
  const referenceId = Number(params.referenceId);
  const [as] = useTold(studyId);
  const { data: study } = useQuery({ ...studyQuery(studyId), enabled: studyId > 0 && as === "mine" });
  const { data: page } = useQuery({ ...referenceQuery(referenceId), enabled: referenceId > 0 && as === "mine" });
  if (as !== "mine" || !study) return null;
  const frame = page?.frame ?? null;
  return (
    <div
      role="status"
      aria-label="Shown as mine"
      className="flex shrink-0 flex-wrap items-baseline gap-x-4 gap-y-0.5 border-b border-mine bg-sheet px-4 py-1 text-mine print:hidden"
    >
      <span className="font-serif text-15 italic">{frame ? moved(frame) : wished(study.study)}</span>
      {frame && <Unfit frame={frame} />}
      {frame?.warnings.map((warning) => (
        <span key={warning}>{warning}</span>
      ))}
      {frame && <HearSo frame={frame} />}
    </div>
  );
}

function wished(study: Study): string {
  const key = study.target_tonic && study.target_mode ? signs(`${study.target_tonic} ${study.target_mode}`) : null;
  const parts = [study.target_bpm && `${figure(study.target_bpm, 2)} BPM`, key && `in ${key}`].filter(Boolean);
  return `As mine: ${parts.join(" ") || "nothing is wanted but the song's own tempo and key"}.`;
}

function moved({ bpm, from_bpm: from, ratio, key, from_key: home, semitones }: Frame): string {
  const tempo = bpm && from && Math.abs(ratio - 1) > 1e-6 ? [`${figure(bpm, 2)} BPM from ${figure(from, 2)}`] : [];
  const way =
    semitones === 0
      ? ""
      : `, ${Math.abs(semitones)} ${Math.abs(semitones) === 1 ? "semitone" : "semitones"} ${semitones > 0 ? "up" : "down"}`;
  const keys = key && home && semitones !== 0 ? [`${keyName(key)} from ${keyName(home)}${way}`] : [];
  return `As mine: ${[...tempo, ...keys].join("; ") || "the song's own tempo and key are the wanted ones"}.`;
}

/** A mode or a meter that the song does not have is never mixed in: what it would change is told. */
function Unfit({ frame }: { frame: Frame }) {
  const [open, setOpen] = useState(false);
  if (!frame.asked && !frame.meter) return null;
  return (
    <>
      {frame.asked && (
        <span>
          {keyName(frame.asked)} was asked for, but the song is {frame.from_key?.mode}:{" "}
          {frame.way === "tonic" ? "its tonic moves, its mode stays." : "its notes become those, its home stays."}{" "}
        </span>
      )}
      {frame.meter && <span>{`You want ${frame.meter.wanted}; the song is in ${frame.meter.own}.`}</span>}
      <button type="button" className={LINK} onClick={() => setOpen(true)}>
        What that changes
      </button>
      <Dialog title="What another mode or meter changes" open={open} onClose={() => setOpen(false)} wide>
        {frame.meter && (
          <ul className="mb-4 list-disc pl-5">
            {frame.meter.words.map((sentence) => (
              <li key={sentence}>{sentence}</li>
            ))}
          </ul>
        )}
        {frame.asked && <ModeTable frame={frame} asked={frame.asked} />}
      </Dialog>
    </>
  );
}

function ModeTable({ frame, asked }: { frame: Frame; asked: Home }) {
  return (
    <table className="w-full border-collapse text-left">
      <thead className="text-ink-2">
        <tr className="border-b border-rule">
          {[
            "In the song",
            `On the tonic ${signs(asked.tonic)} (parallel)`,
            `In the notes of ${keyName(asked) ?? ""} (relative)`,
            `Changed into ${keyName(asked) ?? ""}`,
            "Notes that change",
          ].map((name) => (
            <th key={name} scope="col" className="py-1 pr-4 font-normal">
              {name}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {frame.chords.map((row) => (
          <tr key={row.symbol} className="border-b border-faint">
            <td className="py-1 pr-4 font-serif text-15">{row.symbol}</td>
            <td className="pr-4 font-serif text-15">{row.tonic}</td>
            <td className="pr-4 font-serif text-15">{row.notes}</td>
            <td className="pr-4 font-serif text-15">{row.changed ?? "no name"}</td>
            <td className="text-ink-2">{row.differs.join(", ") || "none"}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The recording at the wanted tempo and key. */
function HearSo({ frame }: { frame: Frame }) {
  const player = usePlayer();
  const { rate, semitones, track } = usePlayerState();
  const so = Math.abs(rate - frame.ratio) < 1e-3 && semitones === frame.semitones;
  const own = rate === 1 && semitones === 0;
  if (!track || (frame.semitones === 0 && Math.abs(frame.ratio - 1) < 1e-6)) return null;
  const hear = (atRate: number, at: number) => {
    player.setRate(atRate);
    player.setSemitones(at);
  };
  return (
    <span className="ml-auto flex gap-3">
      {!so && (
        <button type="button" className={LINK} onClick={() => hear(frame.ratio, frame.semitones)}>
          Play the recording like that
        </button>
      )}
      {!own && (
        <button type="button" className={LINK} onClick={() => hear(1, 0)}>
          Hear it as it is
        </button>
      )}
    </span>
  );
}
