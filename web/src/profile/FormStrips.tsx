import type { Profile } from "../api/types";
import { amountStep, inkColour, textOnInk, type Step } from "../lib/ink";
import { ROW } from "./scales";
import { sectionName, unnamed } from "../lib/sections";

const SHORT: Record<string, string> = {
  intro: "in",
  verse: "verse",
  chorus: "ch",
  bridge: "br",
  breakdown: "bk",
  outro: "out",
  "pre-chorus": "pre",
  "post-chorus": "post",
};

const SHORTEST: Record<string, string> = { verse: "v", outro: "o" };

/** One strip a song, a run a section; denser where it is louder. */
export function FormStrips({ profile }: { profile: Profile }) {
  const longest = Math.max(...profile.songs.map((song) => song.bars), 1);
  return (
    <ol className="border-t border-rule">
      {profile.songs.map((song) => (
        <li key={song.title} className="flex items-center border-b border-faint" style={{ height: ROW }}>
          <span className="relative block h-line grow">
            {song.sections.map((section) => {
              const step = Math.max(1, amountStep(section.energy)) as Step;
              const share = section.bars / longest;
              return (
                <span
                  key={section.first_bar}
                  title={`${sectionName(section)}, ${section.bars} bars from bar ${section.first_bar}`}
                  className="absolute top-0 h-full overflow-hidden text-center text-11 leading-line"
                  style={{
                    left: `${((section.first_bar - 1) / longest) * 100}%`,
                    width: `calc(${share * 100}% - 2px)`,
                    background: inkColour(step),
                    color: textOnInk(step),
                  }}
                >
                  {name(section, share)}
                </span>
              );
            })}
          </span>
          <span className="figure w-8 text-right">{song.bars}</span>
        </li>
      ))}
    </ol>
  );
}

function name(section: { label: string; letter: string }, share: number): string {
  if (unnamed(section)) return share > 0.05 ? section.letter : "";
  const { label } = section;
  if (share > 0.2) return label;
  const kind = label.replace(/ \d+$/, "");
  if (share > 0.12) return SHORT[kind] ?? kind.slice(0, 3);
  return share > 0.05 ? (SHORTEST[kind] ?? SHORT[kind] ?? kind.slice(0, 2)) : "";
}
