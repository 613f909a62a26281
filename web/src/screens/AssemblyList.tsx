import { write } from "../api/client";
import { keys } from "../api/keys";
import type { Assembly } from "../api/types";
import { useChange } from "../app/useChange";
import { Ask } from "../components/Ask";
import { Button } from "../components/Button";
import { Failure } from "../components/Notice";
import { ProgressBar } from "../components/Progress";
import { plural } from "../lib/format";
import { words } from "../words/words";

interface AssemblyListProps {
  studyId: number;
  assemblies: Assembly[];
  name?: string;
}

/** Songs that are being put together from their parts, or could not be. */
export function AssemblyList({ studyId, assemblies, name = "Songs being put together" }: AssemblyListProps) {
  if (assemblies.length === 0) return null;
  return (
    <ul aria-label={name} className="my-3 border-y border-rule">
      {assemblies.map((assembly) => (
        <li key={assembly.id} className="flex items-center gap-4 border-b border-faint py-2 last:border-0">
          <span className="max-w-[260px] truncate font-serif text-15">{assembly.title}</span>
          <span className="text-11 text-ink-3">{contents(assembly)}</span>
          <State studyId={studyId} assembly={assembly} />
        </li>
      ))}
    </ul>
  );
}

function contents({ stems, score_name: score }: Assembly): string {
  return (
    [stems.length > 0 && plural(stems.length, "stem"), score && "MIDI"].filter(Boolean).join(", ") || "no files yet"
  );
}

function State({ studyId, assembly }: { studyId: number; assembly: Assembly }) {
  const stale = [keys.study(studyId), keys.progress(studyId)];
  const start = useChange({ send: () => write("POST", `/assemblies/${assembly.id}/start`), stale });
  const remove = useChange({ send: () => write("DELETE", `/assemblies/${assembly.id}`), stale });
  if (assembly.state === "queued" || assembly.state === "running")
    return (
      <ProgressBar
        name={`Putting ${assembly.title} together`}
        share={assembly.progress}
        stage={assembly.state === "queued" ? "waiting for its turn" : "putting it together"}
      />
    );
  const problem = assembly.error ?? start.error?.message;
  return (
    <>
      {problem ? <Failure error={new Error(problem)} /> : <span className="text-ink-2">not put together yet</span>}
      <Button onClick={() => start.mutate()}>{assembly.state === "failed" ? words.tryAgain : "Put it together"}</Button>
      <Ask
        small
        title={`Delete “${assembly.title}”?`}
        description="Its files go with it. This can't be undone; they can be dropped again."
        action={words.delete}
        onYes={() => remove.mutate()}
      >
        {words.delete}
      </Ask>
    </>
  );
}
