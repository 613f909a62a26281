import { useCallback, useRef } from "react";
import { usePlayer, usePlayerState, usePlayhead } from "../player/context";
import { useSheet } from "./context";

/** The playhead and the looped bars, over all rows. */
export function Playing({ keepInView }: { keepInView: (x: number) => void }) {
  const { page, geometry } = useSheet();
  const { track, loop, playing } = usePlayerState();
  const player = usePlayer();
  const line = useRef<HTMLDivElement>(null);
  const move = useCallback(
    (seconds: number) => {
      const x = geometry.xOfTime(seconds);
      if (line.current) line.current.style.transform = `translateX(${x}px)`;
      if (player.snapshot().playing) keepInView(x);
    },
    [geometry, keepInView, player],
  );
  usePlayhead(move);
  if (track?.id !== page.reference.id) return null;

  return (
    <div aria-hidden className="pointer-events-none absolute top-5 bottom-0 left-labels">
      {loop && (
        <div
          className="absolute top-3 bottom-0 border-x border-t-2 border-ink bg-wash"
          style={{ left: geometry.xOfBar(loop.first), width: (loop.last - loop.first + 1) * geometry.barWidth }}
        />
      )}
      <div ref={line} data-testid="playhead" data-playing={playing} className="absolute top-[25px] bottom-0 w-0">
        <div className="absolute top-0 bottom-0 -left-[0.75px] w-[1.5px] bg-select" />
      </div>
    </div>
  );
}
