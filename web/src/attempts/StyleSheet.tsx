import { Link } from "react-router";
import type { AttemptPage, Checklist, StandingInStyle, StyleLine, StyleStanding } from "../api/types";
import { figure, plural } from "../lib/format";
import { RangeStrip } from "./RangeStrip";
import { StylePanel } from "./StylePanel";
import { TableFrame } from "../components/TableFrame";

const HEADS: Record<StandingInStyle, string> = {
  outside: "Outside the style",
  edge: "At its edge",
  inside: "Inside",
  untold: "Not measured in yours",
};
const ORDER: StandingInStyle[] = ["outside", "edge", "inside", "untold"];

interface StyleSheetProps {
  page: AttemptPage;
  style: StyleStanding;
  checklist: Checklist | undefined;
}

/** An attempt beside several songs: what they share, where they lie, and where it lies. */
export function StyleSheet({ page, style, checklist }: StyleSheetProps) {
  return (
    <div className="flex min-h-0 grow">
      <div className="min-w-0 grow overflow-auto bg-sheet px-4 pb-6 scroll-quiet" data-testid="style-sheet">
        <TooNear style={style} studyId={page.attempt.study_id} />
        {style.lines.length === 0 && (
          <p className="py-4 font-serif text-15 text-ink-2">
            These songs share nothing clearly enough to compare yours with.
          </p>
        )}
        {ORDER.map((standing) => (
          <Group key={standing} standing={standing} lines={style.lines.filter((line) => line.standing === standing)} />
        ))}
      </div>
      <StylePanel page={page} checklist={checklist} />
    </div>
  );
}

/** Stretches that are one song's and no other's: what was meant to be in the style is a copy there. */
function TooNear({ style, studyId }: { style: StyleStanding; studyId: number }) {
  if (style.near.length === 0) return null;
  return (
    <section aria-label="Too near to one song" className="border-b border-rule py-3">
      <h2 className="text-13 font-medium text-conflict">Too near to one song</h2>
      <ul className="mt-1">
        {style.near.map((run) => (
          <li key={`${run.reference_id} ${run.attempt[0]}`} className="font-serif text-15">
            Bars {run.attempt[0]} to {run.attempt[1]} have the chords and strokes of bars {run.reference[0]} to{" "}
            {run.reference[1]} of{" "}
            <Link
              className="underline"
              to={`/studies/${studyId}/references/${run.reference_id}?bar=${run.reference[0]}`}
            >
              {run.title}
            </Link>
            {run.semitones !== 0 &&
              `, ${plural(Math.abs(run.semitones), "semitone")} ${run.semitones > 0 ? "up" : "down"}`}
            ; none of the others has them.
          </li>
        ))}
      </ul>
    </section>
  );
}

function Group({ standing, lines }: { standing: StandingInStyle; lines: StyleLine[] }) {
  if (lines.length === 0) return null;
  return (
    <section className="pt-3">
      <h2 className="flex items-baseline gap-2 text-13 font-medium">
        {HEADS[standing]} <span className="figure font-normal text-ink-2">{lines.length}</span>
      </h2>
      <table className="mt-1 w-full table-fixed text-left">
        <TableFrame
          widths={["", "w-[166px] wide:w-[226px]", "w-[24%]", "w-[112px]", "w-[52px]"]}
          names={["The songs", "Where they lie", "Yours", "How far outside", "In how many songs"]}
        />
        <tbody>
          {lines.map((line) => (
            <Row key={line.id} line={line} />
          ))}
        </tbody>
      </table>
    </section>
  );
}

const STROKES: Record<StandingInStyle, string> = {
  outside: "border-conflict",
  edge: "border-conflict border-dotted",
  inside: "border-transparent",
  untold: "border-transparent",
};

function Row({ line }: { line: StyleLine }) {
  return (
    <tr className="border-b border-faint">
      <td
        colSpan={line.points ? 1 : 2}
        className={`margin-stroke-l h-[27px] py-1 pr-3 pl-2 font-serif text-15 leading-snug ${STROKES[line.standing]}`}
        title={line.words}
      >
        {line.words}
      </td>
      {line.points && (
        <td>
          <RangeStrip line={line} />
        </td>
      )}
      <td className="truncate pr-3 text-mine" title={line.attempt ?? undefined}>
        {line.standing === "inside" && line.figure === null ? "so is yours" : (line.attempt ?? "–")}
      </td>
      <td className="text-right whitespace-nowrap text-conflict">
        {line.apart !== null && line.apart > 0 && (
          <>
            <span className="figure">{figure(line.apart, 1)}</span> {line.unit?.replace(" side energy", "")} off
          </>
        )}
      </td>
      <td className="text-right figure text-ink-2">{`${line.holds[0]} of ${line.holds[1]}`}</td>
    </tr>
  );
}
