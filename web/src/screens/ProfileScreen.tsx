import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate, useSearchParams } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { profileQuery, studyQuery } from "../api/queries";
import type { Checklist, ProfilePage } from "../api/types";
import { useChange } from "../app/useChange";
import { Button } from "../components/Button";
import { messageOf, Notice } from "../components/Notice";
import { LINK_LOOK } from "../components/linkLook";
import { PageHead } from "../components/PageHead";
import { plural } from "../lib/format";
import { ClaimTable } from "../profile/ClaimTable";
import { DegreeTable } from "../profile/DegreeTable";
import { Kinship } from "../profile/Kinship";
import { LayerTable } from "../profile/LayerTable";
import { MarkTable, SoundTable } from "../profile/NotedTables";
import { SongPlots } from "../profile/SongPlots";
import { useStanding } from "../profile/StandingSelect";
import { TechniqueTable } from "../profile/TechniqueTable";
import { useStudyId } from "./params";
import { words } from "../words/words";

export function ProfileScreen() {
  const studyId = useStudyId();
  const [search, setSearch] = useSearchParams();
  const against = search.get("against") ?? "generated";
  const { data: study } = useQuery(studyQuery(studyId));
  const { data, error } = useQuery(profileQuery(studyId, against));
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const choose = (id: string, on: boolean) => {
    const next = new Set(chosen);
    if (on) next.add(id);
    else next.delete(id);
    setChosen(next);
  };
  return (
    <>
      <PageHead title="Style profile" remark={study?.study.title ?? null}>
        {data && <Beside page={data} onChoose={(id) => setSearch({ against: id }, { replace: true })} />}
        {data && (
          <Link to={`/studies/${studyId}/comparison`} className={LINK_LOOK}>
            {words.compareStudies}
          </Link>
        )}
        {data && <IntoTargets studyId={studyId} against={against} chosen={chosen} />}
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
      {data && <Body page={data} chosen={chosen} onChoose={choose} />}
    </>
  );
}

/** Which other music the songs are told beside. */
function Beside({ page, onChoose }: { page: ProfilePage; onChoose: (id: string) => void }) {
  return (
    <label className="flex items-center gap-2 text-ink-2">
      <span className="max-mid:hidden">{words.comparedWith}</span>
      <select
        value={page.against}
        onChange={(event) => onChoose(event.target.value)}
        className="h-7 max-w-[200px] rounded-sm border border-firm bg-sheet px-1.5 text-ink"
      >
        {page.baselines.map((baseline) => (
          <option key={baseline.id} value={baseline.id}>
            {`${baseline.name}, ${baseline.songs}`}
          </option>
        ))}
      </select>
    </label>
  );
}

interface IntoTargetsProps {
  studyId: number;
  against: string;
  chosen: ReadonlySet<string>;
}

/** The rows that were ticked as a checklist of their own; without any, the whole profile as one. */
function IntoTargets({ studyId, against, chosen }: IntoTargetsProps) {
  const navigate = useNavigate();
  const make = useChange({
    send: () =>
      chosen.size > 0
        ? write<{ checklist: Checklist }>("POST", `/studies/${studyId}/targets`, { claims: [...chosen], against })
        : write<{ checklist: Checklist }>("POST", `/studies/${studyId}/checklists`, { from: "profile" }),
    stale: [keys.study(studyId)],
    done: ({ checklist }) => void navigate(`/studies/${studyId}/checklists/${checklist.id}`),
  });
  return (
    <Button look={chosen.size > 0 ? "solid" : "outline"} disabled={make.isPending} onClick={() => make.mutate()}>
      {chosen.size > 0 ? `Turn ${plural(chosen.size, "row")} into targets` : "Turn all into targets"}
    </Button>
  );
}

interface BodyProps {
  page: ProfilePage;
  chosen: ReadonlySet<string>;
  onChoose: (id: string, chosen: boolean) => void;
}

function Body({ page, chosen, onChoose }: BodyProps) {
  const { profile } = page;
  const standing = useStanding(page.study.id);
  return (
    <div className="min-h-0 grow overflow-auto bg-sheet px-4 pt-2.5 pb-5 scroll-quiet">
      <div className="wide:grid wide:grid-cols-[minmax(0,1fr)_400px] wide:gap-6">
        <div className="min-w-0">
          <ClaimTable profile={profile} chosen={chosen} onChoose={onChoose} />
        </div>
        <Kinship page={page} onStanding={(id, how) => standing.mutate({ id, standing: how })} />
      </div>
      <div className="mt-3 border-t border-firm">
        <SongPlots profile={profile} onStanding={(id, how) => standing.mutate({ id, standing: how })} />
      </div>
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
  );
}
