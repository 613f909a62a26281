import type { ProfilePage, Standing } from "../api/types";
import { listed } from "../lib/format";
import { Button } from "../components/Button";
import { StandingSelect } from "./StandingSelect";
import { words } from "../words/words";

interface KinshipProps {
  page: ProfilePage;
  onStanding: (id: number, standing: Standing) => void;
}

/** How the songs stand to each other: one that is apart, two groups, and those that are not counted. */
export function Kinship({ page, onStanding }: KinshipProps) {
  const { profile, others } = page;
  const { outlier, groups, songs } = profile;
  if (!outlier && groups.length === 0 && others.length === 0) return null;
  return (
    <div className="mt-3 grid grid-cols-1 content-start gap-x-7 gap-y-3 border-t border-rule pt-3 mid:grid-cols-2 wide:mt-0 wide:grid-cols-1 wide:border-t-0 wide:border-l wide:pt-0 wide:pl-6">
      {groups.length > 0 && (
        <section>
          <h2 className="mb-1 font-medium">Two groups</h2>
          {groups.map((group, index) => (
            <div key={index} className="mb-1.5">
              <p className="font-serif text-15">{group.words.join(" · ")}</p>
              <p className="text-ink-2">
                {listed(group.songs.map((song) => songs[song]?.title ?? ""))}{" "}
                <button
                  type="button"
                  className="underline"
                  onClick={() =>
                    group.songs.forEach((song) => {
                      const id = songs[song]?.reference_id;
                      if (id) onStanding(id, "aside");
                    })
                  }
                >
                  set this group aside
                </button>
              </p>
            </div>
          ))}
        </section>
      )}
      {outlier && (
        <section>
          <h2 className="mb-1 font-medium">{words.difference}</h2>
          <p>
            <span className="font-serif text-15">{outlier.title}</span>
            <span className="text-ink-2"> lacks what all others have: </span>
            {outlier.respects.join(" · ")}
          </p>
          <Button
            className="mt-1.5"
            onClick={() => {
              const id = songs[outlier.song]?.reference_id;
              if (id) onStanding(id, "aside");
            }}
          >
            Set it aside
          </Button>
        </section>
      )}
      {others.length > 0 && (
        <section>
          <h2 className="mb-1 font-medium">Not counted</h2>
          <ul>
            {others.map((song) => (
              <li key={song.reference_id} className="flex items-center justify-between gap-3 border-b border-faint">
                <span className="truncate">{song.title}</span>
                <span className="figure whitespace-nowrap text-ink-2">
                  {song.has} of {song.of} that is said
                </span>
                <StandingSelect
                  title={song.title}
                  standing={song.standing}
                  onChange={(standing) => onStanding(song.reference_id, standing)}
                />
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}
