import { useRef, useState } from "react";
import type { StemRow } from "../../api/types";
import { Ask } from "../../components/Ask";
import { Button } from "../../components/Button";
import { FileButton, SCORE_FILES, SOUND_FILES } from "../../components/FileButton";
import { Failure } from "../../components/Notice";
import { SmallField } from "../../components/SmallField";
import { figure, plural } from "../../lib/format";
import { ROLES } from "../../api/contract";
import { STEM_EXTRAS } from "../../api/contract";
import { useSheet } from "../context";
import { useSources, type Change } from "../useSources";
import { CardHead } from "../card/CardHead";
import { Part } from "../card/Part";
import { TEXT } from "../card/text";
import { ScoreSource } from "./ScoreSource";

/** What tells of the song besides its mix: stems and a MIDI file, how they lie over it, and what went wrong. */
export function SourcesCard() {
  const { page, analysis } = useSheet();
  const { sending, refused, send, change } = useSources(page.reference);
  const led = Object.entries(analysis.told_by).filter(([, source]) => source !== "mix");
  return (
    <>
      <CardHead
        caption="Sources beside the mix"
        value="Stems and MIDI"
        why="Notes lead, then stems, then the mix; what the others say is kept as an alternative."
      />
      <div className="mt-3 flex flex-wrap items-center gap-2">
        <FileButton
          name="Add stems or MIDI"
          look="solid"
          accept={`${SOUND_FILES},${SCORE_FILES}`}
          label="Stem and MIDI files"
          onFiles={(files) => void send(files)}
        />
        {sending > 0 && (
          <span role="status" className="text-ink-2">
            sending {plural(sending, "file")}
          </span>
        )}
      </div>
      {refused.map(({ name, message }) => (
        <div key={name + message} className="mt-2">
          <Failure error={new Error(name ? `${name}: ${message}` : message)} />
        </div>
      ))}
      <Part title="Stems" aside={page.stems.length > 0 ? plural(page.stems.length, "file") : "none yet"}>
        {page.stems.length === 0 && (
          <p className="text-ink-2">
            Drop the song's parts here, exported from its start; each is measured and laid over the mix.
          </p>
        )}
        <ul className="flex flex-col gap-2.5">
          {page.stems.map((stem) => (
            <Stem key={stem.id} stem={stem} change={change} />
          ))}
        </ul>
      </Part>
      <Part title="MIDI" aside={page.score?.name ?? "none yet"}>
        {page.score ? (
          <ScoreSource score={page.score} change={change} />
        ) : (
          <p className="text-ink-2">A MIDI file of the song tells notes, velocities and lengths exactly.</p>
        )}
      </Part>
      {led.length > 0 && (
        <Part title="Who tells what now">
          <dl className="grid grid-cols-[92px_1fr] gap-y-1">
            {led.map(([what, source]) => (
              <div key={what} className="contents">
                <dt className="text-ink-2">{what}</dt>
                <dd>{source === "midi" ? "the MIDI file" : "a stem"}, before the mix</dd>
              </div>
            ))}
          </dl>
        </Part>
      )}
    </>
  );
}

function Stem({ stem, change }: { stem: StemRow; change: Change }) {
  const path = `/stems/${stem.id}`;
  return (
    <li className="border-b border-faint pb-2.5 last:border-0">
      <div className="grid grid-cols-[1fr_112px] items-center gap-2">
        <span className="truncate font-medium" title={stem.name}>
          {stem.name}
        </span>
        <select
          aria-label={`Role of ${stem.name}`}
          value={stem.role}
          onChange={(event) => void change("PATCH", path, { role: event.target.value })}
          className={TEXT}
        >
          {[...ROLES, ...STEM_EXTRAS].map((role) => (
            <option key={role}>{role}</option>
          ))}
        </select>
      </div>
      {stem.state === "done" && (stem.fits || stem.insisted) && (
        <StemPlace stem={stem} onSet={(seconds) => void change("PATCH", path, { set_offset: seconds })} />
      )}
      <div className="mt-1 flex items-baseline justify-between gap-2 text-11">
        <StemState stem={stem} />
        <span className="flex shrink-0 items-center gap-2">
          {stem.state === "done" && <StemSound stem={stem} />}
          {stem.state === "done" && !stem.fits && (
            <button
              type="button"
              className="underline"
              onClick={() => void change("PATCH", path, { insisted: !stem.insisted })}
            >
              {stem.insisted ? "leave out" : "use it anyway"}
            </button>
          )}
          {stem.state === "failed" && (
            <button type="button" className="underline" onClick={() => void change("POST", `${path}/retry`)}>
              try again
            </button>
          )}
          <Ask
            plain
            name={`Remove ${stem.name}`}
            title={`Remove the stem “${stem.name}”?`}
            description="What it tells of the song goes with it, and the song is analysed again. This can't be undone; the file can be added again."
            action="Remove the stem"
            onYes={() => void change("DELETE", path)}
          >
            remove
          </Ask>
        </span>
      </div>
    </li>
  );
}

