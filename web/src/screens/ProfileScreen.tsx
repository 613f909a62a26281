import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { profileQuery, studyQuery } from "../api/queries";
import type { Profile } from "../api/types";
import { messageOf, Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { clock, plural } from "../lib/format";
import { DegreeTable } from "../profile/DegreeTable";
import { LayerTable } from "../profile/LayerTable";
import { MarkTable, SoundTable } from "../profile/NotedTables";
import { SongPlots } from "../profile/SongPlots";
import { Statements } from "../profile/Statements";
import { TechniqueTable } from "../profile/TechniqueTable";
import { useStudyId } from "./params";

export function ProfileScreen() {
  const studyId = useStudyId();
  const { data: study } = useQuery(studyQuery(studyId));
  const { data, error } = useQuery(profileQuery(studyId));
  const profile = data?.profile;
  return (
    <>
      <PageHead title="Style profile" remark={study?.study.title ?? null}>
        {profile && <Totals profile={profile} />}
        {profile && (
          <Link
            to={`/studies/${studyId}/checklists`}
            className="inline-flex h-7 items-center rounded-sm border border-firm px-3 font-medium hover:bg-wash"
          >
            Turn into targets
          </Link>
        )}
      </PageHead>
      {error && (
        <div className="grow bg-sheet px-4">
          <Notice
            action={
              <Link to={`/studies/${studyId}`} className="underline">
                To the study
              </Link>
            }
          >
            {messageOf(error)}
          </Notice>
        </div>
      )}
      {data && data.left_out.length > 0 && (
        <p role="status" className="shrink-0 border-b border-rule bg-sheet px-4 py-1.5 text-conflict">
          Not counted, for {data.left_out.length === 1 ? "it" : "they"} can't be shown: {data.left_out.join(", ")}.
        </p>
      )}
      {profile && <Body profile={profile} />}
    </>
  );
}

function Totals({ profile }: { profile: Profile }) {
  const bars = profile.songs.reduce((sum, song) => sum + song.bars, 0);
  const seconds = profile.songs.reduce((sum, song) => sum + song.duration, 0);
  return (
    <span className="text-ink-2">
      {plural(profile.songs.length, "song")}, <span className="figure">{bars}</span> bars,{" "}
      <span className="figure">{clock(seconds)}</span>
    </span>
  );
}

function Body({ profile }: { profile: Profile }) {
  return (
    <>
      <Statements profile={profile} />
      <div className="min-h-0 grow overflow-auto bg-sheet px-4 pb-5 scroll-quiet">
        <SongPlots profile={profile} />
        <div className="mt-4 grid grid-cols-2 gap-x-7 gap-y-5 border-t border-firm pt-3 mid:grid-cols-[270px_1fr_minmax(340px,1.1fr)]">
          <DegreeTable profile={profile} />
          <div className="flex min-w-0 flex-col gap-5">
            <LayerTable profile={profile} />
            <SoundTable profile={profile} />
          </div>
          <div className="flex min-w-0 flex-col gap-5">
            <TechniqueTable profile={profile} />
            <MarkTable profile={profile} />
          </div>
        </div>
      </div>
    </>
  );
}
