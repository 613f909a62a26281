import { useQuery } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { Link, useNavigate } from "react-router";
import { write } from "../api/client";
import { keys } from "../api/keys";
import { schoolsQuery, studyQuery } from "../api/queries";
import type { StudyPage } from "../api/types";
import { useHouse } from "../app/house";
import { useChange } from "../app/useChange";
import { useDeletion } from "../app/useDeletion";
import { Button } from "../components/Button";
import { Field } from "../components/Field";
import { LineInput } from "../components/LineInput";
import { Failure, Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { ThrownAway } from "../components/ThrownAway";
import { TableHead } from "../components/TableHead";
import { day } from "../lib/format";
import { useStudyId } from "./params";
import { words } from "../words/words";

/** The checklists of a study, and how to make another. */
export function ChecklistsScreen() {
  const studyId = useStudyId();
  const { data } = useQuery(studyQuery(studyId));
  if (!data) return <PageHead title="Checklists" />;

  const ready = data.references.filter((row) => row.summary);
  return (
    <>
      <PageHead title="Checklists" remark={data.study.title} />
      <div className="min-h-0 grow overflow-y-auto bg-sheet px-4 pb-6 scroll-quiet">
        {data.checklists.length > 0 && <ChecklistTable page={data} />}
        <ThrownAway rows={data.thrown_away.checklists} path="/checklists" stale={[keys.study(studyId)]} />
        {ready.length === 0 ? (
          <Notice
            action={
              <Link to={`/studies/${studyId}`} className="underline">
                To the study
              </Link>
            }
          >
            A checklist comes from what was measured. Add a reference first, and let its analysis finish.
          </Notice>
        ) : (
          <MakeChecklist page={data} />
        )}
      </div>
    </>
  );
}

function ChecklistTable({ page }: { page: StudyPage }) {
  const { data: schools } = useQuery(schoolsQuery);
  const [naming, setNaming] = useState<number | null>(null);
  const [title, setTitle] = useState("");
  const stale = [keys.study(page.study.id)];
  const rename = useChange({
    send: (body: { id: number; title: string }) => write("PATCH", `/checklists/${body.id}`, { title: body.title }),
    stale,
    done: () => setNaming(null),
  });
  const copy = useChange({ send: (id: number) => write("POST", `/checklists/${id}/copies`), stale });
  const remove = useDeletion();
  return (
    <table className="mt-2 w-full border-collapse text-left">
      <TableHead columns={["Checklist", "Order", "Done", "Made", "(What to do)"]} />
      <tbody>
        {page.checklists.map((row) => (
          <tr key={row.id} className="border-b border-faint hover:bg-wash">
            <td className="py-2 pr-4">
              {naming === row.id ? (
                <form
                  className="flex gap-1.5"
                  onSubmit={(event) => {
                    event.preventDefault();
                    rename.mutate({ id: row.id, title: title.trim() });
                  }}
                >
                  <LineInput name="Name of the checklist" autoFocus maxLength={120} value={title} onText={setTitle} />
                  <Button type="submit" disabled={title.trim() === ""}>
                    Save name
                  </Button>
                </form>
              ) : (
                <Link
                  to={`/studies/${page.study.id}/checklists/${row.id}`}
                  className="font-serif text-15 hover:underline"
                >
                  {row.title}
                </Link>
              )}
            </td>
            <td className="pr-4 text-ink-2">
              {row.by_hand ? "your own" : schools?.find((school) => school.id === row.school)?.name}
            </td>
            <td className="pr-4 figure">{`${row.done} of ${row.total}`}</td>
            <td className="pr-4 figure text-ink-2">{day(row.created_at)}</td>
            <td className="text-ink-2 small:whitespace-nowrap">
              <button
                type="button"
                aria-label={`Rename ${row.title}`}
                className="underline"
                onClick={() => {
                  setNaming(row.id);
                  setTitle(row.title);
                }}
              >
                rename
              </button>
              {" · "}
              <button
                type="button"
                aria-label={`Copy ${row.title}`}
                className="underline"
                onClick={() => copy.mutate(row.id)}
              >
                copy
              </button>
              {" · "}
              <button
                type="button"
                aria-label={`Delete ${row.title}`}
                title="It can be restored below"
                className="underline"
                onClick={() => remove({ path: `/checklists/${row.id}`, title: row.title, stale })}
              >
                {words.delete}
              </button>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function MakeChecklist({ page }: { page: StudyPage }) {
  const navigate = useNavigate();
  const { data: schools } = useQuery(schoolsQuery);
  const ready = page.references.filter((row) => row.summary);
  const [from, setFrom] = useState(ready.length > 1 ? "profile" : String(ready[0]?.id ?? "profile"));
  const house = useHouse();
  const [chosen, setSchool] = useState<string | null>(null);
  const school = chosen ?? house?.settings.school ?? "chords";
  const create = useChange({
    send: () =>
      write<{ checklist: { id: number } }>("POST", `/studies/${page.study.id}/checklists`, {
        school,
        ...(from === "profile" ? { from } : { from: "reference", reference_id: Number(from) }),
      }),
    stale: [keys.study(page.study.id)],
    done: ({ checklist }) => void navigate(`/studies/${page.study.id}/checklists/${checklist.id}`),
    shownHere: true,
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    create.mutate();
  };
  return (
    <form onSubmit={submit} className="mt-6 flex max-w-[420px] flex-col gap-4">
      <h2 className="font-serif text-18">{page.checklists.length ? "Make another" : "Make the first checklist"}</h2>
      <Field
        label="From"
        hint={
          from === "profile" ? "Ranges and habits that the songs share." : "The readings of one song, as they stand."
        }
      >
        {(props) => (
          <select {...props} value={from} onChange={(event) => setFrom(event.target.value)}>
            <option value="profile">
              the style profile, {ready.length === 1 ? "1 song" : `${ready.length} songs`}
            </option>
            {ready.map((row) => (
              <option key={row.id} value={row.id}>
                {row.title}
              </option>
            ))}
          </select>
        )}
      </Field>
      <Field label="Order of work" hint={schools?.find((candidate) => candidate.id === school)?.reason}>
        {(props) => (
          <select {...props} value={school} onChange={(event) => setSchool(event.target.value)}>
            {schools?.map((candidate) => (
              <option key={candidate.id} value={candidate.id}>
                {candidate.name}
              </option>
            ))}
          </select>
        )}
      </Field>
      {create.error && <Failure error={create.error} />}
      <Button type="submit" look="solid" className="self-start" disabled={create.isPending}>
        Make the checklist
      </Button>
    </form>
  );
}
