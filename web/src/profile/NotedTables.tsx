import type { ReactNode } from "react";
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
          <Noted
            key={row.name}
            columns="grid-cols-[92px_1fr_auto]"
            head={<span className="truncate">{row.name}</span>}
            text={row.sounds.join("; ")}
          >
            <SongCells songs={row.songs} />
          </Noted>
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
          <Noted
            key={`${mark.title} ${mark.first_bar} ${mark.text}`}
            columns="grid-cols-[64px_1fr_auto]"
            head={<span className="text-ink-2">{mark.type}</span>}
            text={mark.text}
          >
            <span className="truncate text-ink-2">
              {mark.title}, bar <span className="figure">{mark.first_bar}</span>
            </span>
          </Noted>
        ))}
      </ul>
    </Panel>
  );
}

interface NotedProps {
  columns: string;
  head: ReactNode;
  text: string;
  children: ReactNode;
}

/** A row whose middle is what a person wrote: in the colour of what was heard, whole in its title where it is cut. */
function Noted({ columns, head, text, children }: NotedProps) {
  return (
    <li className={`grid min-h-[23px] items-center gap-3 border-b border-faint ${columns}`}>
      {head}
      <span className="truncate text-heard-text" title={text}>
        {text}
      </span>
      {children}
    </li>
  );
}
