import { useQuery } from "@tanstack/react-query";
import { BookA, Moon, Search, SlidersHorizontal, SquareStack } from "lucide-react";
import type { ReactNode } from "react";
import { Link, NavLink, useNavigate, useParams } from "react-router";
import { FORMATS } from "../api/contract";
import { reckonerQuery, studyQuery } from "../api/queries";
import type { Aim, CalculatorGroup, ReferenceRow, ReferenceSummary, Study, StudyPage } from "../api/types";
import { Marks } from "../components/Marks";
import { stageName } from "../components/Progress";
import { figure, signs } from "../lib/format";
import { FrameSwitch } from "../study/FrameSwitch";
import { useCommands, type Command } from "./commands";
import { told } from "./frame";
import type { StudyPlace } from "./screens";
import { toggleTheme } from "./theme";
import { isBusy } from "./useProgress";

const SENTENCES: Record<Aim, string> = { exact: "An exact remake", style: "In the style of", study: "Study only" };

/** The left edge: the study, its references with their marks, its profile and its checklists. A rail when narrow. */
interface NavigationProps {
  onHelp: () => void;
  onFind: () => void;
  places: StudyPlace[];
}

export function Navigation({ onHelp, onFind, places }: NavigationProps) {
  const studyId = Number(useParams().studyId);
  const { data } = useQuery({ ...studyQuery(studyId), enabled: Number.isFinite(studyId) });
  const navigate = useNavigate();
  const { data: sentences } = useQuery(reckonerQuery);
  const go = (path: string) => void navigate(path);
  useCommands(data ? commandsOf(data, places, go) : HOUSE.map(([name, path]) => toPlace(name, path, go)));
  useCommands(sentences ? sentencesOf(sentences, Number.isFinite(studyId) ? studyId : null, go) : []);
  return (
    <nav
      aria-label="Study"
      className="flex w-12 shrink-0 flex-col border-r border-rule bg-paper mid:w-nav print:hidden"
    >
      <Link
        to="/"
        title="All studies"
        className="flex h-11 shrink-0 items-center gap-2.5 border-b border-rule px-3.5 hover:bg-wash mid:px-4"
      >
        <Emblem />
        <span className="hidden font-serif text-18 mid:inline">Ethoscope</span>
      </Link>
      {data && Number.isFinite(studyId) && <StudyPart page={data} places={places} />}
      <button
        type="button"
        title="Find or do anything by name (Ctrl K)"
        onClick={onFind}
        className="mt-auto flex min-h-8 shrink-0 items-center gap-1.5 border-t border-rule px-3.5 text-left text-ink-2 hover:bg-wash mid:px-4"
      >
        <Search size={13} aria-hidden />
        <span className="hidden whitespace-nowrap mid:inline">Find</span>
        <kbd className="ml-auto hidden rounded-sm border border-firm px-1 font-mono text-11 whitespace-nowrap mid:inline">
          Ctrl K
        </kbd>
      </button>
      <div className="flex shrink-0 flex-wrap items-center gap-1 border-t border-rule p-2 mid:justify-between mid:px-4">
        <EdgeLink name="Glossary" path="/words" mark={<BookA size={13} />} />
        <EdgeLink name="Settings" path="/settings" mark={<SlidersHorizontal size={13} />} />
        <EdgeButton name="Night or day" mark={<Moon size={13} />} onClick={() => toggleTheme()} />
        <EdgeButton name="All keys" mark={<span className="font-mono text-12">?</span>} onClick={onHelp} />
      </div>
    </nav>
  );
}

function EdgeButton({ name, mark, onClick }: { name: string; mark: ReactNode; onClick: () => void }) {
  return (
    <button type="button" aria-label={name} title={name} onClick={onClick} className={EDGE}>
      <span aria-hidden>{mark}</span>
    </button>
  );
}

const EDGE = "grid size-7 place-items-center rounded-sm border border-firm text-ink-2 hover:bg-wash";

function EdgeLink({ name, path, mark }: { name: string; path: string; mark: ReactNode }) {
  return (
    <Link to={path} aria-label={name} title={name} className={EDGE}>
      <span aria-hidden>{mark}</span>
    </Link>
  );
}

