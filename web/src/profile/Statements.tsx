import type { Profile } from "../api/types";

/** What holds across the songs, in sentences, each with how many of how many. */
export function Statements({ profile }: { profile: Profile }) {
  if (profile.statements.length === 0)
    return (
      <p className="border-b border-firm px-4 py-3 font-serif text-15 text-ink-2">
        One song says what it does, not what it has in common; add another.
      </p>
    );
  return (
    <ul aria-label="What holds across the songs" className="flex shrink-0 divide-x divide-rule border-b border-firm">
      {profile.statements.map((statement) => (
        <li key={statement.aspect} className="flex min-w-0 flex-1 flex-col px-3 pt-2 pb-2.5 first:pl-4">
          <span className="text-ink-2">{statement.aspect}</span>
          <span className="font-serif text-15 leading-[19px]">{statement.text}</span>
          <span className="mt-auto pt-1.5 text-measured">
            <span className="figure">{`${statement.n} of ${statement.m}`}</span> songs
          </span>
        </li>
      ))}
    </ul>
  );
}
