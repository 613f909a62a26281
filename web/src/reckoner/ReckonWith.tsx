import { Link } from "react-router";
import type { Aspect } from "../api/types";
import { words } from "../words/words";

/** Sentences that begin with what a reading says. */
const OF_ASPECT: Record<Aspect, string> = {
  tempo: "bar_lengths",
  meter: "swing",
  key: "scale_notes",
  tuning: "concert_pitch",
  loop: "degrees_to_chords",
  form: "section_times",
  loudness: "loudness_match",
};

interface ReckonWithProps {
  studyId: number;
  referenceId: number;
  sentence: string;
  /** What is filled in besides what is known of the song. */
  written?: Record<string, string>;
  layer?: string;
}

/** Opens the reckoner with what is known here. */
export function ReckonWith({ studyId, referenceId, sentence, written = {}, layer }: ReckonWithProps) {
  const query = new URLSearchParams({ from: String(referenceId), sentence, ...(layer && { layer }), ...written });
  return (
    <Link
      to={`/studies/${studyId}/reckoner?${query.toString()}`}
      className="mt-3 self-start underline decoration-firm underline-offset-2 hover:bg-wash"
    >
      {words.calculate}
    </Link>
  );
}

export const sentenceOf = (aspect: Aspect) => OF_ASPECT[aspect];
