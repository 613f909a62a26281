import { useQuery } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import { Link, useNavigate } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { attemptsQuery, studyQuery } from "../api/queries";
import type { ReferenceRow, Study, StudyPage } from "../api/types";
import { useChange } from "../app/useChange";
import { useImport, type Incoming } from "../app/useImport";
import { isBusy } from "../app/useProgress";
import { Versions } from "../attempts/Versions";
import { Button } from "../components/Button";
import { Dialog } from "../components/Dialog";
import { DropPage } from "../components/DropPage";
import { FileButton } from "../components/FileButton";
import { Marks } from "../components/Marks";
import { Failure, Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { Progress } from "../components/Progress";
import { TableHead } from "../components/TableHead";
import { AIMS } from "../lib/aims";
import { clock, figure, plural, signs } from "../lib/format";
import { AboutSong } from "../study/AboutSong";
import { AssemblyDialog } from "./AssemblyDialog";
import { AssemblyList } from "./AssemblyList";
import { useStudyId } from "./params";

export function StudyScreen() {
  const studyId = useStudyId();
  const { data, error } = useQuery(studyQuery(studyId));
  const files = useImport(studyId);
  if (error) return <Failed error={error} />;
  if (!data) return <PageHead title="" />;

  return (
    <DropPage sentence="Drop to add it to the study." onFiles={(list) => void files.send(list)}>
      <PageHead title={data.study.title} remark={remark(data)}>
        <FileButton
          name="Add references"
          look={data.references.length === 0 ? "solid" : "outline"}
          onFiles={(list) => void files.send(list)}
        />
        <FromParts studyId={studyId} />
        <StudyActions page={data} />
      </PageHead>
      <div className="min-h-0 grow overflow-y-auto bg-sheet px-4 pb-6 scroll-quiet">
        <Tries studyId={studyId} />
        <IncomingList files={files.incoming} onDismiss={files.dismiss} />
        <AssemblyList studyId={studyId} assemblies={data.assemblies.filter(({ attempt }) => attempt === null)} />
        {data.references.length === 0 ? (
          <Notice>
            Drop a recording here to start the first sheet: WAV, FLAC, MP3, OGG or Opus, M4A or AIFF, up to 20 minutes.
            Without a mix, start from its stems or a MIDI file.
          </Notice>
        ) : (
          <ReferenceTable rows={data.references} />
        )}
        {data.references.length > 0 && <Checklists page={data} />}
      </div>
    </DropPage>
  );
}

/** How far each attempt got, as a strip. */
function Tries({ studyId }: { studyId: number }) {
  const { data } = useQuery(attemptsQuery(studyId));
  if (!data || data.attempts.length === 0) return null;
  return (
    <div className="-mx-4">
      <Versions studyId={studyId} attempts={data.attempts} chosen={null} />
    </div>
  );
}

function Failed({ error }: { error: Error }) {
  return (
    <>
      <PageHead title="No such study" />
      <div className="grow bg-sheet p-4">
        <Failure
          error={error}
          action={
            <Link to="/" className="underline">
              All studies
            </Link>
          }
        />
      </div>
    </>
  );
}

function scopeOf({ scope_from: from, scope_bar: to }: Study): string {
  if (from && to) return `, bars ${from} to ${to}`;
  if (from) return `, from bar ${from} on`;
  return to ? `, up to bar ${to}` : "";
}

function remark({ study }: StudyPage): string {
  const scope = scopeOf(study);
  const key = study.target_tonic && study.target_mode ? signs(`${study.target_tonic} ${study.target_mode}`) : null;
  const target = [key, study.target_bpm && `${figure(study.target_bpm, 2)} BPM`].filter(Boolean).join(" at ");
  return `${AIMS[study.aim]}${scope}${target ? `; new track in ${target}` : ""}`;
}

function FromParts({ studyId }: { studyId: number }) {
  const [open, setOpen] = useState(false);
  const close = useCallback(() => setOpen(false), []);
  return (
    <>
      <Button onClick={() => setOpen(true)}>From stems or MIDI</Button>
      <AssemblyDialog studyId={studyId} open={open} onClose={close} />
    </>
  );
}

function StudyActions({ page }: { page: StudyPage }) {
  const [asking, setAsking] = useState(false);
  const navigate = useNavigate();
  const remove = useChange({
    send: () => write("DELETE", `/studies/${page.study.id}`),
    stale: [keys.studies],
    done: () => void navigate("/"),
    shownHere: true,
  });
  return (
    <>
      <Button look="quiet" onClick={() => setAsking(true)}>
        Delete
      </Button>
      <Dialog
        title={`Delete the study “${page.study.title}”?`}
        description={`Its ${plural(page.references.length, "reference")}, readings and ${plural(page.checklists.length, "checklist")} go with it. This can't be undone.`}
        open={asking}
        onClose={() => setAsking(false)}
      >
        {remove.error && <Failure error={remove.error} />}
        <div className="flex gap-2">
          <Button look="refute" onClick={() => remove.mutate()}>
            Delete the study
          </Button>
          <Button onClick={() => setAsking(false)}>Keep it</Button>
        </div>
      </Dialog>
    </>
  );
}

function IncomingList({ files, onDismiss }: { files: Incoming[]; onDismiss: (key: string) => void }) {
  if (files.length === 0) return null;
  return (
    <ul aria-label="Files coming in" className="my-3 border-y border-rule">
      {files.map((file) => (
        <li key={file.key} className="flex items-center gap-4 border-b border-faint py-2 last:border-0">
          <span className="max-w-[320px] truncate font-medium" title={file.name}>
            {file.name}
          </span>
          {file.state === "failed" ? (
            <Failure
              error={new Error(file.message)}
              action={<Button onClick={() => onDismiss(file.key)}>Put aside</Button>}
            />
          ) : (
            <span className="text-ink-2">{file.state === "sending" ? "taking it in" : "waiting"}</span>
          )}
        </li>
      ))}
    </ul>
  );
}

const COLUMNS = ["(Number)", "Song", "Tempo", "Meter", "Key", "Loop", "Form", "Loudness", "Readings"];

function ReferenceTable({ rows }: { rows: ReferenceRow[] }) {
  return (
    <table className="mt-2 w-full border-collapse text-left">
      <TableHead columns={COLUMNS} />
      <tbody>
        {rows.map((row) => (
          <ReferenceLine key={row.id} row={row} />
        ))}
      </tbody>
    </table>
  );
}

function ReferenceLine({ row }: { row: ReferenceRow }) {
  const { summary } = row;
  const path = `/studies/${row.study_id}/references/${row.id}`;
  return (
    <tr className="border-b border-faint hover:bg-wash">
      <td className="w-7 figure text-ink-2">{row.position}</td>
      <td className="max-w-[260px] py-2 pr-4">
        <Link to={path} className="block truncate font-serif text-15 hover:underline">
          {row.title}
        </Link>
        <span className="block truncate text-11 text-ink-3">
          {[row.artist, summary && clock(summary.duration)].filter(Boolean).join(", ") || row.original_name}
        </span>
        <AboutSong row={row} />
      </td>
      {summary ? (
        <>
          <td className="pr-4 whitespace-nowrap">
            {summary.bpm ? (
              <>
                <span className="figure">{figure(summary.bpm, 2)}</span> BPM
              </>
            ) : (
              "no pulse"
            )}
          </td>
          <td className="pr-4 figure">{summary.meter}</td>
          <td className="pr-4 whitespace-nowrap">{summary.key ?? "none"}</td>
          <td className="max-w-[180px] truncate pr-4">{summary.loop ?? "none"}</td>
          <td className="pr-4 whitespace-nowrap">
            <span className="figure">{summary.sections}</span> in <span className="figure">{summary.bars}</span> bars
          </td>
          <td className="pr-4 whitespace-nowrap">
            {summary.lufs === null ? (
              "–"
            ) : (
              <>
                <span className="figure">{figure(summary.lufs, 1)}</span> LUFS
              </>
            )}
          </td>
          <td>
            <Marks marks={row.marks} />
          </td>
        </>
      ) : (
        <td colSpan={7}>
          {row.problem && !isBusy(row.analysis) ? <Problem row={row} path={path} /> : <RunState row={row} />}
        </td>
      )}
    </tr>
  );
}

/** One song that can't be shown; its sheet offers what to do about it. */
function Problem({ row, path }: { row: ReferenceRow; path: string }) {
  return (
    <Failure
      error={new Error(row.problem ?? "")}
      action={
        <Link to={path} className="whitespace-nowrap underline">
          What can be done
        </Link>
      }
    />
  );
}

function RunState({ row }: { row: ReferenceRow }) {
  const stale = [keys.study(row.study_id), keys.progress(row.study_id)];
  const again = useChange({ send: () => write("POST", `/references/${row.id}/analyses`), stale });
  const remove = useChange({ send: () => write("DELETE", `/references/${row.id}`), stale });
  if (!row.analysis || isBusy(row.analysis))
    return row.analysis ? <Progress run={row.analysis} /> : <span>waiting</span>;
  return (
    <Failure
      error={new Error(row.analysis.error ?? "The analysis failed.")}
      action={
        <>
          <Button onClick={() => again.mutate()}>Try again</Button>
          <Button look="quiet" onClick={() => remove.mutate()}>
            Remove
          </Button>
        </>
      }
    />
  );
}

function Checklists({ page }: { page: StudyPage }) {
  const base = `/studies/${page.study.id}`;
  return (
    <section className="mt-6 flex items-baseline gap-4 border-t border-rule pt-3">
      <h2 className="font-serif text-18">Next</h2>
      {page.checklists.map((row) => (
        <Link key={row.id} to={`${base}/checklists/${row.id}`} className="hover:underline">
          {row.title}, <span className="figure">{`${row.done} of ${row.total}`}</span>
        </Link>
      ))}
      <Link to={`${base}/checklists`} className="underline decoration-firm underline-offset-2">
        {page.checklists.length ? "Make another checklist" : "Make a checklist from what was measured"}
      </Link>
      <Link to={`${base}/profile`} className="underline decoration-firm underline-offset-2">
        See what the songs share
      </Link>
    </section>
  );
}
