/** The reference with the attempt beside it, for the player. */

import { BEATS } from "../api/contract";
import type { AttemptPage, TwoInks } from "../api/types";
import type { Track } from "../player/state";

export function pairOf({ attempt, comparison, reference }: AttemptPage, sheet: TwoInks): Track {
  const last = sheet.bars.at(-1)?.end ?? 0;
  return {
    id: reference?.id ?? 0,
    title: reference?.title ?? "",
    studyId: attempt.study_id,
    bars: sheet.bars,
    beats: [],
    pickup: 0,
    duration: last,
    loudBar: 1 + sheet.energy.reference.indexOf(Math.max(...sheet.energy.reference)),
    sections: sheet.sections,
    beatsPerBar: BEATS[sheet.meter] ?? 4,
    twin: {
      id: attempt.song_id,
      semitones: comparison?.alignment.semitones ?? 0,
      bars: sheet.bars.map((bar) => bar.attempt),
    },
  };
}
