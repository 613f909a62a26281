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

/** A person said so: hatched, never solid. */
export function HeardSwatch() {
  return <span aria-hidden className="hatch inline-block h-swatch w-[21px]" />;
}

/** Songs in their fixed order, a tally each, then how many of how many. */
export function SongCells({ songs, label }: { songs: boolean[]; label?: string }) {
  const count = songs.filter(Boolean).length;
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
