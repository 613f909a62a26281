import { useQuery } from "@tanstack/react-query";
import { useEffect } from "react";
import { useParams, useSearchParams } from "react-router";
import { knownQuery, reckonerQuery, studyQuery } from "../api/queries";
import type { CalculatorGroup, StudyPage } from "../api/types";
import { Failure } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { Sentence } from "../reckoner/Sentence";

/** Sentences with blanks: some are filled, the rest is worked out. */
export function ReckonerScreen() {
  const studyId = Number(useParams().studyId) || null;
  const [search, setSearch] = useSearchParams();
  const { data: groups, error } = useQuery(reckonerQuery);
  const { data: study } = useQuery({ ...studyQuery(studyId ?? 0), enabled: studyId !== null });
  const songs = study?.references.filter((row) => row.summary) ?? [];
  const from = search.get("from") ?? "";
  const layer = search.get("layer") ?? "";
  const { data: known } = useQuery(knownQuery(Number(from), layer));
  const open = search.get("sentence");
  useEffect(() => {
    if (open && groups) document.getElementById(`sentence-${open}`)?.scrollIntoView({ block: "nearest" });
  }, [open, groups]);
  const set = (change: Record<string, string | null>) =>
    setSearch(
      (before) => {
        const next = new URLSearchParams(before);
        for (const [name, value] of Object.entries(change))
          if (value) next.set(name, value);
          else next.delete(name);
        return next;
      },
      { replace: true },
    );
  return (
    <>
      <PageHead title="Reckoner" remark="Fill what you know; the rest is worked out.">
        {songs.length > 0 && (
          <Origin songs={songs} from={from} layer={layer} layers={known?.layers ?? []} onChange={set} />
        )}
      </PageHead>
      <div className="min-h-0 grow overflow-y-auto bg-sheet px-4 pb-8 scroll-quiet">
        {error && <Failure error={error} />}
        {(groups ?? []).map((group) => (
          <Group
            key={`${group.id} ${from} ${layer} ${known ? 1 : 0} ${search.toString()}`.replace(/sentence=\w*/, "")}
            group={group}
            known={known?.known ?? {}}
            written={search}
            open={open}
            onOpen={(id) => set({ sentence: id === open ? null : id })}
            studyId={studyId}
          />
        ))}
      </div>
    </>
  );
}

interface OriginProps {
  songs: StudyPage["references"];
  from: string;
  layer: string;
  layers: string[];
  onChange: (change: Record<string, string | null>) => void;
}

/** The song, and the layer of it, that the blanks are filled from. */
function Origin({ songs, from, layer, layers, onChange }: OriginProps) {
  const look = "h-7 max-w-[200px] rounded-sm border border-firm bg-sheet px-1.5";
  return (
    <span className="flex items-center gap-2 text-ink-2">
      Filled from
      <select
        aria-label="Song that the blanks are filled from"
        value={from}
        onChange={(event) => onChange({ from: event.target.value, layer: null })}
        className={look}
      >
        <option value="">examples</option>
        {songs.map((row) => (
          <option key={row.id} value={row.id}>
            {row.title}
          </option>
        ))}
      </select>
      {layers.length > 0 && (
        <select
          aria-label="Layer that notes are filled from"
          value={layer}
          onChange={(event) => onChange({ layer: event.target.value })}
          className={look}
        >
          <option value="">its bass</option>
          {layers
            .filter((name) => name !== "bass")
            .map((name) => (
              <option key={name}>{name}</option>
            ))}
        </select>
      )}
    </span>
  );
}

interface GroupProps {
  group: CalculatorGroup;
  known: Record<string, Record<string, string>>;
  /** What an address fills in, by blank. */
  written: URLSearchParams;
  open: string | null;
  onOpen: (id: string) => void;
  studyId: number | null;
}

function Group({ group, known, written, open, onOpen, studyId }: GroupProps) {
  return (
    <section className="pt-4" aria-label={group.name}>
      <h2 className="border-b border-rule pb-1 font-serif text-18 italic">{group.name}</h2>
      <ul>
        {group.calculators.map((calculator) => {
          const said = Object.fromEntries(
            calculator.blanks.flatMap(({ name }) => {
              const value = open === calculator.id ? written.get(name) : null;
              return value === null ? [] : [[name, value]];
            }),
          );
          return (
            <Sentence
              key={calculator.id}
              calculator={calculator}
              known={{ ...known[calculator.id], ...said }}
              open={open === calculator.id}
              onOpen={() => onOpen(calculator.id)}
              studyId={studyId}
            />
          );
        })}
      </ul>
    </section>
  );
}
