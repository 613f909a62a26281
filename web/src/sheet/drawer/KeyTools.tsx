import { useQuery } from "@tanstack/react-query";
import { useId, useState } from "react";
import { scaleQuery } from "../../api/queries";
import type { Reading } from "../../api/types";
import { Button } from "../../components/Button";
import { KeySelects } from "../../components/KeySelects";
import { SmallField } from "../../components/SmallField";
import { figure, percent, plural } from "../../lib/format";
import { usePlayer } from "../../player/context";
import { piled } from "../../player/tones";
import { useSheet } from "../context";
import { Part } from "../card/Part";

/** Try a key: which of its notes sound, which sound from outside, its relative and parallel; take it, or mark it from a bar on. */
export function KeyTools({ reading }: { reading: Reading }) {
  const { page, analysis, edits } = useSheet();
  const player = usePlayer();
  const id = useId();
  const [key, setKey] = useState({ tonic: analysis.key?.tonic ?? "C", mode: analysis.key?.mode ?? "major" });
  const [bar, setBar] = useState("");
  const { data: scale } = useQuery(scaleQuery(page.reference.id, key.tonic, key.mode));
  const inside = scale?.notes.filter((note) => note.inside) ?? [];
  const outside = scale?.notes.filter((note) => !note.inside && note.beats > 0) ?? [];
  const changes = Array.isArray(reading.value?.modulations) ? reading.value.modulations.length : 0;
  return (
    <Part title="Try a key" aside={scale?.name ?? ""}>
      <KeySelects
        control={{
          id,
          className: "h-8 w-full rounded-sm border border-firm bg-sheet px-2 text-13",
          "aria-describedby": undefined,
          "aria-invalid": false,
        }}
        tonicLabel="Tonic to try"
        modeLabel="Mode to try"
        tonic={key.tonic}
        mode={key.mode}
        onChange={(tonic, mode) => setKey({ tonic, mode })}
      />
      {scale && (
        <>
          <div className="mt-2 flex flex-wrap gap-x-3 gap-y-1">
            <NameButton
              label="relative"
              name={scale.relative.name}
              onClick={() => setKey({ tonic: scale.relative.tonic, mode: scale.relative.mode })}
            />
            <NameButton
              label="parallel"
              name={scale.parallel.name}
              onClick={() => setKey({ tonic: scale.parallel.tonic, mode: scale.parallel.mode })}
            />
          </div>
          <table className="mt-2 w-full">
            <caption className="sr-only">Notes of {scale.name} and how much they sound</caption>
            <thead>
              <tr className="text-left text-11 text-ink-2">
                <th className="font-normal">in the scale</th>
                <th className="text-right font-normal">of the sound</th>
                <th className="text-right font-normal">beats in chords</th>
              </tr>
            </thead>
            <tbody>
              {inside.map((note) => (
                <tr key={note.name} title={`in chords of bars ${note.bars.join(", ")}`}>
                  <td>
                    <button
                      type="button"
                      title={`Sound ${note.name}`}
                      className="font-medium underline decoration-firm underline-offset-2 hover:bg-wash"
                      onClick={() => player.sound(piled([note.name]), true, analysis.tuning.a4)}
                    >
                      {note.name}
                    </button>
                  </td>
                  <td className="figure text-right">{percent(note.share)}</td>
                  <td className="figure text-right">{figure(note.beats)}</td>
                </tr>
              ))}
              {outside.map((note) => (
                <tr key={note.name} title={`bars ${note.bars.join(", ")}`}>
                  <td className="text-conflict">
                    {note.name} outside,{" "}
                    <span className="text-ink-2">
                      bar {note.bars.slice(0, 4).join(", ")}
                      {note.bars.length > 4 ? " …" : ""}
                    </span>
                  </td>
                  <td className="figure text-right">{percent(note.share)}</td>
                  <td className="figure text-right">{figure(note.beats)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => void edits.correct(reading.id, { value: key })}>Take this key</Button>
        <Button
          onClick={() => player.sound(piled(inside.map((note) => note.name)), false, analysis.tuning.a4)}
          disabled={!scale}
        >
          Sound the scale
        </Button>
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <SmallField label="from bar" inputMode="numeric" className="w-11" value={bar} onText={setBar} />
        <Button
          className="px-2"
          disabled={bar === ""}
          onClick={() => void edits.post("count", { action: "modulation", bar: Number(bar), ...key })}
        >
          Mark the change
        </Button>
        {changes > 0 && (
          <Button className="px-2" onClick={() => void edits.post("count", { action: "one_key" })}>
            Remove {plural(changes, "change")}
          </Button>
        )}
      </div>
    </Part>
  );
}

function NameButton({ label, name, onClick }: { label: string; name: string; onClick: () => void }) {
  return (
    <button type="button" onClick={onClick} className="hover:bg-wash">
      <span className="text-ink-2">{label}</span>{" "}
      <span className="underline decoration-firm underline-offset-2">{name}</span>
    </button>
  );
}
