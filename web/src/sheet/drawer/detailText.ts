import { figure } from "../../lib/format";

/** The figures of a sighting in words; %s stands for the figure. */
const WORDS: Record<string, string> = {
  ahead: "%s sixteenths ahead",
  beats: "%s beats",
  bars: "%s bars",
  changes: "%s layers differ",
  chord: "%s",
  chords: "%s",
  count: "%s in a row",
  cutoff_hz: "cut at about %s Hz",
  delay_ms: "%s ms",
  depth_db: "%s dB deep",
  drop_db: "%s dB less",
  every: "every %s bars",
  from: "from %s",
  from_bpm: "from %s BPM",
  from_per_beat: "%s strokes a beat before",
  jump_db: "%s dB over other first beats",
  kicks: "%s kicks a bar",
  layers: "%s layers",
  ms: "%s ms ahead",
  note: "on %s",
  notes: "%s strokes",
  opens_by_db: "%s dB brighter after",
  opens_to: "side energy %s after",
  part: "%s",
  parts: "%s",
  phrase: "phrases of %s bars",
  quality: "%s chords",
  range: "%s of the way",
  rate: "every %s",
  rises_by_db: "rises by %s dB",
  semitones: "%s semitones",
  share: "%s %",
  shared: "%s % on a kick",
  side_share: "side energy %s",
  slice_ms: "slices of %s ms",
  softer_db: "%s dB softer",
  split_hz: "parted at %s Hz",
  times: "%s times",
  to_bpm: "to %s BPM",
  to_per_beat: "%s after",
  turn_bars: "a turn in %s bars",
  unit: "%ss",
  velocity: "%s % as hard",
};

export function detailText(detail: Record<string, number | string | string[]>): string {
  return Object.entries(detail)
    .map(([name, value]) => {
      const text = (WORDS[name] ?? `${name.replaceAll("_", " ")} %s`).replace("%s", valueText(value));
      return value === 1 ? text.replace(/\b1 (\w{3,}?)s\b/, "1 $1") : text;
    })
    .join(", ");
}

function valueText(value: number | string | string[]): string {
  if (Array.isArray(value)) return value.join(", ");
  if (typeof value === "string") return value;
  return figure(value, value % 1 === 0 ? 0 : Math.abs(value) < 1 ? 3 : 1);
}
