import { useQuery } from "@tanstack/react-query";
import { Printer } from "lucide-react";
import { Link } from "react-router";
import { soundsQuery, studyQuery } from "../api/queries";
import type { Have, SoundRow } from "../api/types";
import { Button } from "../components/Button";
import { Failure, Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { percent, plural, signs } from "../lib/format";
import { useStudyId } from "./params";

const GROUPS: { have: Have | null; title: string; next: string }[] = [
  { have: "need", title: "To find", next: "Look for these next, the ones that lead first." },
  { have: "substitute", title: "Substituted", next: "Good enough for now; what each lacks is written down." },
  { have: "have", title: "At hand", next: "Nothing to do." },
  { have: null, title: "Not settled", next: "Say on its card whether you have it." },
];
/** What stems tell of layers whose card nobody has filled. */
const MEASURED = {
  title: "Measured on stems",
  next: "Open the layer to describe its sound and say whether you have it.",
};

/** All sounds over all layers of a study, by whether they are at hand. */
export function SoundsScreen() {
  const studyId = useStudyId();
  const { data: study } = useQuery(studyQuery(studyId));
  const { data: sounds, error } = useQuery(soundsQuery(studyId));
  return (
    <>
      <PageHead title="Sounds" remark={study?.study.title ?? null}>
        {sounds && (
          <span className="text-ink-2">
            {plural(sounds.filter((sound) => sound.reading_id !== null).length, "layer card")}
          </span>
        )}
        {sounds && sounds.length > 0 && (
          <Link
            to={`/studies/${studyId}/reckoner?${new URLSearchParams({ sentence: "costs", sounds: costsOf(sounds) }).toString()}`}
            className="underline decoration-firm underline-offset-2 print:hidden"
          >
            What they cost
          </Link>
        )}
        <Button className="print:hidden" onClick={() => window.print()}>
          <Printer size={13} /> Print
        </Button>
      </PageHead>
      <div className="min-h-0 grow overflow-auto bg-sheet px-4 pb-6 scroll-quiet print:overflow-visible">
        {error && <Failure error={error} />}
        {sounds?.length === 0 && (
          <Notice
            action={
              <Link to={`/studies/${studyId}`} className="underline">
                To the study
              </Link>
            }
          >
            No layer has a card yet. Add stems to a song and their sounds stand here as measured, or open a layer and
            fill its card.
          </Notice>
        )}
        {sounds &&
          GROUPS.map((group) => (
            <Group
              key={group.title}
              {...group}
              sounds={sounds.filter((sound) => sound.reading_id !== null && (sound.card.have ?? null) === group.have)}
              studyId={studyId}
            />
          ))}
        {sounds && (
          <Group {...MEASURED} sounds={sounds.filter((sound) => sound.reading_id === null)} studyId={studyId} />
        )}
      </div>
    </>
  );
}

/** Every sound that is to be found, with the price of its first candidate or who lends it, as the reckoner reads it. */
function costsOf(sounds: SoundRow[]): string {
  return sounds
    .filter(({ card, reading_id: written }) => written !== null && card.have !== "have")
    .map(({ name, card }) => {
      const cost = card.candidates?.find((candidate) => candidate.cost)?.cost ?? "";
      return `${name.replace(/[,;:]/g, " ")}: ${cost.replace(/[,;]/g, " ")}`.trim();
    })
    .join(", ");
}

interface GroupProps {
  title: string;
  next: string;
  sounds: SoundRow[];
  studyId: number;
}

function Group({ title, next, sounds, studyId }: GroupProps) {
  if (sounds.length === 0) return null;
  return (
    <section className="pt-4" aria-label={title}>
      <h2 className="flex items-baseline gap-3 border-b border-firm pb-1.5">
        <span className="font-serif text-18">{title}</span>
        <span className="figure text-ink-2">{sounds.length}</span>
        <span className="text-ink-2">{next}</span>
      </h2>
      <table className="w-full table-fixed border-collapse text-left max-small:block max-small:[&_tbody]:block">
        <colgroup>
          <col className="w-[21%]" />
          <col className="w-[25%]" />
          <col className="w-[32%]" />
          <col className="w-[22%]" />
        </colgroup>
        <thead className="text-11 text-ink-2 max-small:sr-only">
          <tr>
            {["layer", "sound", "what could play it", title === "Substituted" ? "what is lost" : "register, stack"].map(
              (name) => (
                <th key={name} scope="col" className="pt-1.5 pr-4 font-normal">
                  {name}
                </th>
              ),
            )}
          </tr>
        </thead>
        <tbody>
          {sounds.map((sound) => (
            <Sound
              key={sound.reading_id ?? `${sound.reference_id} ${sound.name}`}
              sound={sound}
              studyId={studyId}
              lost={title === "Substituted"}
            />
          ))}
        </tbody>
      </table>
    </section>
  );
}

function Sound({ sound, studyId, lost }: { sound: SoundRow; studyId: number; lost: boolean }) {
  const { card } = sound;
  const stack = (card.stack ?? []).map((part) => `${part.gives}: ${part.text}`);
  const last = lost
    ? (card.lost ?? "not said")
    : [signs(card.register ?? ""), card.stacked ? `${card.stacked} stacked` : "", ...stack].filter(Boolean).join(", ");
  return (
    <tr className="border-b border-faint align-top max-small:grid max-small:grid-cols-2">
      <td className="py-2 pr-4">
        <Link
          to={`/studies/${studyId}/references/${sound.reference_id}/layers`}
          className="font-serif text-15 hover:underline"
        >
          {sound.name}
        </Link>
        <span className="block text-11 text-ink-2">
          {[sound.role, sound.song, card.shared && `“${card.shared}”`].filter(Boolean).join(", ")}
        </span>
      </td>
      <td className="py-2 pr-4">{card.sound || <span className="text-ink-3">not described</span>}</td>
      <td className="py-2 pr-4">
        {(card.candidates ?? []).length === 0 && <span className="text-ink-3">no candidate</span>}
        <ul>
          {(card.candidates ?? []).map((candidate) => (
            <li key={candidate.text}>
              {candidate.text}
              <span className="text-11 text-ink-2">
                {[
                  candidate.source,
                  candidate.sure === null || candidate.sure === undefined ? "" : `${percent(candidate.sure)} sure`,
                  candidate.cost,
                  candidate.live ? "playable live" : "",
                ]
                  .filter(Boolean)
                  .map((text) => `, ${text}`)
                  .join("")}
              </span>
            </li>
          ))}
        </ul>
      </td>
      <td className="py-2">{last || <span className="text-ink-3">not said</span>}</td>
    </tr>
  );
}
