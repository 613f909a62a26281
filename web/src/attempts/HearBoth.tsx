import { useCommands } from "../app/commands";
import { Segmented } from "../components/Segmented";
import { figure } from "../lib/format";
import { usePlayer, usePlayerState } from "../player/context";
import type { Fit } from "../player/twin";

type Heard = "reference" | "attempt" | "apart";

/** Which of both sounds: one key changes between them while it plays, at the same bar and as loud. */
export function HearBoth() {
  const player = usePlayer();
  const { track, side, apart, fit, matched } = usePlayerState();
  useCommands([
    { key: "a", name: "hear the other song, at the same bar", group: "Listening", run: () => player.change() },
    { name: "hear both, left and right", group: "Listening", run: () => player.setApart(!player.snapshot().apart) },
  ]);
  if (!track?.twin) return null;
  const heard: Heard = apart ? "apart" : side;
  return (
    <section
      aria-label="Both songs"
      className="flex flex-wrap items-center gap-x-4 gap-y-1 border-t border-rule bg-paper px-4 py-1.5"
    >
      <span className="flex items-center gap-2">
        <kbd className="rounded-sm border border-firm px-1.5 font-mono text-12">A</kbd>
        <Segmented
          label="Which is heard"
          value={heard}
          onChange={(value: Heard) => (value === "apart" ? player.setApart(true) : player.setSide(value))}
          choices={[
            { value: "reference", name: "reference" },
            { value: "attempt", name: "yours" },
            { value: "apart", name: "both, left and right" },
          ]}
        />
      </span>
      <label className="flex items-center gap-2 text-ink-2">
        in
        <select
          aria-label="In whose tempo and key"
          value={fit}
          onChange={(event) => player.setFit(event.target.value as Fit)}
          className="h-6 rounded-sm border border-firm bg-sheet px-1 text-ink"
        >
          <option value="reference">the reference’s tempo and key</option>
          <option value="attempt">your tempo and key</option>
          <option value="own">each its own</option>
        </select>
      </label>
      <p className="text-ink-2" role="status">
        {matched === null
          ? "As loud as each other once it plays."
          : `Matched in loudness: yours ${figure(matched, 1)} dB against the reference.`}
      </p>
    </section>
  );
}
