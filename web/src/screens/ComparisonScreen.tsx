import { useQuery } from "@tanstack/react-query";
import { Link, useSearchParams } from "react-router";
import { comparisonQuery, studiesQuery, studyQuery } from "../api/queries";
import type { Comparison } from "../api/types";
import { messageOf, Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { plural } from "../lib/format";
import { useStudyId } from "./params";
import { words } from "../words/words";

/** Two profiles side by side: what tells them apart most comes first. */
export function ComparisonScreen() {
  const studyId = useStudyId();
  const [search, setSearch] = useSearchParams();
  const { data: page } = useQuery(studyQuery(studyId));
  const studies = useQuery(studiesQuery).data?.studies;
  const others = (studies ?? []).filter((study) => study.id !== studyId);
  const sides = page?.references.some((row) => row.standing === "side") ?? false;
  const choice = search.get("with") ?? (others[0] ? String(others[0].id) : sides ? "side" : "");
  const { data, error } = useQuery({ ...comparisonQuery(studyId, choice), enabled: choice !== "" });
  return (
    <>
      <PageHead title={words.compareStudies} remark={page?.study.title ?? null}>
        {choice !== "" && (
          <label className="flex items-center gap-2 text-ink-2">
            Compared with
            <select
              value={choice}
              onChange={(event) => setSearch({ with: event.target.value }, { replace: true })}
              className="h-7 max-w-[240px] rounded-sm border border-firm bg-sheet px-1.5 text-ink"
            >
              {others.map((study) => (
                <option key={study.id} value={study.id}>
                  {study.title}
                </option>
              ))}
              {sides && <option value="side">its songs at the side</option>}
            </select>
          </label>
        )}
        <Link to={`/studies/${studyId}/profile`} className="underline">
          Back to the profile
        </Link>
      </PageHead>
      <div
        tabIndex={0}
        role="region"
        aria-label="Comparison"
        className="min-h-0 grow overflow-auto bg-sheet px-4 pb-5 scroll-quiet"
      >
        {page && studies && choice === "" && (
          <Notice
            action={
              <Link to="/studies/new" className="underline">
                Start another study
              </Link>
            }
          >
            There is nothing to compare with. Start another study, or set some songs of this one aside.
          </Notice>
        )}
        {error && <Notice>{messageOf(error)}</Notice>}
        {data && <Lines comparison={data} />}
      </div>
    </>
  );
}

function Lines({ comparison: { here, there, lines } }: { comparison: Comparison }) {
  return (
    <table className="mt-1 w-full table-fixed text-left max-small:min-w-[760px]">
      <colgroup>
        {["w-[110px]", "", "w-[64px]", "w-[300px]", "w-[64px]"].map((width, index) => (
          <col key={index} className={width} />
        ))}
      </colgroup>
      <thead className="text-ink-2">
        <tr className="border-b border-rule">
          <th scope="col" className="h-8 font-normal">
            About
          </th>
          <th scope="col" className="font-normal">
            {words.trait}
          </th>
          <th scope="colgroup" colSpan={3} className="font-normal">
            <span className="flex justify-between">
              <span>{`${here.title}, ${plural(here.songs, "song")}`}</span>
              <span>{`${there.title}, ${plural(there.songs, "song")}`}</span>
            </span>
          </th>
        </tr>
      </thead>
      <tbody>
        <tr aria-hidden>
          <td colSpan={3} />
          <td className="font-mono text-11 text-ink-3">
            <span className="flex justify-between" style={{ width: WIDTH }}>
              <span>100 %</span>
              <span>0</span>
              <span>100 %</span>
            </span>
          </td>
          <td />
        </tr>
        {lines.map((line) => (
          <tr key={line.id} className="border-b border-faint">
            <td className="h-[23px] text-ink-2">{line.aspect}</td>
            <td className="truncate pr-3 font-serif text-15 leading-none" title={line.words}>
              {line.words}
            </td>
            <td className="figure">{counted(line.here)}</td>
            <td>
              <Mirror here={share(line.here)} there={share(line.there)} label={line.words} />
            </td>
            <td className="text-right figure">{counted(line.there)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const counted = ([n = 0, m = 0]: number[]) => `${n} of ${m}`;
const share = ([n = 0, m = 0]: number[]) => (m === 0 ? 0 : n / m);

const WIDTH = 290;
const HALF = WIDTH / 2;

/** Both shares from the middle outwards. */
function Mirror({ here, there, label }: { here: number; there: number; label: string }) {
  return (
    <svg
      role="img"
      aria-label={`${label}: ${Math.round(here * 100)} % here, ${Math.round(there * 100)} % there`}
      width={WIDTH}
      height={14}
      className="block"
    >
      <path d={`M${HALF} 0V14`} stroke="var(--rule-firm)" />
      <path d={`M1 0V14M${WIDTH - 1} 0V14`} stroke="var(--rule-faint)" />
      <rect x={HALF - here * (HALF - 2)} y={4} width={here * (HALF - 2)} height={7} fill="var(--measured)" />
      <rect x={HALF} y={4} width={there * (HALF - 2)} height={7} fill="var(--ink-3)" />
    </svg>
  );
}
