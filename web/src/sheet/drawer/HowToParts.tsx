import type { TechniqueEntry } from "../../api/types";
import { Part } from "../card/Part";

/** How a technique is done here, how it is heard, and what goes wrong. */
export function HowToParts({ entry, steps }: { entry: TechniqueEntry; steps: string[] }) {
  return (
    <>
      {steps.length > 0 && (
        <Part title="How to do it" aside="in your tempo and key">
          <ol className="flex flex-col gap-1">
            {steps.map((step, index) => (
              <li key={step} className="grid grid-cols-[16px_1fr]">
                <span className="figure text-ink-2">{index + 1}</span>
                {step}
              </li>
            ))}
          </ol>
          {entry.wrong && <p className="mt-2 text-ink-2">What goes wrong: {entry.wrong}</p>}
        </Part>
      )}
      {(entry.hear || entry.mix) && (
        <Part title="How to know it">
          <dl className="grid grid-cols-[54px_1fr] gap-y-1">
            {(
              [
                ["by ear", entry.hear],
                ["mix", entry.mix],
                ["stems", entry.stems],
                ["MIDI", entry.midi],
                ["figure", entry.measure],
              ] as const
            )
              .filter(([, text]) => text)
              .map(([where, text]) => (
                <div key={where} className="contents">
                  <dt className="text-ink-2">{where}</dt>
                  <dd>{text}</dd>
                </div>
              ))}
          </dl>
        </Part>
      )}
    </>
  );
}