/** Where the stem starts in the mix, to be set by hand; an empty field gives the measured place back. */
function StemPlace({ stem, onSet }: { stem: StemRow; onSet: (seconds: number | null) => void }) {
  const [text, setText] = useState(stem.set_offset === null ? "" : String(stem.set_offset));
  const seconds = text.trim() === "" ? null : Number(text.replace(",", "."));
  const fit = seconds === null || Number.isFinite(seconds);
  return (
    <div className="mt-1 flex items-center gap-2 text-11">
      <SmallField
        label="starts at, s"
        inputMode="decimal"
        value={text}
        placeholder={figure(stem.offset ?? 0, 3)}
        aria-label={`Where ${stem.name} starts, in seconds of the mix`}
        onText={setText}
      />
      <Button className="px-2" disabled={!fit || seconds === stem.set_offset} onClick={() => onSet(seconds)}>
        {seconds === null ? "as measured" : "Set"}
      </Button>
    </div>
  );
}

/** Plays the stem alone, from its start. */
function StemSound({ stem }: { stem: StemRow }) {
  const sound = useRef<HTMLAudioElement>(null);
  const [playing, setPlaying] = useState(false);
  const toggle = () => {
    if (playing) sound.current?.pause();
    else void sound.current?.play();
  };
  return (
    <>
      {/* A stem of music has nothing to caption. */}
      {/* eslint-disable-next-line jsx-a11y/media-has-caption */}
      <audio
        ref={sound}
        preload="none"
        src={`/api/stems/${stem.id}/audio`}
        onPlay={() => setPlaying(true)}
        onPause={() => setPlaying(false)}
      />
      <button
        type="button"
        aria-pressed={playing}
        aria-label={`Hear ${stem.name} alone`}
        className="underline"
        onClick={toggle}
      >
        {playing ? "stop" : "hear it"}
      </button>
    </>
  );
}

function StemState({ stem }: { stem: StemRow }) {
  switch (stem.state) {
    case "queued":
      return <span className="text-ink-2">waits to be measured</span>;
    case "running":
      return (
        <span className="text-ink-2">
          <span className="figure">{Math.round(stem.progress * 100)}</span> % measured
        </span>
      );
    case "failed":
      return <span className="text-conflict">{stem.error}</span>;
    case "done":
      return stem.fits || stem.insisted ? (
        <span className="text-ink-2">{placeText(stem)}</span>
      ) : (
        <span className="text-conflict">{stem.error}</span>
      );
  }
}

/** Where a stem lies, and how sure that is. */
function placeText(stem: StemRow): string {
  const offset = stem.set_offset ?? stem.offset ?? 0;
  const place =
    Math.abs(offset) < 0.0005
      ? "from the mix's start"
      : `${figure(Math.abs(offset) * 1000, 0)} ms ${offset > 0 ? "later" : "earlier"} than the mix`;
  const speed =
    Math.abs(stem.speed - 1) < 0.0005
      ? ""
      : `, the mix ${stem.speed > 1 ? "slower" : "faster"} by ${figure(Math.abs(stem.speed - 1) * 100, 1)} %`;
  return place + speed + (stem.fits ? "" : ", set by you");
}
