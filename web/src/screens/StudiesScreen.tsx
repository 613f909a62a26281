import { useQuery } from "@tanstack/react-query";
import { Link, useNavigate } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { studiesQuery } from "../api/queries";
import type { Study, StudyCard } from "../api/types";
import { useChange } from "../app/useChange";
import { useOpenStudyFile } from "../app/useDropAnywhere";
import { Button } from "../components/Button";
import { FileButton } from "../components/FileButton";
import { DropZone } from "../components/DropZone";
import { Failure } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { TableHead } from "../components/TableHead";
import { ThrownAway } from "../components/ThrownAway";
import { AIMS } from "../lib/aims";
import { inkColour, type Step } from "../lib/ink";
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
    ["Work the checklist", "Every reading becomes a task with a target, a tolerance and the minutes for it."],
  ];
  return (
    <div className="max-w-[620px]">
      <DropZone title="Drop a song here to start: a study holds the songs that you learn from, and what you want to make.">
        <span className="flex flex-wrap gap-3">
          <Link to="/studies/new" className={LINK}>
            Start the first study
          </Link>
          <Example />
          <OpenFile />
        </span>
      </DropZone>
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

function StudyTable({ studies }: { studies: StudyCard[] }) {
  return (
    <table className="mt-2 w-full border-collapse text-left max-small:block max-small:[&_tbody]:block max-small:[&_thead]:sr-only">
      <TableHead columns={["Study", "Aim", "New track", "References", "Forms", "Next"]} />
      <tbody>
        {studies.map((study) => (
          <tr
            key={study.id}
            className="border-b border-faint hover:bg-wash max-small:grid max-small:grid-cols-2 max-small:items-start max-small:gap-y-1 max-small:py-2"
          >
            <td className="py-2 pr-4">
              <Link to={`/studies/${study.id}`} className="font-serif text-17 hover:underline">
                {study.title}
              </Link>
              <span className="block text-11 text-ink-2">since {day(study.created_at)}</span>
            </td>
            <td className="pr-4 text-ink-2">{AIMS[study.aim]}</td>
            <td className="pr-4 figure">{target(study)}</td>
            <td className="pr-4 figure">{plural(study.references ?? 0, "song")}</td>
            <td className="w-[26%] pr-4 max-small:w-auto">
              <Forms study={study} />
            </td>
            <td className="max-w-[220px] pr-2">
              <Link
                to={study.next.path}
                className="line-clamp-2 underline decoration-firm underline-offset-2 hover:bg-wash"
              >
                {study.next.words}
              </Link>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const STRIP = 6;

/** How the first songs of a study are built: a strip each, its sections in bars, what returns in one ink. */
function Forms({ study }: { study: StudyCard }) {
  if (study.forms.length === 0) return null;
  const longest = Math.max(...study.forms.map(({ sections }) => sections.reduce((sum, [, bars]) => sum + bars, 0)), 1);
  return (
    <svg
      role="img"
      aria-label={study.forms
        .map(({ title, sections }) => `${title}: ${sections.map(([letter, bars]) => `${letter} ${bars}`).join(", ")}`)
        .join("; ")}
      viewBox={`0 0 ${longest} ${study.forms.length * (STRIP + 3)}`}
      preserveAspectRatio="none"
      height={study.forms.length * (STRIP + 3)}
      className="w-full"
    >
      {study.forms.flatMap(({ title, sections }, row) =>
        sections.map(([letter, bars], index) => {
          const before = sections.slice(0, index).reduce((sum, [, length]) => sum + length, 0);
          return (
            <rect
              key={`${title} ${index}`}
              x={before + 0.2}
              y={row * (STRIP + 3)}
              width={Math.max(0.4, bars - 0.4)}
              height={STRIP}
              fill={inkColour(inkOf(letter))}
              stroke="var(--measured)"
              strokeWidth="0.6"
              vectorEffect="non-scaling-stroke"
            />
          );
        }),
      )}
    </svg>
  );
}

/** Letters in their order from pale to dark. */
function inkOf(letter: string): Step {
  const place = Math.max(0, (letter.codePointAt(0) ?? 65) - 65);
  return (1 + (place % 5)) as Step;
}

function target(study: Study): string {
  const key = study.target_tonic && study.target_mode ? signs(`${study.target_tonic} ${study.target_mode}`) : null;
  const tempo = study.target_bpm ? `${figure(study.target_bpm, 2)} BPM` : null;
  return [key, tempo].filter(Boolean).join(", ") || "open";
}
