import { useQuery } from "@tanstack/react-query";
import { History, Redo2, Undo2 } from "lucide-react";
import { useEffect, type ComponentProps } from "react";
import { Link, useNavigate } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { isWaiting, referenceQuery, studyQuery } from "../api/queries";
import type { Analysis, ReferencePage } from "../api/types";
import { useChange } from "../app/useChange";
import { useCommands } from "../app/commands";
import { Button } from "../components/Button";
import { Failure } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { Segmented } from "../components/Segmented";
import { clock } from "../lib/format";
import { trackOf } from "../player/track";
import { usePlayer } from "../player/context";
import { HandOver } from "../sheet/HandOver";
import { NotYet, Unshowable } from "../sheet/NoSheet";
import { Sheet } from "../sheet/Sheet";
import { useAddress, ZOOMS } from "../sheet/useAddress";
import { useAgain } from "../sheet/useAgain";
import { useEdits, type Edits } from "../sheet/useEdits";
import { useReferenceId, useStudyId } from "./params";

export function SheetScreen() {
  const studyId = useStudyId();
  const referenceId = useReferenceId();
  const { data: study } = useQuery(studyQuery(studyId));
  const { data: page, error } = useQuery(referenceQuery(referenceId));
  const row = study?.references.find((candidate) => candidate.id === referenceId);
  useTrack(page);

  if (error && !page)
    return (
      <>
        <PageHead title="No such reference" />
        <div className="grow bg-sheet p-4">
          <Failure
            error={error}
            action={
              <Link to={`/studies/${studyId}`} className="underline">
                Back to the study
              </Link>
            }
          />
        </div>
      </>
    );
  if (!page) return <PageHead title={row?.title ?? ""} remark={row?.artist ?? null} />;
  if (page.problem) return <Unshowable page={page} problem={page.problem} />;
  if (!page.analysis) return <NotYet page={page} run={row?.analysis ?? page.reference.run} />;
  return <Finished key={referenceId} page={page} analysis={page.analysis} count={study?.references.length ?? 1} />;
}

function Finished({ page, analysis, count }: { page: ReferencePage; analysis: Analysis; count: number }) {
  const { selection, select, zoom, zoomTo } = useAddress(analysis);
  const edits = useEdits(page);
  const again = useAgain(page);
  const zoomOn = () =>
    zoomTo(ZOOMS[(ZOOMS.findIndex((item) => item.value === zoom) + 1) % ZOOMS.length]?.value ?? "song");
  useCommands([
    { key: "z", name: "zoom: whole song, section, bar", group: "On the sheet", run: zoomOn },
    { name: "analyse this recording again", group: "On the sheet", run: () => again.mutate() },
  ]);
  const { reference } = page;
  const confirmed = Object.values(page.current).filter(
    (id) => page.readings.find((reading) => reading.id === id)?.state === "confirmed",
  ).length;
  return (
    <>
      <PageHead title={reference.title} remark={reference.artist}>
        <span className="hidden text-ink-2 wide:inline">
          Sheet <span className="figure">{reference.position}</span> of <span className="figure">{count}</span>
        </span>
        <span className="hidden text-ink-2 wide:inline">
          <span className="figure">{analysis.bars.length}</span> bars,{" "}
          <span className="figure">{clock(analysis.duration / (page.frame?.ratio ?? 1), 1)}</span>
        </span>
        <span className="hidden text-ink-2 wide:inline">
          <span className="figure">{`${confirmed} of ${Object.keys(page.current).length}`}</span> readings confirmed
        </span>
        <Changes
          page={page}
          edits={edits}
          onList={() => select({ kind: "journal" })}
          onSettle={() => select({ kind: "settle" })}
        />
        <Link
          to={`/studies/${reference.study_id}/references/${reference.id}/layers`}
          className="px-1 underline decoration-firm underline-offset-2 hover:bg-wash"
        >
          Layers
        </Link>
        <Button onClick={() => select({ kind: "sources" })}>
          {page.stems.length + (page.score ? 1 : 0) > 0 ? "Sources" : "Add stems"}
        </Button>
        <Segmented label="Zoom" choices={ZOOMS} value={zoom} onChange={zoomTo} />
        <Plan page={page} />
        <HandOver page={page} analysis={analysis} />
      </PageHead>
      <Sheet page={page} analysis={analysis} zoom={zoom} selection={selection} select={select} edits={edits} />
    </>
  );
}

interface ChangesProps {
  page: ReferencePage;
  edits: Edits;
  onList: () => void;
  onSettle: () => void;
}

/** Undo, redo, the list of changes, and what contradicts. */
function Changes({ page, edits, onList, onSettle }: ChangesProps) {
  const { undo, redo } = page.journal;
  const open = Object.keys(page.contradictions).length;
  return (
    <div className="flex items-center gap-1">
      {open > 0 && (
        <Button look="refute" className="mr-2 px-2" onClick={onSettle}>
          {open} to settle
        </Button>
      )}
      <IconButton name={undo ? `Undo: ${undo}` : "Nothing to undo"} disabled={!undo} onClick={edits.undo}>
        <Undo2 size={14} />
      </IconButton>
      <IconButton name={redo ? `Redo: ${redo}` : "Nothing to redo"} disabled={!redo} onClick={edits.redo}>
        <Redo2 size={14} />
      </IconButton>
      <IconButton name="All changes to this sheet" onClick={onList}>
        <History size={14} />
      </IconButton>
    </div>
  );
}

function IconButton({ name, ...rest }: { name: string } & Omit<ComponentProps<"button">, "type" | "className">) {
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      className="grid size-7 place-items-center rounded-sm hover:bg-wash disabled:text-ink-3 disabled:opacity-60 disabled:hover:bg-transparent"
      {...rest}
    />
  );
}

/** From this sheet to a checklist in one step. */
function Plan({ page }: { page: ReferencePage }) {
  const { study_id: studyId, id } = page.reference;
  const navigate = useNavigate();
  const create = useChange({
    send: () =>
      write<{ checklist: { id: number } }>("POST", `/studies/${studyId}/checklists`, {
        from: "reference",
        reference_id: id,
      }),
    stale: [keys.study(studyId)],
    done: ({ checklist }) => void navigate(`/studies/${studyId}/checklists/${checklist.id}`),
  });
  return (
    <Button
      disabled={create.isPending || isWaiting(page.derivation?.state)}
      onClick={() => create.mutate()}
      title={
        isWaiting(page.derivation?.state)
          ? "Your correction is still being analysed"
          : "Make a checklist from these readings"
      }
    >
      <span className="hidden mid:inline">Make a checklist</span>
      <span className="mid:hidden">Checklist</span>
    </Button>
  );
}

/** Puts the recording of this sheet into the player. */
function useTrack(page: ReferencePage | undefined): void {
  const player = usePlayer();
  useEffect(() => {
    if (!page?.analysis) return;
    player.load(trackOf(page.reference, page.analysis));
  }, [player, page]);
}
