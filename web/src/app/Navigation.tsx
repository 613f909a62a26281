import { useQuery } from "@tanstack/react-query";
import { Moon, SquareStack } from "lucide-react";
import type { ReactNode } from "react";
import { Link, NavLink, useNavigate, useParams } from "react-router";
import { studyQuery } from "../api/queries";
import type { Aim, ReferenceRow, Study, StudyPage } from "../api/types";
import { Marks } from "../components/Marks";
import { stageName } from "../components/Progress";
import { figure, signs } from "../lib/format";
import { FrameSwitch } from "../study/FrameSwitch";
import { useCommands, type Command } from "./commands";
import type { StudyPlace } from "./screens";
import { toggleTheme } from "./theme";
import { isBusy } from "./useProgress";

const SENTENCES: Record<Aim, string> = { exact: "An exact remake", style: "In the style of", study: "Study only" };

/** The left edge: the study, its references with their marks, its profile and its checklists. A rail when narrow. */
export function Navigation({ onHelp, places }: { onHelp: () => void; places: StudyPlace[] }) {
  const studyId = Number(useParams().studyId);
  const { data } = useQuery({ ...studyQuery(studyId), enabled: Number.isFinite(studyId) });
  const navigate = useNavigate();
  useCommands(data ? commandsOf(data, places, (path) => void navigate(path)) : []);
  return (
    <nav
      aria-label="Study"
      className="flex w-12 shrink-0 flex-col border-r border-rule bg-paper mid:w-nav print:hidden"
    >
      <Link
        to="/"
        title="All studies"
        className="flex h-11 items-center gap-2.5 border-b border-rule px-3.5 hover:bg-wash mid:px-4"
      >
        <Emblem />
        <span className="hidden font-serif text-18 mid:inline">Ethoscope</span>
      </Link>
      {data && Number.isFinite(studyId) && <StudyPart page={data} places={places} />}
      <div className="mt-auto flex flex-col gap-1 border-t border-rule p-2 mid:p-3">
        <EdgeButton name="Night or day" mark={<Moon size={13} />} onClick={() => toggleTheme()} />
        <EdgeButton name="All keys" mark={<span className="font-mono text-12">?</span>} onClick={onHelp} />
      </div>
    </nav>
  );
}

function EdgeButton({ name, mark, onClick }: { name: string; mark: ReactNode; onClick: () => void }) {
  return (
    <button
      type="button"
      aria-label={name}
      title={name}
      onClick={onClick}
      className="flex items-center justify-between px-1 py-1 text-ink-2 hover:bg-wash"
    >
      <span className="hidden mid:inline">{name}</span>
      <span aria-hidden className="grid size-[18px] place-items-center rounded-sm border border-firm">
        {mark}
      </span>
    </button>
  );
}

function StudyPart({ page, places }: { page: StudyPage; places: StudyPlace[] }) {
  const { study, references } = page;
  const base = `/studies/${study.id}`;
  return (
    <>
      <Link to={base} className="hidden border-b border-rule px-4 py-2.5 hover:bg-wash mid:block">
        <span className="text-ink-2">Study</span>
        <span className="block font-serif text-18 leading-tight">{study.title}</span>
        <span className="mt-1 block text-11 text-ink-2">{aimText(study, references.length)}</span>
      </Link>
      <div className="border-b border-rule p-1 mid:px-4 mid:py-2">
        <FrameSwitch study={study} />
      </div>
      <Link
        to={base}
        title={study.title}
        aria-label={`Study ${study.title}`}
        className="grid h-11 place-items-center border-b border-rule hover:bg-wash mid:hidden"
      >
        <SquareStack size={17} />
      </Link>
      <div className="min-h-0 overflow-y-auto scroll-quiet">
        <p className="hidden justify-between px-4 pt-3 pb-1.5 text-ink-2 mid:flex">
          References <span className="figure">{references.length}</span>
        </p>
        {references.map((reference) => (
          <ReferenceLink key={reference.id} base={base} reference={reference} />
        ))}
      </div>
      <div className="border-t border-rule py-2">
        {places.map((place) => (
          <PageLink
            key={place.name}
            to={`${base}/${place.path(page)}`}
            name={place.name}
            figures={place.figures?.(page) ?? ""}
            icon={place.icon}
          />
        ))}
        <Link
          to={`${base}/checklists`}
          className="hidden px-4 py-1 text-ink-2 hover:bg-wash mid:block"
          title="All checklists of this study"
        >
          All checklists
        </Link>
      </div>
    </>
  );
}

