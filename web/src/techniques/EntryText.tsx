import type { TechniqueEntry } from "../api/types";

const TEXTS = [
  ["hear", "By ear"],
  ["mix", "In a mix"],
  ["stems", "In stems"],
  ["midi", "In MIDI"],
  ["measure", "Measured"],
] as const;

/** All that is known of a technique; figures that a sighting gives stand as their names. */
export function EntryText({ entry }: { entry: TechniqueEntry }) {
  return (
    <>
      <p className="mt-1.5 font-serif text-15 leading-snug">{entry.summary}</p>
      <dl className="mt-3 grid grid-cols-[70px_1fr] gap-y-1.5 border-t border-rule pt-2.5">
        {TEXTS.filter(([key]) => entry[key]).map(([key, name]) => (
          <div key={key} className="contents">
            <dt className="text-ink-2">{name}</dt>
            <dd>{entry[key]}</dd>
          </div>
        ))}
      </dl>
      {entry.steps.length > 0 && (
        <section className="mt-3 border-t border-rule pt-2.5">
          <h3 className="mb-1.5 font-medium">How to do it</h3>
          <ol className="flex flex-col gap-1">
            {entry.steps.map((step, index) => (
              <li key={step} className="grid grid-cols-[16px_1fr]">
                <span className="figure text-ink-2">{index + 1}</span>
                <span>{named(step)}</span>
              </li>
            ))}
          </ol>
        </section>
      )}
      {entry.wrong && (
        <section className="mt-3 border-t border-rule pt-2.5">
          <h3 className="mb-1.5 font-medium">What goes wrong</h3>
          <p>{entry.wrong}</p>
        </section>
      )}
    </>
  );
}

/** "%{depth_db} dB" as "… dB": the figure comes with a song. */
function named(step: string): string {
  return step
    .replace("%{bars}", "the section")
    .replace("%{key}", "your key")
    .replace(/%\{\w+\}/g, "…");
}
