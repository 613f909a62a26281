import { percent } from "../lib/format";
import { confidenceStep, inkColour } from "../lib/ink";

/** How sure: a swatch whose density says it, and the figure. */
export function Confidence({ value }: { value: number }) {
  return (
    <span className="inline-flex items-center gap-1.5">
      <span
        aria-hidden
        className="inline-block h-swatch w-[21px] border border-measured"
        style={{ background: inkColour(confidenceStep(value)) }}
      />
      <span className="figure whitespace-nowrap" title="How sure the engine is">
        {percent(value)}
      </span>
    </span>
  );
}

/** How sure, in a list: a swatch whose density says it, with the figure for pointer and reader. */
export function Sure({ value }: { value: number }) {
  return (
    <span
      role="img"
      aria-label={`${percent(value)} sure`}
      title={`${percent(value)} sure`}
      className="mr-1.5 inline-block size-swatch border border-measured align-[-1px]"
      style={{ background: inkColour(confidenceStep(value)) }}
    />
  );
}

/** A person said so: hatched, never solid. */
export function HeardSwatch() {
  return <span aria-hidden className="hatch inline-block h-swatch w-[21px]" />;
}

/** More strokes than that are no tally any more: then a bar says which share of the songs it is. */
const MOST_STROKES = 14;
const SHARE_WIDTH = 64;

function ShareBar({ share, label }: { share: number; label: string }) {
  return (
    <span className="inline-flex items-center gap-2">
      <svg aria-hidden width={SHARE_WIDTH} height="11">
        <path d={`M0 10.5H${SHARE_WIDTH}`} stroke="var(--rule-firm)" />
        <rect width={Math.max(1, share * SHARE_WIDTH)} height="10" fill="var(--measured)" />
      </svg>
      <span className="figure whitespace-nowrap text-ink-2">{label}</span>
    </span>
  );
}

/** Songs in their fixed order, a tally each, then how many of how many. */
export function SongCells({ songs, label }: { songs: boolean[]; label?: string }) {
  const count = songs.filter(Boolean).length;
  if (songs.length > MOST_STROKES)
    return <ShareBar share={count / songs.length} label={label ?? `${count} of ${songs.length}`} />;
  return (
    <span className="inline-flex items-center gap-2">
      <svg aria-hidden width={songs.length * 8} height="13">
        {songs.map((present, index) =>
          present ? (
            <path
              key={index}
              d={`M${index * 8 + 3} 12L${index * 8 + 4.5} 2`}
              stroke="var(--measured)"
              strokeWidth="2.2"
              strokeLinecap="round"
            />
          ) : (
            <path key={index} d={`M${index * 8 + 1.5} 12h4`} stroke="var(--rule-firm)" />
          ),
        )}
      </svg>
      <span className="figure whitespace-nowrap">{label ?? `${count} of ${songs.length}`}</span>
    </span>
  );
}
