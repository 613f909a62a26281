import { useQuery } from "@tanstack/react-query";
import { Link } from "react-router";
import { logbookQuery } from "../api/queries";
import type { LogEntry, PaceLine } from "../api/types";
import { Notice } from "../components/Notice";
import { LINK_LOOK } from "../components/linkLook";
import { PageHead } from "../components/PageHead";
import { clock } from "../lib/format";
import { runsOf } from "../lib/runs";
import { useStudyId } from "./params";
import { TableFrame } from "../components/TableFrame";
import { words } from "../words/words";

/** What was done when, how long, and what was decided why, by day; and what that says of the time that things take. */
export function LogbookScreen() {
  const studyId = useStudyId();
  const { data } = useQuery(logbookQuery(studyId));
  if (!data) return <PageHead title="Logbook" />;

  const days = runsOf(data.entries, (entry) => new Date(entry.at).toDateString());
  return (
    <>
      <PageHead title="Logbook" remark={data.study.title}>
        {data.entries.length > 0 && (
          <a href={`/api/studies/${studyId}/logbook.csv`} download className={LINK_LOOK}>
            {words.exportCsv}
          </a>
        )}
      </PageHead>
      <div className="flex min-h-0 grow bg-sheet max-mid:flex-col-reverse">
        <div className="min-h-0 min-w-0 grow overflow-y-auto px-4 pb-6 scroll-quiet">
          {data.entries.length === 0 && (
            <Notice
              action={
                <Link to={`/studies/${studyId}/checklists`} className="underline">
                  To the checklists
                </Link>
              }
            >
              Nothing yet. Start the clock of an item, or settle one: it is written down here by itself.
            </Notice>
          )}
          {days.map(([day, entries]) => (
            <Day key={day} entries={entries} />
          ))}
        </div>
        <Pace lines={data.pace} />
      </div>
    </>
  );
}

function Day({ entries }: { entries: LogEntry[] }) {
  const seconds = entries.reduce((sum, entry) => sum + entry.seconds, 0);
  const title = new Date(entries[0]?.at ?? "").toLocaleDateString("en-GB", {
    weekday: "long",
    day: "numeric",
    month: "long",
  });
  return (
    <section className="mt-4">
      <h2 className="flex items-baseline justify-between border-b border-rule pb-1 font-serif text-15">
        {title}
        <span className="font-sans text-12 text-ink-2">
          <span className="figure">{clock(seconds)}</span> by the clock
        </span>
      </h2>
      <table className="w-full table-fixed text-left max-small:min-w-[560px]">
        <TableFrame
          widths={["w-[52px]", "", "w-[104px]", "w-[30%]", "w-[116px]"]}
          names={["At", "Item", "Decided", "Why", "Took"]}
        />
        <tbody>
          {entries.map((entry) => (
            <tr key={entry.id} className="border-b border-faint">
              <td className="py-1 figure text-ink-2">
                {new Date(entry.at).toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" })}
              </td>
              <td className="truncate pr-3" title={`${entry.list}: ${entry.title}`}>
                {entry.title} <span className="text-ink-2">{entry.list}</span>
              </td>
              <td>{entry.decision || "worked on it"}</td>
              <td className="truncate pr-3 font-serif text-ink-2 italic" title={entry.why}>
                {entry.why}
              </td>
              <td className="text-right figure">
                {entry.seconds > 0 ? `${clock(entry.seconds)} of ${entry.box}:00` : ""}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** How long one takes for each kind of work: the minutes planned later follow it. */
function Pace({ lines }: { lines: PaceLine[] }) {
  return (
    <aside
      aria-label="Your pace"
      className="shrink-0 overflow-y-auto border-rule px-4 py-3 scroll-quiet max-mid:border-b mid:w-drawer mid:border-l wide:w-drawer-wide"
    >
      <h2 className="mb-2 font-medium">Your pace</h2>
      {lines.length === 0 ? (
        <p className="text-ink-2">
          Settle three items of one kind with their clock running: the minutes on later checklists then follow how long
          you really take.
        </p>
      ) : (
        <table className="w-full text-left">
          <thead className="text-ink-2">
            <tr className="border-b border-rule">
              <th scope="col" className="font-normal">
                Kind of work
              </th>
              {["Timed", "Planned, min", "Taken, min", "Factor"].map((name) => (
                <th key={name} scope="col" className="pl-2 text-right font-normal">
                  {name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {lines.map((line) => (
              <tr key={line.stage} className="border-b border-faint">
                <td className="py-1">{line.stage}</td>
                <td className="text-right figure">{line.boxes}</td>
                <td className="text-right figure">{line.given}</td>
                <td className="text-right figure">{line.taken}</td>
                <td className="text-right figure">{line.factor === 1 ? "–" : `× ${line.factor}`}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {lines.length > 0 && (
        <p className="mt-2 text-ink-2">
          From three timed items of a kind on, the minutes on later checklists are multiplied by your median factor.
        </p>
      )}
    </aside>
  );
}
