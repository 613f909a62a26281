import { useState } from "react";
import { Link } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import type { ReferenceRow, ReferenceSummary } from "../api/types";
import { useChange } from "../app/useChange";
import { useDeletion } from "../app/useDeletion";
import { isBusy } from "../app/useProgress";
import { Button } from "../components/Button";
import { Sure } from "../components/Ink";
import { Marks } from "../components/Marks";
import { Failure } from "../components/Notice";
import { Progress } from "../components/Progress";
import { clock, figure } from "../lib/format";
import { words } from "../words/words";
import { AboutSong } from "./AboutSong";
import { Rename } from "./Rename";
import { RowMenu } from "./RowMenu";

/** One tempo, or from which to which it wanders. */
function TempoOf({ summary }: { summary: ReferenceSummary }) {
  if (!summary.bpm) return <>none</>;
  const [low, high] = summary.moves ?? [null, null];
  return (
    <>
      <span className="figure">
        {low !== null && high !== null ? `${figure(low, 0)} to ${figure(high, 0)}` : figure(summary.bpm, 2)}
      </span>{" "}
      BPM
    </>
  );
}

interface ReferenceLineProps {
  row: ReferenceRow;
  of: number;
  chosen: boolean;
  onChoose: (on: boolean) => void;
  /** How a list that draws only what is in view learns how high it is. */
  measured?: { index: number; ref: (row: HTMLTableRowElement | null) => void };
}

/** One song of a study. */
export function ReferenceLine({ row, of, chosen, onChoose, measured }: ReferenceLineProps) {
  const { summary } = row;
  const [naming, setNaming] = useState(false);
  const path = `/studies/${row.study_id}/references/${row.id}`;
  return (
    <tr
      ref={measured?.ref}
      data-index={measured?.index}
      aria-rowindex={measured && measured.index + 2}
      className={`border-b border-faint hover:bg-wash ${chosen ? "bg-wash" : ""}`}
    >
      <td className="w-6">
        <input
          type="checkbox"
          aria-label={`Select ${row.title}`}
          className="size-4"
          checked={chosen}
          onChange={(event) => onChoose(event.target.checked)}
        />
      </td>
      <td className="w-7 figure text-ink-2">{row.position}</td>
      <td className="max-w-[260px] py-2 pr-4">
        {naming ? (
          <Rename row={row} onDone={() => setNaming(false)} />
        ) : (
          <Link to={path} className="block font-serif text-15 leading-tight hover:underline">
            {row.title}
          </Link>
        )}
        <span className="block truncate text-11 text-ink-3">
          {[row.artist, summary && clock(summary.duration)].filter(Boolean).join(", ") || row.original_name}
        </span>
        <AboutSong row={row} />
      </td>
      {summary ? (
        <>
          <td className="pr-4 whitespace-nowrap">
            <Sure value={summary.sure.tempo} />
            <TempoOf summary={summary} />
          </td>
          <td className="pr-4 figure">{summary.meter}</td>
          <td className="pr-4 whitespace-nowrap">
            {summary.key && <Sure value={summary.sure.key} />}
            {summary.key ?? "none"}
          </td>
          <td className="max-w-[180px] truncate pr-4">{summary.loop ?? "none"}</td>
          <td className="pr-4 whitespace-nowrap">
            <span className="figure">{summary.sections}</span> in <span className="figure">{summary.bars}</span> bars
          </td>
          <td className="pr-4 whitespace-nowrap">
            {summary.lufs === null ? (
              "–"
            ) : (
              <>
                <span className="figure">{figure(summary.lufs, 1)}</span> LUFS
              </>
            )}
          </td>
          <td>
            <Marks marks={row.marks} />
          </td>
        </>
      ) : (
        <td colSpan={7}>
          {row.problem && !isBusy(row.analysis) ? <Problem row={row} path={path} /> : <RunState row={row} />}
        </td>
      )}
      <td className="w-8 text-right">
        <RowMenu row={row} of={of} onRename={() => setNaming(true)} />
      </td>
    </tr>
  );
}

/** One song that can't be shown; its sheet offers what to do about it. */
function Problem({ row, path }: { row: ReferenceRow; path: string }) {
  return (
    <Failure
      error={new Error(row.problem ?? "")}
      action={
        <Link to={path} className="whitespace-nowrap underline">
          What can be done
        </Link>
      }
    />
  );
}

function RunState({ row }: { row: ReferenceRow }) {
  const stale = [keys.study(row.study_id), keys.progress(row.study_id)];
  const again = useChange({ send: () => write("POST", `/references/${row.id}/analyses`), stale });
  const remove = useDeletion();
  if (!row.analysis || isBusy(row.analysis))
    return row.analysis ? <Progress run={row.analysis} /> : <span>waiting</span>;
  return (
    <Failure
      error={new Error(row.analysis.error ?? "The analysis failed.")}
      action={
        <>
          <Button onClick={() => again.mutate()}>{words.tryAgain}</Button>
          <Button look="quiet" onClick={() => remove({ path: `/references/${row.id}`, title: row.title, stale })}>
            {words.delete}
          </Button>
        </>
      }
    />
  );
}
