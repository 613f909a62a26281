import { write } from "../api/client";
import { keys } from "../api/keys";
import type { Standing } from "../api/types";
import { useChange } from "../app/useChange";

const STANDINGS: Record<Standing, string> = {
  core: "core",
  side: "side, half",
  counter: "not this",
  aside: "set aside",
};

/** How songs count in the profile of a study. */
export function useStanding(studyId: number) {
  return useChange({
    send: ({ id, standing }: { id: number; standing: Standing }) => write("PATCH", `/references/${id}`, { standing }),
    stale: [keys.profile(studyId), keys.study(studyId)],
  });
}

interface StandingSelectProps {
  title: string;
  standing: Standing;
  onChange: (standing: Standing) => void;
}

export function StandingSelect({ title, standing, onChange }: StandingSelectProps) {
  return (
    <select
      aria-label={`How ${title} counts`}
      title="How it counts; a sets it aside"
      value={standing}
      onChange={(event) => onChange(event.target.value as Standing)}
      onKeyDown={(event) => {
        if (event.key !== "a") return;
        event.preventDefault();
        onChange("aside");
      }}
      className="h-5 w-[74px] shrink-0 rounded-sm border border-transparent bg-transparent text-11 text-ink-2 hover:border-firm"
    >
      {Object.entries(STANDINGS).map(([value, name]) => (
        <option key={value} value={value}>
          {name}
        </option>
      ))}
    </select>
  );
}
