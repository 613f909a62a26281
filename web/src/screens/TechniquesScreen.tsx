import { useQuery } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { useSearchParams } from "react-router";
import { FAMILIES } from "../api/contract";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { studyQuery, techniquesQuery } from "../api/queries";
import type { TechniqueEntry } from "../api/types";
import { useChange } from "../app/useChange";
import { Button } from "../components/Button";
import { Failure } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { plural } from "../lib/format";
import { EntryForm, type EntryTexts } from "../techniques/EntryForm";
import { EntryText } from "../techniques/EntryText";
import { useStudyId } from "./params";

/** The library of techniques, in the study's own words where it has some. */
export function TechniquesScreen() {
  const studyId = useStudyId();
  const { data: study } = useQuery(studyQuery(studyId));
  const { data: entries, error } = useQuery(techniquesQuery(studyId));
  const [search] = useSearchParams();
  const [chosen, choose] = useState<string | null>(search.get("kind"));
  const [words, setWords] = useState("");
  const found = (entries ?? []).filter((entry) =>
    `${entry.name} ${entry.summary} ${entry.hear}`.toLowerCase().includes(words.trim().toLowerCase()),
  );
  const entry = entries?.find((candidate) => candidate.kind === chosen) ?? null;
  return (
    <>
      <PageHead title="Techniques" remark={study?.study.title ?? null}>
        {entries && <span className="text-ink-2">{plural(entries.length, "entry", "entries")}</span>}
        <input
          type="search"
          aria-label="Search the techniques"
          placeholder="search"
          value={words}
          onChange={(event) => setWords(event.target.value)}
          className="h-7 w-40 rounded-sm border border-firm bg-sheet px-2"
        />
        <NewEntry studyId={studyId} onMade={choose} />
      </PageHead>
      <div className="flex min-h-0 grow bg-sheet max-small:flex-col">
        <div className="min-w-0 grow overflow-y-auto px-4 max-small:min-h-0 max-small:basis-1/2 pt-3 pb-6 scroll-quiet">
          {error && <Failure error={error} />}
          {entries && found.length === 0 && <p className="font-serif text-18 text-ink-2">No technique found.</p>}
          {FAMILIES.map((family) => (
            <Family
              key={family}
              family={family}
              entries={found.filter((candidate) => candidate.family === family)}
              chosen={chosen}
              choose={choose}
            />
          ))}
        </div>
        <aside
          aria-label="Technique"
          className="w-[380px] shrink-0 overflow-y-auto border-l max-small:max-h-1/2 max-small:w-full max-small:border-t max-small:border-l-0 border-rule px-4 pt-3 pb-6 scroll-quiet wide:w-[460px]"
        >
          {entry ? (
            <Entry key={entry.kind} entry={entry} studyId={studyId} onGone={() => choose(null)} />
          ) : (
            <p className="font-serif text-15 text-ink-2">
              Choose a technique to read how it is heard, how it shows, and how it is done. Words can be changed for
              this study alone.
            </p>
          )}
        </aside>
      </div>
    </>
  );
}

interface FamilyProps {
  family: string;
  entries: TechniqueEntry[];
  chosen: string | null;
  choose: (kind: string) => void;
}

function Family({ family, entries, chosen, choose }: FamilyProps) {
  if (entries.length === 0) return null;
  return (
    <section className="mb-4" aria-label={family}>
      <h2 className="mb-1 flex items-baseline gap-2 border-b border-rule pb-1 font-medium">
        {family === "own" ? "Your own" : family}
        <span className="figure font-normal text-ink-2">{entries.length}</span>
      </h2>
      <ul className="grid grid-cols-1 gap-x-6 wide:grid-cols-2">
        {entries.map((entry) => (
          <li key={entry.kind}>
            <button
              type="button"
              aria-pressed={entry.kind === chosen}
              onClick={() => choose(entry.kind)}
              className={`grid w-full grid-cols-[1fr_auto] items-baseline gap-x-3 border-b border-faint py-1.5 text-left hover:bg-wash ${entry.kind === chosen ? "bg-wash" : ""}`}
            >
              <span className={`truncate text-13 ${entry.own ? "text-heard-text" : ""}`}>{entry.name}</span>
              <span className="text-11 text-ink-2">{entry.searched ? "looked for" : "by ear"}</span>
              <span className="col-span-2 truncate text-ink-2">{entry.summary}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What shows the library's words. */
function staleWith(studyId: number) {
  return [keys.techniques(studyId), keys.references];
}

function NewEntry({ studyId, onMade }: { studyId: number; onMade: (kind: string) => void }) {
  const [name, setName] = useState("");
  const create = useChange({
    send: () => write<{ technique: TechniqueEntry }>("POST", `/studies/${studyId}/techniques`, { name: name.trim() }),
    stale: staleWith(studyId),
    done: ({ technique }) => {
      setName("");
      onMade(technique.kind);
    },
    shownHere: true,
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (name.trim()) create.mutate();
  };
  return (
    <form onSubmit={submit} className="flex gap-2">
      <input
        aria-label="Name of a technique of your own"
        placeholder="one of your own"
        value={name}
        maxLength={120}
        onChange={(event) => setName(event.target.value)}
        className="h-7 w-40 rounded-sm border border-firm bg-sheet px-2"
      />
      <Button type="submit" disabled={name.trim() === ""}>
        Add
      </Button>
    </form>
  );
}

function Entry({ entry, studyId, onGone }: { entry: TechniqueEntry; studyId: number; onGone: () => void }) {
  const [editing, setEditing] = useState(false);
  const path = `/studies/${studyId}/techniques/${entry.kind}`;
  const save = useChange({
    send: (texts: EntryTexts) => write("PATCH", path, texts),
    stale: staleWith(studyId),
    done: () => setEditing(false),
    shownHere: true,
  });
  const takeBack = useChange({
    send: () => write("DELETE", path),
    stale: staleWith(studyId),
    done: () => {
      if (entry.family === "own") onGone();
    },
    shownHere: true,
  });
  return (
    <>
      <p className="text-11 text-ink-2">
        {entry.family === "own" ? "your own" : entry.family} ·{" "}
        {entry.searched ? "the engine looks for it" : "noted by ear"}
        {entry.own && <span className="text-heard-text"> · your words</span>}
      </p>
      <h2 className="mt-0.5 font-serif text-26 leading-[1.15]">{entry.name}</h2>
      {(save.error ?? takeBack.error) && <Failure error={save.error ?? takeBack.error} />}
      {editing ? (
        <EntryForm entry={entry} onSave={(texts) => save.mutate(texts)} onCancel={() => setEditing(false)} />
      ) : (
        <>
          <EntryText entry={entry} />
          <div className="mt-4 flex gap-2">
            <Button onClick={() => setEditing(true)}>Change the words</Button>
            {entry.own && (
              <Button look="refute" onClick={() => takeBack.mutate()}>
                {entry.family === "own" ? "Delete" : "Restore the original text"}
              </Button>
            )}
          </div>
        </>
      )}
    </>
  );
}
