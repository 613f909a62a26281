import { useQuery } from "@tanstack/react-query";
import { DropdownMenu } from "radix-ui";
import { Ellipsis } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { studiesQuery } from "../api/queries";
import type { ReferenceRow } from "../api/types";
import { useChange } from "../app/useChange";
import { useDeletion } from "../app/useDeletion";
import { isBusy } from "../app/useProgress";
import { Button } from "../components/Button";
import { LineInput } from "../components/LineInput";
import { Marks } from "../components/Marks";
import { Failure } from "../components/Notice";
import { Progress } from "../components/Progress";
import { TableHead } from "../components/TableHead";
import { clock, figure } from "../lib/format";
import { AboutSong } from "./AboutSong";
import { useEscape } from "../lib/useEscape";
import { words } from "../words/words";

const COLUMNS = ["(Number)", "Song", "Tempo", "Meter", "Key", "Loop", "Form", "Loudness", "Readings", "(What to do)"];

export function ReferenceTable({ rows }: { rows: ReferenceRow[] }) {
  return (
    <table className="mt-2 w-full border-collapse text-left">
      <TableHead columns={COLUMNS} />
      <tbody>
        {rows.map((row) => (
          <ReferenceLine key={row.id} row={row} of={rows.length} />
        ))}
      </tbody>
    </table>
  );
}

function ReferenceLine({ row, of }: { row: ReferenceRow; of: number }) {
  const { summary } = row;
  const [naming, setNaming] = useState(false);
  const path = `/studies/${row.study_id}/references/${row.id}`;
  return (
    <tr className="border-b border-faint hover:bg-wash">
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
            {summary.bpm ? (
              <>
                <span className="figure">{figure(summary.bpm, 2)}</span> BPM
              </>
            ) : (
              "no pulse"
            )}
          </td>
          <td className="pr-4 figure">{summary.meter}</td>
          <td className="pr-4 whitespace-nowrap">{summary.key ?? "none"}</td>
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

function Rename({ row, onDone }: { row: ReferenceRow; onDone: () => void }) {
  const [title, setTitle] = useState(row.title);
  const [artist, setArtist] = useState(row.artist ?? "");
  useEscape(onDone);
  const save = useChange({
    send: () => write("PATCH", `/references/${row.id}`, { title: title.trim(), artist: artist.trim() || null }),
    stale: [keys.study(row.study_id), keys.reference(row.id)],
    done: onDone,
  });
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <LineInput name="Title" autoFocus maxLength={200} value={title} onText={setTitle} />
      <LineInput name="Artist" placeholder="artist" maxLength={200} value={artist} onText={setArtist} />
      <span className="flex gap-1.5">
        <Button type="submit" disabled={title.trim() === ""}>
          {words.save}
        </Button>
        <Button look="quiet" onClick={onDone}>
          {words.cancel}
        </Button>
      </span>
    </form>
  );
}

const CHOICE = "block w-full px-4 py-1.5 text-left outline-none data-[highlighted]:bg-wash";

/** What can be done with a song of a study. */
function RowMenu({ row, of, onRename }: { row: ReferenceRow; of: number; onRename: () => void }) {
  const { data } = useQuery(studiesQuery);
  const stale = [keys.study(row.study_id), keys.studies, keys.progress(row.study_id), keys.profile(row.study_id)];
  const place = useChange({ send: (to: number) => write("POST", `/references/${row.id}/place`, { to }), stale });
  const move = useChange({
    send: (body: { study_id: number; copy: boolean }) => write("POST", `/references/${row.id}/moves`, body),
    stale,
  });
  const remove = useDeletion();
  const others = (data?.studies ?? []).filter((study) => study.id !== row.study_id);
  return (
    <DropdownMenu.Root modal={false}>
      <DropdownMenu.Trigger aria-label={`What to do with ${row.title}`} className="p-1.5 hover:bg-wash">
        <Ellipsis size={15} aria-hidden />
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          sideOffset={2}
          className="z-40 max-h-[60vh] overflow-y-auto border border-firm bg-sheet py-1"
        >
          <DropdownMenu.Item className={CHOICE} onSelect={onRename}>
            Rename
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className={CHOICE}
            disabled={row.position === 1}
            onSelect={() => place.mutate(row.position - 1)}
          >
            Move up
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className={CHOICE}
            disabled={row.position >= of}
            onSelect={() => place.mutate(row.position + 1)}
          >
            Move down
          </DropdownMenu.Item>
          {others.map((study) => (
            <DropdownMenu.Item
              key={`move ${study.id}`}
              className={CHOICE}
              onSelect={() => move.mutate({ study_id: study.id, copy: false })}
            >
              {`Move to “${study.title}”`}
            </DropdownMenu.Item>
          ))}
          {others.map((study) => (
            <DropdownMenu.Item
              key={`copy ${study.id}`}
              className={CHOICE}
              onSelect={() => move.mutate({ study_id: study.id, copy: true })}
            >
              {`Copy to “${study.title}”`}
            </DropdownMenu.Item>
          ))}
          <DropdownMenu.Item
            className={`${CHOICE} text-conflict`}
            onSelect={() => remove({ path: `/references/${row.id}`, title: row.title, stale })}
          >
            {words.delete}
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
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
            Remove
          </Button>
        </>
      }
    />
  );
}
