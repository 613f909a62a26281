import { useQuery } from "@tanstack/react-query";
import { useCallback, useState } from "react";
import { Link } from "react-router";
import { keys } from "../api/keys";
import { attemptsQuery, studyQuery } from "../api/queries";
import type { Study, StudyPage } from "../api/types";
import { soundsOf } from "../app/imports";
import { useImport, type Incoming } from "../app/useImport";
import { Versions } from "../attempts/Versions";
import { Button } from "../components/Button";
import { DropZone } from "../components/DropZone";
import { FileButton } from "../components/FileButton";
import { Failure } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { AIMS } from "../lib/aims";
import { figure, signs } from "../lib/format";
import { ThrownAway } from "../components/ThrownAway";
import { ReferenceTable } from "../study/ReferenceTable";
import { Overview } from "../study/Overview";
import { StudyActions } from "../study/StudyActions";
import { AssemblyDialog } from "./AssemblyDialog";
import { AssemblyList } from "./AssemblyList";
import { useStudyId } from "./params";

export function StudyScreen() {
  const studyId = useStudyId();
  const { data, error } = useQuery(studyQuery(studyId));
  const files = useImport();
  const [scroller, setScroller] = useState<HTMLDivElement | null>(null);
  if (error && !data) return <Failed error={error} />;
  if (!data) return <PageHead title="" />;

  return (
    <>
      <PageHead title={data.study.title} remark={remark(data)}>
        <FileButton name="Add references" onFiles={(list) => void files.send(studyId, list)} />
        <FileButton
          name="Add a folder"
          label="A folder of sound files"
          folder
          onFiles={(list) => void files.send(studyId, soundsOf(list))}
        />
        <FromParts studyId={studyId} />
        <StudyActions page={data} />
      </PageHead>
      <div ref={setScroller} className="min-h-0 grow overflow-y-auto bg-sheet px-4 pb-6 scroll-quiet">
        <Tries studyId={studyId} />
        <IncomingList files={files.incoming.filter((file) => file.studyId === studyId)} onDismiss={files.dismiss} />
        <AssemblyList studyId={studyId} assemblies={data.assemblies.filter(({ attempt }) => attempt === null)} />
        {data.references.length === 0 ? (
          <DropZone title="Drop a recording here; its sheet opens at once and fills in while it is analysed.">
            <p className="text-ink-2">
              WAV, FLAC, MP3, OGG or Opus, M4A or AIFF, up to 20 minutes. Without a mix, start from its stems or a MIDI
              file.
            </p>
            <FileButton
              name="Choose files"
              label="Recordings"
              look="solid"
              onFiles={(list) => void files.send(studyId, list)}
            />
          </DropZone>
        ) : (
          <ReferenceTable rows={data.references} scroller={scroller} />
        )}
        <ThrownAway
          rows={data.thrown_away.references}
          path="/references"
          stale={[keys.study(studyId), keys.progress(studyId)]}
        />
        {data.references.length > 0 && <Overview page={data} />}
      </div>
    </>
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
              action={<Button onClick={() => onDismiss(file.key)}>Dismiss</Button>}
            />
          ) : (
            <span className="text-ink-2">{file.state === "sending" ? "taking it in" : "waiting"}</span>
          )}
        </li>
      ))}
    </ul>
  );
}
