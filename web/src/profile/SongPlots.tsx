import type { Profile, Standing } from "../api/types";
import { figure } from "../lib/format";
import { FormStrips } from "./FormStrips";
import { KeyPlot } from "./KeyPlot";
import { ROW } from "./scales";
import { StandingSelect } from "./StandingSelect";
import { TempoPlot } from "./TempoPlot";

/** Three plots that share their rows: one row a song. */
export function SongPlots({
  profile,
  onStanding,
}: {
  profile: Profile;
  onStanding: (id: number, standing: Standing) => void;
}) {
  const outlier = profile.outlier?.song;
  const { range, middle } = profile.tempo;
  const modes = Object.entries(profile.keys.modes).map(([mode, count]) => `${mode} ${count}`);
  return (
    <div className="grid grid-cols-[200px_200px_210px_1fr] gap-x-4 pt-3 wide:grid-cols-[250px_300px_320px_1fr]">
      <Head title="" note="Song" />
      <Head title="Tempo" note="BPM, folded to where it is felt" />
      <Head title="Key" note="on the line of fifths" />
      <Head title="Form" note="in bars; ink is energy" />
      <ol className="border-t border-rule">
        {profile.songs.map((song, index) => (
          <li
            key={song.reference_id ?? song.title}
            className="flex items-center gap-2 border-b border-faint"
            style={{ height: ROW }}
          >
            <span className="figure text-ink-2">{index + 1}</span>
            <span className="min-w-0 grow truncate font-medium" title={song.title}>
              {song.title}
              {outlier === index && " †"}
            </span>
            {song.reference_id !== null && (
              <StandingSelect
                title={song.title}
                standing={song.standing}
                onChange={(standing) => song.reference_id !== null && onStanding(song.reference_id, standing)}
              />
            )}
          </li>
        ))}
      </ol>
      <TempoPlot profile={profile} />
      <KeyPlot profile={profile} />
      <FormStrips profile={profile} />
      <span />
      <p className="pt-1 text-ink-2">
        {range && middle ? (
          <>
            <span className="figure text-measured">{`${figure(range[0], 2)} to ${figure(range[1], 2)}`}</span>, middle{" "}
            <span className="figure">{figure(middle, 2)}</span>
          </>
        ) : (
          "no pulse in common"
        )}
      </p>
      <p className="pt-1 text-ink-2">{modes.join(", ")}</p>
      <p className="pt-1 text-ink-2">
        in, v, ch, br, ou: intro, verse, chorus, bridge, outro{profile.outlier ? "; † stands apart" : ""}
      </p>
    </div>
  );
}

function Head({ title, note }: { title: string; note: string }) {
  return (
    <h2 className="flex h-7 items-baseline gap-2 text-ink-2">
      {title && <span className="font-medium text-ink">{title}</span>}
      <span>{note}</span>
    </h2>
  );
}