/** Every place of the study by name, its songs among them. */
export function commandsOf(page: StudyPage, places: StudyPlace[], go: (path: string) => void): Command[] {
  const base = `/studies/${page.study.id}`;
  const command = (name: string, path: string): Command => ({ name, group: "Go to", run: () => go(path) });
  return [
    command("all studies", "/"),
    command("the study", base),
    ...places.map((place) => command(place.name, `${base}/${place.path(page)}`)),
    ...page.references.map((row) => command(row.title, `${base}/references/${row.id}`)),
  ];
}

function aimText(study: Study, count: number): string {
  const aim =
    study.aim === "style"
      ? `${SENTENCES.style} ${count} ${count === 1 ? "song" : "songs"}.`
      : `${SENTENCES[study.aim]}.`;
  const key = study.target_tonic && study.target_mode ? signs(`${study.target_tonic} ${study.target_mode}`) : null;
  const tempo = study.target_bpm ? `${figure(study.target_bpm, 2)} BPM` : null;
  const target = [key, tempo].filter(Boolean).join(" at ");
  return target ? `${aim} New track: ${target}.` : aim;
}

function ReferenceLink({ base, reference }: { base: string; reference: ReferenceRow }) {
  const { summary } = reference;
  return (
    <NavLink
      to={`${base}/references/${reference.id}`}
      title={reference.title}
      className={({ isActive }) =>
        `block margin-stroke-l px-2 py-1.5 mid:pr-3 mid:pl-[13px] ${isActive ? "border-select bg-sheet" : "border-transparent hover:bg-wash"}`
      }
    >
      <span className="hidden truncate font-medium mid:block">{reference.title}</span>
      <span className="grid place-items-center text-11 font-medium mid:hidden" aria-hidden>
        {initials(reference.title)}
      </span>
      <span className="hidden items-center justify-between gap-1 text-11 text-ink-2 mid:flex">
        {summary ? (
          <span className="truncate">
            <span className="figure">{summary.bpm ? figure(summary.bpm, 2) : "–"}</span> {summary.key ?? ""}
          </span>
        ) : (
          <span className="truncate">{waiting(reference)}</span>
        )}
        {summary && <Marks marks={reference.marks} />}
      </span>
    </NavLink>
  );
}

function initials(title: string): string {
  const words = title.split(/\s+/).filter(Boolean);
  return words
    .slice(0, 2)
    .map((word) => [...word][0]?.toUpperCase() ?? "")
    .join("");
}

function waiting({ analysis, problem }: ReferenceRow): string {
  if (problem && !isBusy(analysis)) return "can't be shown";
  if (analysis?.state === "failed") return "failed";
  if (analysis?.state === "running") return `${Math.round(analysis.progress * 100)} %, ${stageName(analysis.stage)}`;
  return "waiting";
}

function PageLink({ to, name, figures, icon }: { to: string; name: string; figures: string; icon: ReactNode }) {
  return (
    <NavLink
      to={to}
      title={name}
      className={({ isActive }) =>
        `flex items-baseline justify-between margin-stroke-l px-2 py-1.5 mid:pr-4 mid:pl-[13px] ${isActive ? "border-select bg-sheet" : "border-transparent hover:bg-wash"}`
      }
    >
      <span className="hidden text-13 font-medium mid:inline">{name}</span>
      <span className="figure hidden text-ink-2 mid:inline">{figures}</span>
      <span aria-hidden className="mx-auto mid:hidden">
        {icon}
      </span>
    </NavLink>
  );
}

/** Six tallies and one mark by ear. */
function Emblem() {
  const cells: [number, number, string][] = [
    [0, 0, "var(--ink-d5)"],
    [6, 0, "var(--ink-d3)"],
    [12, 0, "var(--ink-d5)"],
    [0, 6, "var(--ink-d2)"],
    [6, 6, "var(--ink-d5)"],
    [6, 12, "var(--ink-d4)"],
    [12, 12, "var(--heard)"],
  ];
  return (
    <svg width="17" height="17" viewBox="0 0 17 17" aria-hidden className="shrink-0">
      {cells.map(([x, y, fill]) => (
        <rect key={`${x}-${y}`} x={x} y={y} width="4.5" height="4.5" fill={fill} />
      ))}
    </svg>
  );
}
