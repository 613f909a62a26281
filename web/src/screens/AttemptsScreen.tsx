import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useParams } from "react-router";
import { attemptQuery, attemptsQuery, isWaiting, studyQuery } from "../api/queries";
import type { AttemptPage, AttemptRow } from "../api/types";
import { useBeside } from "../attempts/Against";
import { Laid } from "../attempts/Laid";
import { Several } from "../attempts/Several";
import { useDrop } from "../attempts/useAttempts";
import { Versions } from "../attempts/Versions";
import { DropPage } from "../components/DropPage";
import { FileButton, SCORE_FILES, SOUND_FILES } from "../components/FileButton";
import { LINK_LOOK } from "../components/linkLook";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { Progress } from "../components/Progress";
import { Segmented } from "../components/Segmented";
import { plural } from "../lib/format";
import { AssemblyList } from "./AssemblyList";
import { useStudyId } from "./params";
import { words } from "../words/words";

/** The user's own track, version by version, laid on what it is an attempt at. */
export function AttemptsScreen() {
  const studyId = useStudyId();
  const wanted = Number(useParams().attemptId);
  const navigate = useNavigate();
  const { data: study } = useQuery(studyQuery(studyId));
  const { data } = useQuery(attemptsQuery(studyId));
  const attempts = data?.attempts ?? [];
  const chosen = attempts.find((attempt) => attempt.id === wanted) ?? attempts.at(-1);
  const [beside] = useBeside();
  const show = (attempt: AttemptRow) => void navigate(`/studies/${studyId}/attempts/${attempt.id}`);
  const dropping = useDrop(studyId, chosen?.against_id, show);
  const { drop, sending, failure, forgive } = dropping;
  const waiting = (study?.assemblies ?? []).filter(({ attempt }) => attempt !== null);
  const { data: page } = useQuery({
    ...attemptQuery(studyId, chosen?.id ?? 0, beside),
    enabled: chosen !== undefined && !isWaiting(chosen.run?.state),
  });
  const [onlyDifferent, setOnlyDifferent] = useState(false);
  return (
    <DropPage onFiles={(files) => void drop(files)} sentence="Drop the bounce of your track, its stems or its notes.">
      <PageHead title={chosen?.title ?? "Attempts"} remark={remarkOf(page) ?? study?.study.title ?? null}>
        {page?.comparison && !page.comparison.alignment.refused && (
          <Segmented
            label="Rows"
            value={onlyDifferent ? "different" : "all"}
            onChange={(value) => setOnlyDifferent(value === "different")}
            choices={[
              { value: "all", name: "two inks" },
              { value: "different", name: "only what differs" },
            ]}
          />
        )}
        {page && (page.comparison ?? page.style) && !beside && (
          <>
            <Link to={`/studies/${studyId}/attempts/${page.attempt.id}/paper`} className={LINK_LOOK}>
              On paper
            </Link>
            <a href={`/api/attempts/${page.attempt.id}/comparison.md`} className={LINK_LOOK}>
              {words.exportMarkdown}
            </a>
            {page.comparison && (
              <a href={`/api/attempts/${page.attempt.id}/differences.csv`} className={LINK_LOOK}>
                {words.exportCsv}
              </a>
            )}
          </>
        )}
        <FileButton
          name="Drop a bounce"
          look="solid"
          label="Bounce of your track"
          accept={`${SOUND_FILES},${SCORE_FILES}`}
          onFiles={(files) => void drop(files)}
        />
      </PageHead>
      {attempts.length > 0 && <Versions studyId={studyId} attempts={attempts} chosen={chosen?.id ?? null} />}
      {waiting.length > 0 && (
        <div className="border-b border-rule px-4">
          <AssemblyList studyId={studyId} assemblies={waiting} name="Attempts being put together" />
        </div>
      )}
      <Several drop={dropping} />
      {sending && (
        <p role="status" className="border-b border-rule px-4 py-1.5 text-ink-2">{`${sending} is on its way.`}</p>
      )}
      {failure && (
        <p role="alert" className="flex items-center gap-4 border-b border-rule px-4 py-1.5 text-conflict">
          {failure}
          <button type="button" className="underline" onClick={forgive}>
            Close
          </button>
        </p>
      )}
      {data && !chosen && waiting.length === 0 && (
        <Empty references={study?.references.length ?? 0} studyId={studyId} />
      )}
      {chosen && isWaiting(chosen.run?.state) && chosen.run && (
        <div className="grow bg-sheet p-6">
          <Progress run={chosen.run} />
        </div>
      )}
      {chosen?.run?.state === "failed" && (
        <div className="grow bg-sheet px-4">
          <Notice>{chosen.run.error ?? "It could not be analysed."}</Notice>
        </div>
      )}
      {page && page.attempt.id === chosen?.id && (
        <Laid key={`${page.attempt.id} ${beside ?? ""}`} page={page} onlyDifferent={onlyDifferent} />
      )}
    </DropPage>
  );
}

function remarkOf(page: AttemptPage | undefined): string | null {
  if (page?.style) return `in the style of ${plural(page.style.songs, "song")}`;
  if (!page?.reference) return null;
  const { comparison, reference } = page;
  if (!comparison || comparison.alignment.refused) return `against ${reference.title}`;
  const { tempo, semitones } = comparison.alignment;
  const moved =
    semitones === 0
      ? "in its key"
      : `${Math.abs(semitones)} ${Math.abs(semitones) === 1 ? "semitone" : "semitones"} ${semitones > 0 ? "up" : "down"}`;
  return `against ${reference.title}, bar for bar; yours at ${tempo.attempt.toFixed(2)} BPM, ${moved}`;
}

function Empty({ references, studyId }: { references: number; studyId: number }) {
  return (
    <div className="grow bg-sheet px-4">
      <Notice
        action={
          references === 0 ? (
            <Link to={`/studies/${studyId}`} className="underline">
              To the study
            </Link>
          ) : undefined
        }
      >
        {references === 0
          ? "There is nothing to hold an attempt against yet. Drop a reference into the study first."
          : "Drop a bounce of your own track here. It is laid on the reference, bar by bar, and the checklist says how close it came."}
      </Notice>
    </div>
  );
}
