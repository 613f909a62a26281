import { Check } from "lucide-react";
import { Checkbox } from "radix-ui";
import type { Claim, Profile } from "../api/types";
import { SongCells } from "../components/Ink";
import { percent, plural } from "../lib/format";
import { Panel } from "./Panel";
import { SharePlot, ShareAxis } from "./SharePlot";
import { words } from "../words/words";

interface ClaimTableProps {
  profile: Profile;
  chosen: ReadonlySet<string>;
  onChoose: (id: string, chosen: boolean) => void;
}

const NOTES = { own: "", common: "as in most music", few: "too few songs to tell" } as const;

/** What a clear majority of the songs has, what tells them from other music first; each can be ticked to become a target. */
export function ClaimTable({ profile, chosen, onChoose }: ClaimTableProps) {
  const said = profile.claims.filter((claim) => claim.said);
  const rest = profile.claims.filter((claim) => !claim.said);
  if (profile.claims.length === 0)
    return (
      <p className="py-3 font-serif text-15 text-ink-2">
        One song says what it does, not what songs have in common; add another.
      </p>
    );
  const { name, songs } = profile.baseline;
  const baseline = name === "generated songs" ? `${songs} ${name}` : `${plural(songs, "song")}: ${name}`;
  return (
    <Panel
      title="What holds across the songs"
      aside={`a bar: the share of the songs and where it may lie; an upright: of ${baseline}`}
    >
      <table className="w-full table-fixed text-left max-small:min-w-[760px]">
        <Columns />
        <thead className="text-ink-2">
          <tr className="border-b border-rule">
            <th scope="col">
              <span className="sr-only">Turn into a target</span>
            </th>
            <th scope="col" className="font-normal">
              {words.trait}
            </th>
            <th scope="col" className="font-normal">
              Songs
            </th>
            <th scope="col" className="font-normal">
              <span className="sr-only">Share of the songs</span>
              <ShareAxis />
            </th>
            <th scope="col" className="text-right font-normal">
              {words.inOtherMusic}
            </th>
            <th scope="col" className="pl-4 font-normal">
              <span className="sr-only">Remark</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {said.map((claim) => (
            <Row key={claim.id} claim={claim} chosen={chosen.has(claim.id)} onChoose={onChoose} />
          ))}
        </tbody>
      </table>
      {rest.length > 0 && (
        <details className="mt-1.5">
          <summary className="cursor-pointer text-ink-2 underline decoration-firm underline-offset-2">
            {`${rest.length} more that most music has too, or that are not sure enough to say`}
          </summary>
          <table className="mt-1 w-full table-fixed text-left">
            <Columns />
            <tbody>
              {rest.map((claim) => (
                <Row key={claim.id} claim={claim} chosen={chosen.has(claim.id)} onChoose={onChoose} />
              ))}
            </tbody>
          </table>
        </details>
      )}
    </Panel>
  );
}

function Columns() {
  return (
    <colgroup>
      {["w-[24px]", "", "w-[150px]", "w-[210px]", "w-[68px]", "w-[150px]"].map((width, index) => (
        <col key={index} className={width} />
      ))}
    </colgroup>
  );
}

interface RowProps {
  claim: Claim;
  chosen: boolean;
  onChoose: ClaimTableProps["onChoose"];
}

function Row({ claim, chosen, onChoose }: RowProps) {
  const doubtful = claim.sure !== null && claim.sure < 0.95;
  return (
    <tr className={`border-b border-faint ${chosen ? "bg-paper" : "hover:bg-wash"}`}>
      <td className="h-[23px]">
        <Checkbox.Root
          aria-label={`Turn into a target: ${claim.words}`}
          checked={chosen}
          onCheckedChange={(checked) => onChoose(claim.id, checked === true)}
          className="grid size-box place-items-center border border-firm bg-sheet data-[state=checked]:border-confirmed"
        >
          <Checkbox.Indicator>
            <Check size={13} strokeWidth={3} className="text-confirmed" />
          </Checkbox.Indicator>
        </Checkbox.Root>
      </td>
      <td className="truncate pr-3 font-serif text-15 leading-none" title={claim.words}>
        {claim.words}
      </td>
      <td>
        <SongCells songs={claim.songs.map((song) => song === true)} label={`${claim.n} of ${claim.m}`} />
      </td>
      <td>
        <SharePlot claim={claim} />
      </td>
      <td className="text-right figure text-ink-2">{claim.elsewhere === null ? "–" : percent(claim.elsewhere)}</td>
      <td className="truncate pl-4 text-ink-2">
        {doubtful ? `${percent(claim.sure ?? 0)} sure` : NOTES[claim.standing]}
      </td>
    </tr>
  );
}
