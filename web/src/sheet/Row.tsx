import { useRef, type MouseEvent, type PointerEvent, type ReactNode } from "react";
import { usePlayer } from "../player/context";
import { useSheet } from "./context";

interface RowProps {
  height: number;
  label?: ReactNode;
  children?: ReactNode;
  /** A click on the paper goes there in the recording. */
  seeks?: boolean;
  /** A click on the paper picks what is there, in seconds. */
  onPick?: (seconds: number) => void;
  /** Dragging over bars loops them. */
  loops?: boolean;
  /** It stays at the top while the rows below it are scrolled. */
  stays?: boolean;
}

/** So far a hand may tremble before a click is a drag, in pixels. */
const TREMOR = 8;

/** One row of the sheet: its name on the left, bars to the right. */
export function Row({ height, label, children, seeks = false, onPick, loops = false, stays = false }: RowProps) {
  const { geometry } = useSheet();
  const player = usePlayer();
  const drag = useDragging(loops);
  const secondsAt = (event: MouseEvent<HTMLDivElement>) =>
    geometry.timeOfX(event.clientX - event.currentTarget.getBoundingClientRect().left);
  return (
    <div
      className={`flex [contain:layout_style] ${stays ? "sticky top-0 z-20 bg-sheet" : "relative"}`}
      style={{ height }}
    >
      <div className="sticky left-0 z-10 w-labels shrink-0 bg-sheet pl-4">{label}</div>
      {/* A pointer goes where it points; keys have the bar keys of playback and the commands of the sheet. */}
      {/* eslint-disable-next-line jsx-a11y/click-events-have-key-events, jsx-a11y/no-static-element-interactions */}
      <div
        className={`relative shrink-0 ${seeks ? "cursor-crosshair" : ""} ${loops ? "touch-none select-none" : ""}`}
        style={{ width: geometry.width }}
        data-seek={seeks || undefined}
        data-testid={loops ? "ruler" : undefined}
        {...drag.handlers}
        onClick={(event) => {
          if (drag.dragged() || (event.target instanceof Element && event.target.closest("button"))) return;
          if (onPick) onPick(secondsAt(event));
          else if (seeks) player.seek(secondsAt(event));
        }}
      >
        {children}
      </div>
    </div>
  );
}

/** A drag over bars becomes a loop; the click at its end is swallowed. */
function useDragging(loops: boolean) {
  const { geometry } = useSheet();
  const player = usePlayer();
  const from = useRef<number | null>(null);
  const moved = useRef(false);
  const xOf = (event: PointerEvent<HTMLDivElement>) => event.clientX - event.currentTarget.getBoundingClientRect().left;
  const barAt = (x: number) => Math.min(Math.max(1, Math.floor(x / geometry.barWidth) + 1), geometry.bars.length);
  if (!loops) return { handlers: {}, dragged: () => false };
  return {
    dragged: () => moved.current,
    handlers: {
      onPointerDown: (event: PointerEvent<HTMLDivElement>) => {
        from.current = xOf(event);
        moved.current = false;
      },
      onPointerMove: (event: PointerEvent<HTMLDivElement>) => {
        if (from.current === null || Math.abs(xOf(event) - from.current) < TREMOR) return;
        if (!moved.current) event.currentTarget.setPointerCapture(event.pointerId);
        moved.current = true;
        const bars = [barAt(from.current), barAt(xOf(event))];
        const loop = { first: Math.min(...bars), last: Math.max(...bars) };
        const now = player.snapshot().loop;
        if (now?.first !== loop.first || now.last !== loop.last) player.setLoop(loop);
      },
      onPointerUp: () => {
        from.current = null;
      },
    },
  };
}
