/** Two songs of a pair in one engine: as loud as each other, one of them heard, or both left and right. */

import type { Accompaniment, Engine } from "./engine";
import type { PlayClock, Stretch } from "./PlayClock";
import { matched } from "./sides";
import { paceOf, within, type Passage, type Side } from "./twin";

const EVEN: Record<Side, number> = { reference: 1, attempt: 1 };

export class PairSound {
  private gains = EVEN;

  constructor(private readonly engine: Engine) {}

  /** Only one song, as it is. */
  alone(): void {
    this.gains = EVEN;
    this.engine.mix({ gains: { reference: 1, attempt: 0 }, apart: false });
  }

  /** Makes both as loud over a loop, or over all that both have; dB by which the attempt is turned up against the reference. */
  async match(urls: Record<Side, string>, passages: Passage[], loop: Stretch | null): Promise<number | null> {
    const heard = within(passages, loop?.start ?? 0, loop?.end ?? Infinity);
    const [first, last] = [heard[0], heard.at(-1)];
    if (!first || !last) return null;
    const [reference, attempt] = await Promise.all([
      this.engine.power(urls.reference, { start: first.lead.start, end: last.lead.end }),
      this.engine.power(urls.attempt, { start: first.other.start, end: last.other.end }),
    ]);
    this.gains = matched(reference, attempt);
    return 20 * Math.log10(this.gains.attempt / this.gains.reference);
  }

  mix(side: Side, apart: boolean): void {
    const heard = (song: Side) => (apart || side === song ? this.gains[song] : 0);
    this.engine.mix({ gains: { reference: heard("reference"), attempt: heard("attempt") }, apart });
  }
}

/** What of the other song sounds where the leading one does, from the start of a clock on. A loop that both have as one passage goes round by itself;
 *  another one is heard as far as the first time. */
export function alongside(passages: Passage[], clock: PlayClock): Pick<Accompaniment, "passages" | "loop"> {
  const { loop, from, rate, startedAt } = clock;
  const looped = loop ? within(passages, loop.start, loop.end) : [];
  return {
    loop: looped.length === 1 ? (looped[0]?.other ?? null) : null,
    passages: within(passages, from, loop?.end ?? Infinity).map((passage) => ({
      at: startedAt + (passage.lead.start - from) / rate,
      from: passage.other.start,
      rate: rate * paceOf(passage),
      seconds: (passage.lead.end - passage.lead.start) / rate,
    })),
  };
}
