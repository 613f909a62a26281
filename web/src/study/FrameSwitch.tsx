import { lazy, Suspense, useState } from "react";
import type { Study } from "../api/types";
import { useCommands } from "../app/commands";
import { useTold } from "../app/frame";
import { Segmented } from "../components/Segmented";

const EditStudy = lazy(() => import("./EditStudy").then((module) => ({ default: module.EditStudy })));

/** Why the study is asked for a tempo or a key. */
const AS_MINE =
  "As mine tells every song in the tempo and key of your new track, and this study does not say them yet. Fill in at least one of them, or the meter.";

const CHOICES = [
  { value: "theirs", name: "as theirs", hint: "In the tempo and key of each song" },
  { value: "mine", name: "as mine", hint: "In the tempo and key of the new track" },
] as const;

export const wantsSomething = (study: Study) => Boolean(study.target_bpm ?? study.target_tonic ?? study.target_meter);

/** Everything as theirs, or in the tempo and key of the new track. Where those are open, asking for them comes first. */
export function FrameSwitch({ study }: { study: Study }) {
  const [as, tell] = useTold(study.id);
  const [editing, setEditing] = useState<false | "study" | "mine">(false);
  const choose = (next: "theirs" | "mine") => {
    if (next === "mine" && !wantsSomething(study)) setEditing("mine");
    else tell(next);
  };
  const other = as === "mine" ? "theirs" : "mine";
  useCommands([
    { key: "v", name: "as theirs, or as mine", group: "Anywhere", run: () => choose(other) },
    { name: "edit the study: tempo, key, scope", group: "Anywhere", run: () => setEditing("study") },
  ]);
  return (
    <>
      <span className="hidden mid:block">
        <Segmented label="Everything is shown" choices={CHOICES} value={as} onChange={choose} />
      </span>
      <button
        type="button"
        title={`Told as ${as}; press for as ${other}`}
        onClick={() => choose(other)}
        className="w-full rounded-sm border border-firm py-1 text-11 hover:bg-wash mid:hidden"
      >
        {as}
      </button>
      <Suspense>
        {editing && (
          <EditStudy
            study={study}
            open
            {...(editing === "mine" && { why: AS_MINE })}
            onClose={() => setEditing(false)}
          />
        )}
      </Suspense>
    </>
  );
}
