import type { Profile } from "../api/types";
import { SongCells } from "../components/Ink";
import { Panel } from "./Panel";

/** Which pitched layers the songs share, and what their cards say of the sound. */
export function SoundTable({ profile }: { profile: Profile }) {
  if (profile.sounds.length === 0) return null;
  return (
    <Panel title="Sounds" aside="songs; as their cards say">
      <ul>
        {profile.sounds.map((row) => (
          <li
            key={row.name}
            className="grid min-h-[23px] grid-cols-[92px_1fr_auto] items-center gap-3 border-b border-faint"
          >
            <span className="truncate">{row.name}</span>
            <span className="truncate text-heard-text" title={row.sounds.join("; ")}>
              {row.sounds.join("; ")}
            </span>
            <SongCells songs={row.songs} />
          </li>
        ))}
      </ul>
    </Panel>
  );
}

/** What somebody pinned to a place in a song. */
export function MarkTable({ profile }: { profile: Profile }) {
  if (profile.marks.length === 0) return null;
  return (
    <Panel title="Marks" aside="by ear">
      <ul>
        {profile.marks.map((mark) => (
          <li
            key={`${mark.title} ${mark.first_bar} ${mark.text}`}
            className="grid min-h-[23px] grid-cols-[64px_1fr_auto] items-center gap-3 border-b border-faint"
          >
            <span className="text-ink-2">{mark.type}</span>
            <span className="truncate text-heard-text" title={mark.text}>
              {mark.text}
            </span>
            <span className="truncate text-ink-2">
              {mark.title}, bar <span className="figure">{mark.first_bar}</span>
            </span>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
