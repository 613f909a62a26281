import type { Profile } from "../api/types";
import { signs } from "../lib/format";
import { RowLines } from "./RowLines";
import { ROW } from "./SongPlots";

const WIDTH = 220;
const FIFTHS = "FCGDAEB";

/** The notes of each song's key on the line of fifths; the tonic is a square, solid in minor, open in major. */
export function KeyPlot({ profile }: { profile: Profile }) {
  const songs = profile.keys.songs;
  const places = songs.flatMap((song) => (song ? [song.signature - 1, song.signature + 5, song.fifths] : []));
  const low = Math.min(...places, -1);
  const high = Math.max(...places, 5);
  const step = WIDTH / Math.max(8, high - low + 1);
  const x = (place: number) => (place - low + 0.5) * step;
  const height = songs.length * ROW;
  return (
    <svg
      role="img"
      aria-label={`Keys: ${songs.map((song) => (song ? signs(`${song.tonic} ${song.mode}`) : "none")).join(", ")}`}
      viewBox={`0 0 ${WIDTH} ${height + 16}`}
      className="w-full overflow-visible"
    >
      {Array.from({ length: high - low + 1 }, (_, index) => low + index).map((place) => (
        <g key={place}>
          <line x1={x(place)} x2={x(place)} y1={0} y2={height} stroke="var(--rule-faint)" />
          <text
            x={x(place)}
            y={height + 13}
            textAnchor="middle"
            fontSize="11"
            fontFamily="var(--sans)"
            fill="var(--ink-3)"
          >
            {nameAt(place)}
          </text>
        </g>
      ))}
      {songs.map((song, index) => {
        const y = index * ROW + ROW / 2;
        if (!song) return null;
        const minor = !["major", "lydian", "mixolydian"].includes(song.mode);
        return (
          <g key={index}>
            <line x1={x(song.signature - 1)} x2={x(song.signature + 5)} y1={y} y2={y} stroke="var(--measured)" />
            {Array.from({ length: 7 }, (_, note) => (
              <circle key={note} cx={x(song.signature - 1 + note)} cy={y} r="2" fill="var(--measured)" />
            ))}
            <rect
              x={x(song.fifths) - 5}
              y={y - 5}
              width="10"
              height="10"
              fill={minor ? "var(--measured)" : "var(--sheet)"}
              stroke="var(--measured)"
              strokeWidth="1.5"
            />
            <title>{signs(`${song.tonic} ${song.mode}`)}</title>
          </g>
        );
      })}
      <RowLines width={WIDTH} count={songs.length} />
    </svg>
  );
}

/** The note that stands at a place on the line of fifths, C being 0. */
function nameAt(place: number): string {
  const letter = FIFTHS.charAt((((place + 1) % 7) + 7) % 7);
  const count = Math.floor((place + 1) / 7);
  return letter + (count < 0 ? "♭".repeat(-count) : "♯".repeat(count));
}
