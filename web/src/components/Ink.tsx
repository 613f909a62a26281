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
      <span className="figure" title="How sure the engine is, 0 to 1">
        {value.toFixed(2)}
      </span>
    </span>
  );
}

/** A person said so: hatched, never solid. */
export function HeardSwatch() {
  return <span aria-hidden className="hatch inline-block h-swatch w-[21px]" />;
}

/** Songs in their fixed order, a cell each, then how many of how many. */
export function SongCells({ songs, label }: { songs: boolean[]; label?: string }) {
  const count = songs.filter(Boolean).length;
  return (
    <span className="inline-flex items-center gap-2">
      <span aria-hidden className="inline-flex items-end gap-[3px]">
        {songs.map((present, index) => (
          <span
            key={index}
            className={present ? "h-[11px] w-[6.5px] bg-measured" : "h-[11px] w-[6.5px] border-b border-firm"}
          />
        ))}
      </span>
      <span className="figure whitespace-nowrap">{label ?? `${count} of ${songs.length}`}</span>
    </span>
  );
}