function StudyPart({ page, places }: { page: StudyPage; places: StudyPlace[] }) {
  const { study, references } = page;
  const base = `/studies/${study.id}`;
  return (
    <>
      <Link to={base} className="hidden shrink-0 border-b border-rule px-4 py-2 hover:bg-wash mid:block">
        <span className="text-ink-2">Study</span>
        <span className="block font-serif text-18 leading-tight">{study.title}</span>
        <span className="mt-1 block text-11 text-ink-2">{aimText(study, references.length)}</span>
      </Link>
      <div className="shrink-0 border-b border-rule p-1 mid:px-4 mid:py-2">
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
      <div className="min-h-[84px] shrink overflow-y-auto scroll-quiet">
        <p className="hidden justify-between px-4 pt-3 pb-1.5 text-ink-2 mid:flex">
          References <span className="figure">{references.length}</span>
        </p>
        {references.map((reference) => (
          <ReferenceLink key={reference.id} base={base} reference={reference} />
        ))}
      </div>
      <div className="shrink-0 border-t border-rule py-1">
        {places.map((place) => (
          <PageLink
            key={place.name}
            to={`${base}/${place.path(page)}`}
            name={place.name}
            figures={place.figures?.(page) ?? ""}
            icon={place.icon}
          />
        ))}
      </div>
    </>
  );
}

/** Places that belong to no study. */
const HOUSE: [string, string][] = [
  ["all studies", "/"],
  ["a new study", "/studies/new"],
  ["the reckoner", "/reckoner"],
  ["glossary", "/words"],
  ["settings", "/settings"],
];

const toPlace = (name: string, path: string, go: (path: string) => void): Command => ({
  name,
  group: "Go to",
  run: () => go(path),
});

/** Every place of the study by name, its songs and what can be taken away of each among them. */
export function commandsOf(page: StudyPage, places: StudyPlace[], go: (path: string) => void): Command[] {
  const base = `/studies/${page.study.id}`;
  const command = (name: string, path: string) => toPlace(name, path, go);
  const songs = page.references.filter((row) => row.summary);
  return [
    ...HOUSE.map(([name, path]) => command(name, path)),
    command("the study", base),
    ...places.map((place) => command(place.name, `${base}/${place.path(page)}`)),
    command("all checklists", `${base}/checklists`),
    command("compare studies", `${base}/comparison`),
    ...page.references.map((row) => command(row.title, `${base}/references/${row.id}`)),
    ...songs.flatMap((row) => [
      command(`${row.title}: layers by section`, `${base}/references/${row.id}/layers`),
      command(`${row.title}: on paper`, `${base}/references/${row.id}/paper`),
    ]),
    ...songs.flatMap((row) => FORMATS.map((format) => takeAway(row, format))),
  ];
}

function takeAway(row: ReferenceRow, { file, words }: (typeof FORMATS)[number]): Command {
  return {
    name: `${row.title}: export ${words}`,
    group: "Export",
    run: () => location.assign(`/api/references/${row.id}/${file}?as=${told()}`),
  };
}

/** Every sentence of the reckoner. */
export function sentencesOf(groups: CalculatorGroup[], studyId: number | null, go: (path: string) => void): Command[] {
  const base = studyId === null ? "/reckoner" : `/studies/${studyId}/reckoner`;
  return groups
    .flatMap((group) => group.calculators)
    .map(({ id, name }) => ({
      name: `calculate: ${name}`,
      group: "Calculate",
      run: () => go(`${base}?sentence=${id}`),
    }));
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
            <span className="figure">{tempoOf(summary)}</span> {summary.key ?? ""}
          </span>
        ) : (
          <span className="truncate">{waiting(reference)}</span>
        )}
        {summary && <Marks marks={reference.marks} />}
      </span>
    </NavLink>
  );
}

/** One tempo, or from which to which it wanders. */
function tempoOf({ bpm, moves }: ReferenceSummary): string {
  if (!bpm) return "–";
  return moves ? moves.map((one) => figure(one)).join("–") : figure(bpm, 2);
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

/** Three strokes of a pen on their lines, and a tally by ear. */
function Emblem() {
  return (
    <svg width="20" height="18" viewBox="0 0 20 18" aria-hidden className="shrink-0">
      <path d="M0 5.5h20M0 11h20M0 16.5h20" stroke="var(--rule-firm)" strokeWidth="0.8" />
      <path
        d="M1 5.5L3.5 2Q8 .4 12 2.6L14.5 5.5Z M6 11L8 7.8Q13 6.6 17 8.4L19 11Z M2 16.5L4 13.6Q6 13 8.5 14.2L10 16.5Z"
        fill="var(--measured)"
      />
      <path d="M14 17l3-5" stroke="var(--heard)" strokeWidth="2" strokeLinecap="round" />
    </svg>
  );
}
