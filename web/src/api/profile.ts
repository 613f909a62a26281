/** What the songs of a study share. */

export interface TempoPoint {
  counted: number;
  folded: number;
  apart: boolean;
}

export interface ProfileSong {
  title: string;
  bars: number;
  duration: number;
  meter: string;
  sections: { label: string; letter: string; first_bar: number; bars: number; energy: number }[];
}

export interface ProfilePage {
  profile: Profile;
  /** Titles of songs that can't be shown, and so are not counted. */
  left_out: string[];
}

export interface Profile {
  songs: ProfileSong[];
  tempo: { range: [number, number] | null; middle: number | null; points: (TempoPoint | null)[] };
  keys: {
    minor: number;
    of: number;
    modes: Record<string, number>;
    tonics: Record<string, number>;
    songs: ({ tonic: string; mode: string; fifths: number; signature: number } | null)[];
  };
  degrees: { degree: string; share: number; songs: boolean[] }[];
  loops: { degrees: string[]; songs: boolean[] }[];
  layers: { kinds: { name: string; of: number }[]; roles: { role: string; counts: number[] }[] };
  /** Pitched layers, the songs in which they play, and what their cards say. */
  sounds: { name: string; songs: boolean[]; sounds: string[] }[];
  techniques: { kind: string; name: string; songs: boolean[]; sightings: number }[];
  /** What somebody pinned to a place. */
  marks: { type: string; text: string; first_bar: number; title: string }[];
  statements: { aspect: string; text: string; n: number; m: number }[];
  outlier: { song: number; title: string; respects: string[] } | null;
}
