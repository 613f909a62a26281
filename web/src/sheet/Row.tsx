import type { ReactNode } from "react";
import { usePlayer } from "../player/context";
import { useSheet } from "./context";

interface RowProps {
  height: number;
  label?: ReactNode;
  children?: ReactNode;
  /** A click on the paper goes there in the recording. */
  seeks?: boolean;
}

/** One row of the sheet: its name on the left, bars to the right. */
export function Row({ height, label, children, seeks = false }: RowProps) {
  const { geometry } = useSheet();
  const player = usePlayer();
  return (
    <div className="relative flex" style={{ height }}>
      <div className="sticky left-0 z-10 w-[108px] shrink-0 bg-sheet pl-4">{label}</div>
      <div
        className={`relative shrink-0 ${seeks ? "cursor-crosshair" : ""}`}
        style={{ width: geometry.width }}
        data-seek={seeks || undefined}
        onClick={(event) => {
          if (!seeks || (event.target instanceof Element && event.target.closest("button"))) return;
          player.seek(geometry.timeOfX(event.clientX - event.currentTarget.getBoundingClientRect().left));
        }}
      >
        {children}
      </div>
    </div>
  );
}
