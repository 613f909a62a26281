import { ISOLATION_NAMES } from "./isolation";
import { Ear, Pause, Play, Repeat } from "lucide-react";
import { Slider } from "radix-ui";
import { useState } from "react";
import { useCommands } from "../app/commands";
import { clock, figure, percent, plural } from "../lib/format";
import { usePlayer, usePlayerState, usePlayTime } from "./context";
import { ListeningStrip } from "./ListeningStrip";
import type { PlayerState } from "./Player";
import { sectionName } from "../lib/sections";

/** The bottom edge: play, where it is in bars and beats, the section, the loop, and how loud. */
export function Transport() {
  const state = usePlayerState();
  const [listening, setListening] = useState(false);
  useCommands([
    {
      key: "p",
      name: "how it is heard: parts, speed, pitch",
      group: "Listening",
      run: () => setListening((on) => !on),
    },
  ]);
  return (
    <>
      {listening && state.track && <ListeningStrip />}
      <Bar state={state} listening={listening} onListen={() => setListening((on) => !on)} />
    </>
  );
}

interface BarProps {
  state: PlayerState;
  listening: boolean;
  onListen: () => void;
}

function Bar({ state, listening, onListen }: BarProps) {
  const player = usePlayer();
  return (
    <footer aria-label="Playback" className="flex h-11 shrink-0 items-stretch border-t border-firm bg-paper">
      <div className="flex w-[48px] items-center gap-3 border-r border-rule px-2 mid:w-nav mid:px-4">
        <button
          type="button"
          aria-label={state.playing ? "Pause" : "Play"}
          disabled={!state.track}
          onClick={() => player.toggle()}
          className="grid size-7 shrink-0 place-items-center rounded-full border-[1.5px] border-ink disabled:border-dotted disabled:border-ink-3 disabled:text-ink-3"
        >
          {state.playing ? (
            <Pause size={13} fill="currentColor" strokeWidth={0} />
          ) : (
            <Play size={13} fill="currentColor" strokeWidth={0} className="ml-0.5" />
          )}
        </button>
        <div className="hidden grow items-baseline justify-between mid:flex">
          <Position />
        </div>
      </div>
      <div className="flex w-[118px] items-baseline justify-between border-r border-rule px-3 pt-3 mid:hidden">
        <Position />
      </div>
      <Place state={state} />
      <LoopNote state={state} />
      <div className="grow" />
      {state.error && (
        <p role="alert" className="flex max-w-[420px] items-center px-4 text-conflict">
          {state.error}
        </p>
      )}
      <button
        type="button"
        aria-expanded={listening}
        disabled={!state.track}
        onClick={onListen}
        className={`flex items-center gap-2 border-l border-rule px-4 text-ink-2 hover:bg-wash max-small:px-2 ${listening ? "bg-wash" : ""}`}
      >
        <Ear size={14} aria-hidden />
        <span>{state.loading ? "loading the sound" : heardAs(state)}</span>
      </button>
      <label className="flex items-center gap-3 border-l border-rule px-4 text-ink-2 max-small:px-2">
        <span className="max-mid:sr-only">Volume</span>
        <Slider.Root
          min={0}
          max={100}
          step={1}
          value={[Math.round(state.volume * 100)]}
          onValueChange={([value]) => player.setVolume((value ?? 0) / 100)}
          className="relative flex h-5 w-24 touch-none items-center max-small:w-14"
        >
          <Slider.Track className="relative h-1 grow bg-deep">
            <Slider.Range className="absolute h-full bg-ink-2" />
          </Slider.Track>
          <Slider.Thumb aria-label="Volume" className="block h-3.5 w-1.5 bg-ink" />
        </Slider.Root>
        <span className="figure w-9 text-right max-small:sr-only">{Math.round(state.volume * 100)} %</span>
      </label>
    </footer>
  );
}

/** In words: whole, or which part; speed and pitch where they are not the recording's own. */
function heardAs({ isolation, rate, semitones }: PlayerState): string {
  const speed = rate === 1 ? [] : [percent(rate)];
  const pitch =
    semitones === 0 ? [] : [`${semitones > 0 ? "+" : ""}${figure(semitones, Number.isInteger(semitones) ? 0 : 2)} st`];
  return [ISOLATION_NAMES[isolation], ...speed, ...pitch].join(", ");
}

function Position() {
  const player = usePlayer();
  const time = usePlayTime();
  const { track } = usePlayerState();
  return (
    <>
      <span className="font-mono text-17" data-testid="place">
        {track ? barBeat(player.barAt(time), time, track) : "–"}
      </span>
      <span className="figure text-ink-2">{track ? clock(time, 1) : ""}</span>
    </>
  );
}

function barBeat(
  bar: number,
  time: number,
  track: { bars: { start: number; end: number }[]; beatsPerBar: number },
): string {
  const edges = track.bars[bar - 1];
  if (!edges) return "0.1";
  const share = Math.min(0.999, (time - edges.start + 1e-3) / (edges.end - edges.start));
  return `${bar}.${1 + Math.floor(share * track.beatsPerBar)}`;
}

function Place({ state }: { state: PlayerState }) {
  const player = usePlayer();
  const time = usePlayTime();
  const { track } = state;
  if (!track)
    return <p className="flex items-center px-4 text-ink-3 max-small:sr-only">Open a reference to hear it.</p>;

  const bar = player.barAt(time);
  const section = track.sections.find(
    (candidate) => bar >= candidate.first_bar && bar < candidate.first_bar + candidate.bars,
  );
  return (
    <div className="flex w-[150px] flex-col justify-center border-r border-rule px-4 leading-tight">
      <span className="truncate font-serif text-13 italic">{section ? sectionName(section) : track.title}</span>
      <span className="text-11 text-ink-2">
        {section ? `bar ${bar - section.first_bar + 1} of ${section.bars}` : "before bar 1"}
      </span>
    </div>
  );
}

function LoopNote({ state }: { state: PlayerState }) {
  const player = usePlayer();
  const { loop, track } = state;
  if (!track) return null;
  if (!loop)
    return (
      <p className="hidden items-center px-4 text-11 text-ink-3 mid:flex">
        No loop. Press L to loop the section that plays.
      </p>
    );

  const length = loop.last - loop.first + 1;
  const seconds = (track.bars[loop.last - 1]?.end ?? 0) - (track.bars[loop.first - 1]?.start ?? 0);
  return (
    <div className="flex items-center gap-3 border-r border-rule px-4">
      <Repeat size={15} aria-hidden />
      <p className="leading-tight">
        Loop bars <span className="figure">{`${loop.first}–${loop.last}`}</span>
        <br />
        <span className="text-11 text-ink-2">
          {plural(length, "bar")}, <span className="figure">{seconds.toFixed(1)}</span> s
          <Passes />
        </span>
      </p>
      <button
        type="button"
        onClick={() => player.setLoop(null)}
        className="underline decoration-rule underline-offset-2 hover:bg-wash"
      >
        end loop
      </button>
    </div>
  );
}

/** Which time round it is. */
function Passes() {
  const player = usePlayer();
  usePlayTime();
  const { passes, playing } = usePlayerState();
  if (!playing) return null;
  return (
    <>
      , time <span className="figure">{passes === null ? player.pass + 1 : `${player.pass + 1} of ${passes}`}</span>
    </>
  );
}
