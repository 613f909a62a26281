import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { checklistQuery, profileQuery } from "../api/queries";
import type { Checklist, ProfilePage, StudyPage } from "../api/types";
import { useStandings } from "../attempts/useStandings";
import { nextOf } from "../checklist/next";
import { SongCells } from "../components/Ink";
import { LINK_LOOK } from "../components/linkLook";
import { strokes } from "../lib/pen";
import { plural } from "../lib/format";

/** What of the profile is told here: the rest stands on its own page. */
const HABITS = 7;

/** Below the songs of a study: their forms side by side, what they share, and what to do next. */
export function Overview({ page }: { page: StudyPage }) {
  const base = `/studies/${page.study.id}`;
  const measured = page.references.some((row) => row.summary);
  const { data } = useQuery({ ...profileQuery(page.study.id, "generated"), enabled: measured });
  return (
    <div className="mt-6 grid grid-cols-1 gap-x-10 gap-y-6 mid:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
      <Next page={page} base={base} />
      {data && <Habits data={data} base={base} />}
      {data && data.profile.songs.length > 0 && <Forms data={data} base={base} />}
    </div>
  );
}

const HEAD = "border-b border-rule pb-1 font-serif text-18";

/** The next open item of the newest list, and the other lists. */
function Next({ page, base }: { page: StudyPage; base: string }) {
  const [latest] = page.checklists;
  const { data: list } = useQuery({ ...checklistQuery(latest?.id ?? 0), enabled: latest !== undefined });
  return (
    <section aria-label="Next">
      <h2 className={HEAD}>Next</h2>
      {list ? (
        <NextItem list={list} base={base} />
      ) : (
        <p className="py-2 font-serif text-15 text-ink-2">
          {latest ? "…" : "No checklist yet: it turns what was measured into things to do, with targets and minutes."}
        </p>
      )}
      <p className="flex flex-wrap gap-x-5 gap-y-1 pt-2">
        {page.checklists.map((row) => (
          <Link key={row.id} to={`${base}/checklists/${row.id}`} className="hover:underline">
            {row.title}, <span className="figure">{`${row.done} of ${row.total}`}</span>
          </Link>
        ))}
        <Link to={`${base}/checklists`} className={LINK_LOOK}>
          {page.checklists.length ? "Make another checklist" : "Make a checklist from what was measured"}
        </Link>
      </p>
    </section>
  );
}

function NextItem({ list, base }: { list: Checklist; base: string }) {
  const item = nextOf(list.items, useStandings(list));
  if (!item) return <p className="py-2 font-serif text-15 text-ink-2">Every item of “{list.title}” is done.</p>;
  return (
    <Link
      to={`${base}/checklists/${list.id}?item=${item.id}`}
      className="block border-b border-faint py-2 hover:bg-wash"
    >
      <span className="flex items-baseline justify-between gap-4">
        <span className="font-medium">
          <span className="figure mr-2 text-ink-2">{item.number}</span>
          {item.title}
        </span>
        <span className="figure shrink-0 text-ink-2">{`${item.minutes + item.extra} min`}</span>
      </span>
      <span className="line-clamp-2 font-serif text-15 text-ink-2">{item.target}</span>
    </Link>
  );
}

/** What tells these songs from other music, the surest first. */
function Habits({ data, base }: { data: ProfilePage; base: string }) {
  const said = data.profile.claims.filter((claim) => claim.said).slice(0, HABITS);
  return (
    <section aria-label="What they share">
      <h2 className={HEAD}>What they share</h2>
      {said.length === 0 ? (
        <p className="py-2 font-serif text-15 text-ink-2">
          {data.profile.songs.length < 2
            ? "One song says what it does, not what songs have in common; add another."
            : "Nothing that a clear majority of them has."}
        </p>
      ) : (
        <ul>
          {said.map((claim) => (
            <li key={claim.id} className="flex items-baseline justify-between gap-4 border-b border-faint py-1">
              <span className="min-w-0 truncate" title={claim.words}>
                {claim.words}
              </span>
              <SongCells songs={claim.songs.map(Boolean)} label={`${claim.n} of ${claim.m}`} />
            </li>
          ))}
        </ul>
      )}
      <p className="pt-2">
        <Link to={`${base}/profile`} className={LINK_LOOK}>
          The whole profile
        </Link>
      </p>
    </section>
  );
}

const HEIGHT = 30;
const BASE = 24;

/** The form of each song as a stroke that swells where it is loud, on one measure of bars. */
function Forms({ data, base }: { data: ProfilePage; base: string }) {
  const { songs } = data.profile;
  const longest = Math.max(...songs.map((song) => song.bars), 1);
  return (
    <section aria-label="Forms" className="col-span-full">
      <h2 className={`${HEAD} flex items-baseline justify-between`}>
        Forms
        <span className="font-sans text-12 text-ink-2">{`one measure for all: ${plural(longest, "bar")} across; thicker where it is louder`}</span>
      </h2>
      <ol>
        {songs.map((song) => (
          <li key={song.title} className="grid grid-cols-[170px_1fr_44px] items-end gap-3 border-b border-faint py-0.5">
            <Link
              to={song.reference_id === null ? base : `${base}/references/${song.reference_id}`}
              className="truncate pb-1 font-serif text-15 hover:underline"
            >
              {song.title}
            </Link>
            <svg
              role="img"
              aria-label={`${song.title}: ${song.sections.map((section) => `${section.label} ${section.bars}`).join(", ")} bars`}
              viewBox={`0 0 ${longest} ${HEIGHT}`}
              preserveAspectRatio="none"
              height={HEIGHT}
              className="w-full"
            >
              <path d={`M0 ${BASE}H${song.bars}`} stroke="var(--rule-firm)" vectorEffect="non-scaling-stroke" />
              <path d={outline(song)} fill="var(--measured)" />
              {song.sections.map((section) => (
                <path
                  key={section.first_bar}
                  d={`M${section.first_bar - 1} 3V${HEIGHT}`}
                  stroke="var(--rule-firm)"
                  vectorEffect="non-scaling-stroke"
                />
              ))}
            </svg>
            <span className="figure pb-1 text-right">{song.bars}</span>
            <Letters song={song} longest={longest} />
          </li>
        ))}
      </ol>
    </section>
  );
}

type Song = ProfilePage["profile"]["songs"][number];

function outline({ sections }: Song): string {
  const values = sections.flatMap((section) =>
    Array.from({ length: section.bars }, () => Math.max(0.15, section.energy)),
  );
  return strokes(values, 1, BASE, -1, BASE - 6)
    .map((stroke) => stroke.d)
    .join("");
}

/** Names under the stroke where there is room, letters where there is little. */
function Letters({ song, longest }: { song: Song; longest: number }) {
  return (
    <span aria-hidden className="relative col-start-2 -mt-0.5 h-4">
      {song.sections.map((section) => {
        const share = section.bars / longest;
        return (
          <span
            key={section.first_bar}
            className="absolute overflow-hidden pl-0.5 text-11 whitespace-nowrap text-ink-2"
            style={{ left: `${((section.first_bar - 1) / longest) * 100}%`, width: `${share * 100}%` }}
          >
            {share > 0.1 ? section.label : section.letter}
          </span>
        );
      })}
    </span>
  );
}
