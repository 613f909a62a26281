import { useQuery } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { studiesQuery } from "../api/queries";
import type { Study } from "../api/types";
import { useChange } from "../app/useChange";
import { useOpenStudyFile } from "../app/useDropAnywhere";
import { Button } from "../components/Button";
import { FileButton } from "../components/FileButton";
import { Failure, Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { TableHead } from "../components/TableHead";
import { ThrownAway } from "../components/ThrownAway";
import { AIMS } from "../lib/aims";
import { day, figure, plural, signs } from "../lib/format";
import { words } from "../words/words";

const LINK =
  "inline-flex h-7 items-center rounded-sm border border-ink bg-ink px-3 font-medium text-sheet hover:opacity-90";

export function StudiesScreen() {
  const { data, error } = useQuery(studiesQuery);
  return (
    <>
      <PageHead title="Studies">
        {data && data.studies.length > 0 && (
          <>
            <Example />
            <OpenFile />
            <Link to="/studies/new" className={LINK}>
              New study
            </Link>
          </>
        )}
      </PageHead>
      <div className="min-h-0 grow overflow-y-auto bg-sheet px-4 scroll-quiet">
        {error && (
          <div className="py-4">
            <Failure error={error} />
          </div>
        )}
        {data?.studies.length === 0 && <FirstStudy />}
        {data && data.studies.length > 0 && <StudyTable studies={data.studies} />}
        {data && <ThrownAway rows={data.thrown_away} path="/studies" stale={[keys.studies]} />}
      </div>
    </>
  );
}

/** What a new user sees: what this is, in the order of the work, and one button. */
function FirstStudy() {
  const steps = [
    ["Drop a reference", "One song or several, as WAV, FLAC, MP3, OGG, M4A or AIFF. They stay on this machine."],
    [
      "Read its sheet",
      "Tempo, meter, key, chords, sections and layers, each with how sure the engine is and what else it could be.",
    ],
    ["Work the checklist", "Every reading becomes a task with a target, a tolerance and a time box."],
  ];
  return (
    <div className="max-w-[620px]">
      <Notice
        action={
          <span className="flex gap-3">
            <Link to="/studies/new" className={LINK}>
              Start the first study
            </Link>
            <Example />
            <OpenFile />
          </span>
        }
      >
        A study holds the songs that you want to learn from, and what you want to make.
      </Notice>
      <ol className="border-t border-rule">
        {steps.map(([title, text], index) => (
          <li key={title} className="grid grid-cols-[28px_140px_1fr] items-baseline border-b border-faint py-2.5">
            <span className="figure text-ink-2">{index + 1}</span>
            <span className="font-serif text-15">{title}</span>
            <span className="text-ink-2">{text}</span>
          </li>
        ))}
      </ol>
    </div>
  );
}

/** A study that was taken away whole. */
function OpenFile() {
  const open = useOpenStudyFile();
  return (
    <FileButton
      name={words.openStudyFile}
      label="A study file"
      accept=".zip"
      onFiles={([file]) => {
        if (file) open(file);
      }}
    />
  );
}

/** Two songs of an invented band, to look at. */
function Example() {
  const navigate = useNavigate();
  const start = useChange({
    send: () => write<{ study: Study }>("POST", "/studies/example"),
    stale: [keys.studies],
    done: ({ study }) => void navigate(`/studies/${study.id}`),
  });
  return (
    <Button disabled={start.isPending} onClick={() => start.mutate()}>
      Look at an example
    </Button>
  );
}

function StudyTable({ studies }: { studies: Study[] }) {
  return (
    <table className="mt-2 w-full border-collapse text-left">
      <TableHead columns={["Study", "Aim", "New track", "References", "Since"]} />
      <tbody>
        {studies.map((study) => (
          <tr key={study.id} className="border-b border-faint hover:bg-wash">
            <td className="py-2 pr-4">
              <Link to={`/studies/${study.id}`} className="font-serif text-17 hover:underline">
                {study.title}
              </Link>
            </td>
            <td className="pr-4 text-ink-2">{AIMS[study.aim]}</td>
            <td className="pr-4 figure">{target(study)}</td>
            <td className="pr-4 figure">{plural(study.references ?? 0, "song")}</td>
            <td className="figure text-ink-2">{day(study.created_at)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function target(study: Study): string {
  const key = study.target_tonic && study.target_mode ? signs(`${study.target_tonic} ${study.target_mode}`) : null;
  const tempo = study.target_bpm ? `${figure(study.target_bpm, 2)} BPM` : null;
  return [key, tempo].filter(Boolean).join(", ") || "open";
}
