import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { reckonedQuery } from "../api/queries";
import type { Blank, Calculator, Reckoned } from "../api/types";
import { Button } from "../components/Button";
import { usePlayer, usePlayerState } from "../player/context";
import { asText, emptied, firstWords, partsOf, unnamed } from "./sentence";
import { PinTo } from "./PinTo";

interface SentenceProps {
  calculator: Calculator;
  known: Record<string, string>;
  open: boolean;
  onOpen: () => void;
  studyId: number | null;
}

/** A sentence with blanks; open, they can be filled and what it comes to stands below. */
export function Sentence({ calculator, known, open, onOpen, studyId }: SentenceProps) {
  const first = firstWords(calculator, known);
  return (
    <li id={`sentence-${calculator.id}`} className="border-b border-faint py-1.5">
      <button
        type="button"
        aria-expanded={open}
        onClick={onOpen}
        className="grid w-full grid-cols-[220px_1fr] items-baseline gap-4 py-0.5 text-left hover:bg-wash max-mid:grid-cols-1 max-mid:gap-0"
      >
        <span className="font-medium">{calculator.name}</span>
        <span className="font-serif text-15 text-ink-2">
          {partsOf(calculator.sentence).map((part, index) =>
            "words" in part ? (
              <span key={index}>{part.words}</span>
            ) : (
              <span key={index} className="border-b border-firm px-0.5 text-ink">
                {first[part.blank]?.trim() || "\u2003\u2003"}
              </span>
            ),
          )}
        </span>
      </button>
      {open && <Opened calculator={calculator} first={first} studyId={studyId} />}
    </li>
  );
}

function Opened({
  calculator,
  first,
  studyId,
}: {
  calculator: Calculator;
  first: Record<string, string>;
  studyId: number | null;
}) {
  const [written, setWritten] = useState(first);
  const [order, setOrder] = useState<string[]>([]);
  const { data } = useQuery({ ...reckonedQuery(calculator.id, written), placeholderData: (before) => before });
  const fill = (name: string, text: string) => {
    setWritten((before) => emptied(calculator, before, name, text, order));
    setOrder((before) => [...before.filter((other) => other !== name), name]);
  };
  const blanks = new Map(calculator.blanks.map((blank) => [blank.name, blank]));
  const gap = (name: string) => {
    const blank = blanks.get(name);
    if (!blank) return null;
    return (
      <Gap
        key={name}
        blank={blank}
        value={written[name] ?? ""}
        worked={data?.reckoned?.filled[name]}
        onChange={(text) => fill(name, text)}
      />
    );
  };
  return (
    <div className="my-2 margin-stroke-l border-l-select bg-paper px-4 py-3">
      <p className="font-serif text-18 leading-[2.1]">
        {partsOf(calculator.sentence).map((part, index) =>
          "words" in part ? <span key={index}>{part.words}</span> : gap(part.blank),
        )}{" "}
        {unnamed(calculator).map((name) => (
          <span key={name} className="ml-3 text-15 text-ink-2">
            {blanks.get(name)?.about.toLowerCase()} {gap(name)}
          </span>
        ))}
      </p>
      {data?.problem && (
        <p role="alert" className="mt-2 margin-stroke-l border-conflict pl-2 text-conflict">
          {data.problem}
        </p>
      )}
      {data?.reckoned && (
        <Result reckoned={data.reckoned} calculator={calculator} written={written} studyId={studyId} />
      )}
    </div>
  );
}

interface GapProps {
  blank: Blank;
  value: string;
  worked: string | undefined;
  onChange: (text: string) => void;
}

/** A blank: written by hand, or, left empty, showing what was worked out. */
function Gap({ blank, value, worked, onChange }: GapProps) {
  const look =
    "mx-0.5 h-8 border-0 border-b-2 border-firm bg-sheet px-1.5 text-center font-mono text-15 placeholder:text-measured focus:border-select";
  const hint = worked ?? blank.usual ?? "";
  const size = Math.max(4, Math.min(40, (value || hint).length + 2));
  return (
    <span className="whitespace-nowrap">
      {blank.choices ? (
        <select
          aria-label={blank.about}
          value={value}
          onChange={(event) => onChange(event.target.value)}
          className={look}
        >
          {blank.choices.map((choice) => (
            <option key={choice}>{choice}</option>
          ))}
        </select>
      ) : (
        <input
          aria-label={`${blank.about}${blank.unit && `, ${blank.unit}`}${blank.open ? ", worked out when empty" : ""}`}
          title={blank.open ? `${blank.about}: worked out when it is left empty` : blank.about}
          value={value}
          placeholder={hint}
          size={size}
          onChange={(event) => onChange(event.target.value)}
          className={look}
        />
      )}
    </span>
  );
}

interface ResultProps {
  reckoned: Reckoned;
  calculator: Calculator;
  written: Record<string, string>;
  studyId: number | null;
}

function Result({ reckoned, calculator, written, studyId }: ResultProps) {
  return (
    <>
      <table
        className="mt-3 w-full max-w-[820px] border-collapse text-left"
        aria-label={`What ${calculator.name} comes to`}
      >
        <tbody>
          {reckoned.lines.map(({ name, figure, note }, index) => (
            <tr
              key={`${index} ${name}`}
              className="border-t border-faint align-baseline max-small:grid max-small:grid-cols-[2fr_3fr] max-small:pb-1"
            >
              <th scope="row" className="w-[230px] py-1 pr-4 font-normal text-ink-2 max-small:w-auto">
                {name}
              </th>
              <td className="py-1 pr-4 font-mono text-13 text-measured">{figure}</td>
              <td className="py-1 text-ink-2 max-small:col-start-2 max-small:py-0">{note}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {reckoned.warnings.map((warning) => (
        <p key={warning} className="mt-2 margin-stroke-l border-conflict pl-2 text-conflict">
          {warning}
        </p>
      ))}
      <p className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2 text-ink-2">
        <span>{`Rounded: ${reckoned.rounding}`}</span>
        <Copy text={asText(reckoned)} />
        {reckoned.sound && <HearSo sound={reckoned.sound} />}
        {studyId !== null && <PinTo studyId={studyId} calculator={calculator.id} written={written} />}
      </p>
    </>
  );
}

function Copy({ text }: { text: string }) {
  const [done, setDone] = useState(false);
  return (
    <Button
      onClick={() => {
        void navigator.clipboard.writeText(text).then(() => setDone(true));
      }}
    >
      {done ? "Copied" : "Copy"}
    </Button>
  );
}

/** What is in the player, at that speed and pitch. */
function HearSo({ sound }: { sound: { rate: number; semitones: number } }) {
  const player = usePlayer();
  const { track, rate } = usePlayerState();
  if (!track) return null;
  const possible = sound.rate >= 0.5 && sound.rate <= 2 && Math.abs(sound.semitones) <= 12;
  return (
    <Button
      disabled={!possible}
      title={
        possible
          ? `Play “${track.title}” at that speed and pitch`
          : "Speeds from half to double and an octave each way can be heard"
      }
      onClick={() => {
        if (Math.abs(rate - sound.rate) < 1e-3) {
          player.setRate(1);
          player.setSemitones(0);
          return;
        }
        player.setRate(sound.rate);
        player.setSemitones(sound.semitones);
        if (!player.snapshot().playing) player.toggle();
      }}
    >
      {Math.abs(rate - sound.rate) < 1e-3 ? "Back to normal" : `Play “${track.title}” like that`}
    </Button>
  );
}
