import type { Profile } from "../api/types";
import { signs } from "../lib/format";
import { RowPlot } from "./RowPlot";
import { ROW } from "./scales";

type SongKey = NonNullable<Profile["keys"]["songs"][number]>;

const FIFTHS = "FCGDAEB";
const MAJOR_THIRDS = ["major", "lydian", "mixolydian"];

/** The notes of each song's key on the line of fifths; the tonic is a square, solid in minor, open in major. */
export function KeyPlot({ profile }: { profile: Profile }) {
  const songs = profile.keys.songs;
  const names = songs.map((song) => (song ? signs(`${song.tonic} ${song.mode}`) : "none"));
  return (
    <RowPlot label={`Keys: ${names.join(", ")}`} rows={songs.length}>
      {(width) => <Keys songs={songs} width={width} />}
    </RowPlot>
  );
}

function Keys({ songs, width }: { songs: (SongKey | null)[]; width: number }) {
  const places = songs.flatMap((song) => (song ? [song.signature - 1, song.signature + 5, song.fifths] : []));
  const low = Math.min(...places, -1);
  const high = Math.max(...places, 5);
  const step = width / Math.max(8, high - low + 1);
  const x = (place: number) => (place - low + 0.5) * step;
  const height = songs.length * ROW;
  return (
    <>
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
      {songs.map((song, index) => song && <KeyRow key={index} song={song} y={index * ROW + ROW / 2} x={x} />)}
    </>
  );
}

function KeyRow({ song, y, x }: { song: SongKey; y: number; x: (place: number) => number }) {
  const major = MAJOR_THIRDS.includes(song.mode);
  return (
    <g>
      <title>{signs(`${song.tonic} ${song.mode}`)}</title>
      <line x1={x(song.signature - 1)} x2={x(song.signature + 5)} y1={y} y2={y} stroke="var(--measured)" />
      {Array.from({ length: 7 }, (_, note) => (
        <circle key={note} cx={x(song.signature - 1 + note)} cy={y} r="2" fill="var(--measured)" />
      ))}
      <rect
        x={x(song.fifths) - 5}
        y={y - 5}
        width="10"
        height="10"
        fill={major ? "var(--sheet)" : "var(--measured)"}
        stroke="var(--measured)"
        strokeWidth="1.5"
      />
    </g>
  );
}

/** The note that stands at a place on the line of fifths, C being 0. */
function nameAt(place: number): string {
  const letter = FIFTHS.charAt((((place + 1) % 7) + 7) % 7);
  const count = Math.floor((place + 1) / 7);
  return letter + (count < 0 ? "♭".repeat(-count) : "♯".repeat(count));
}
