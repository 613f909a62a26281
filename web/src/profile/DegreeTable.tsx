import type { Profile } from "../api/types";
import { SongCells } from "../components/Ink";
import { percent } from "../lib/format";
import { Panel } from "./Panel";

/** Degrees by how much of the bars they fill, and the loops that come back. */
export function DegreeTable({ profile }: { profile: Profile }) {
  const top = Math.max(...profile.degrees.map((row) => row.share), 0.01);
  return (
    <div className="flex flex-col gap-5">
      <Panel title="Degrees" aside="share of the bars; songs">
        <ul>
          {profile.degrees.map((row) => (
            <li
              key={row.degree}
              className="grid h-[21px] grid-cols-[minmax(56px,max-content)_minmax(24px,1fr)_38px_auto] items-center gap-1.5 border-b border-faint"
            >
              <span>{row.degree}</span>
              <span aria-hidden className="h-[11px] bg-deep/60">
                <span className="block h-full bg-measured" style={{ width: `${(row.share / top) * 100}%` }} />
              </span>
              <span className="figure text-right">{percent(row.share)}</span>
              <span className="justify-self-end">
                <SongCells songs={row.songs} />
              </span>
            </li>
          ))}
        </ul>
      </Panel>
      <Panel title="Loops" aside={`songs 1 to ${profile.songs.length}`}>
        {profile.loops.length === 0 && <p className="font-serif text-13 italic text-ink-2">No song rests on a loop.</p>}
        <ul>
          {profile.loops.map((row) => (
            <li
              key={row.degrees.join(" ")}
              className="flex h-[21px] items-center justify-between gap-2 border-b border-faint"
            >
              <span className="truncate">{row.degrees.join(" ")}</span>
              <SongCells songs={row.songs} />
            </li>
          ))}
        </ul>
      </Panel>
    </div>
  );
}
