/** What the player needs of a song, from its sheet. */

import { BEATS } from "../api/contract";
import type { Analysis, ReferencePage } from "../api/types";
import type { Track } from "./state";

export function trackOf(reference: ReferencePage["reference"], analysis: Analysis): Track {
  return {
    id: reference.id,
    title: reference.title,
    studyId: reference.study_id,
    bars: analysis.bars,
    beats: analysis.beats,
    pickup: analysis.pickup_beats,
    duration: analysis.duration,
    loudBar: analysis.bars.reduce(
      (best, bar, index) => (bar.energy > (analysis.bars[best - 1]?.energy ?? -99) ? index + 1 : best),
      1,
    ),
    sections: analysis.sections,
    beatsPerBar: BEATS[analysis.meter] ?? 4,
  };
}
