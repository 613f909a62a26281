import type { Profile } from "../api/types";
import { SongCells } from "../components/Ink";
import { Panel } from "./Panel";

export function TechniqueTable({ profile }: { profile: Profile }) {
  return (
    <Panel title="Techniques" aside="songs; places seen">
      {profile.techniques.length === 0 && (
        <p className="font-serif text-13 italic text-ink-2">None of the techniques that are looked for was found.</p>
      )}
      <ul>
        {profile.techniques.map((row) => (
          <li
            key={row.kind}
            className="grid h-[23px] grid-cols-[1fr_auto_32px] items-center gap-3 border-b border-faint"
          >
            <span className="truncate" title={row.name}>
              {row.name}
            </span>
            <SongCells songs={row.songs} />
            <span className="figure text-right text-ink-2">{row.sightings}</span>
          </li>
        ))}
      </ul>
    </Panel>
  );
}
