import { useRef, useState, type PointerEvent } from "react";
import { useSheet } from "./context";

interface Stroke {
  from: number;
  to: number;
}

/** Dragging paints a run of bars with the brush; the cells follow at once, the store when the hand lifts. */
export function usePainting(id: number) {
  const { geometry, brush, select, edits } = useSheet();
  const [stroke, setStroke] = useState<Stroke | null>(null);
  const start = useRef<number | null>(null);
  const save = async (run: { first_bar: number; last_bar: number; level: number }) => {
    await edits.patch(`${id}/cells`, run);
    setStroke(null);
  };
  const barAt = (event: PointerEvent<SVGSVGElement>) => {
    const x = event.clientX - event.currentTarget.getBoundingClientRect().left;
    return Math.min(Math.max(1, Math.floor(x / geometry.barWidth) + 1), geometry.bars.length);
  };
  return {
    shown: (levels: number[]) =>
      stroke
        ? levels.map((level, index) => (index + 1 >= stroke.from && index + 1 <= stroke.to ? brush : level))
        : levels,
    handlers: {
      onPointerDown: (event: PointerEvent<SVGSVGElement>) => {
        event.currentTarget.setPointerCapture(event.pointerId);
        select({ kind: "ownLayer", id });
        start.current = barAt(event);
        setStroke({ from: start.current, to: start.current });
      },
      onPointerMove: (event: PointerEvent<SVGSVGElement>) => {
        if (start.current === null) return;
        const bar = barAt(event);
        setStroke({ from: Math.min(start.current, bar), to: Math.max(start.current, bar) });
      },
      onPointerUp: (event: PointerEvent<SVGSVGElement>) => {
        if (start.current === null) return;
        const bar = barAt(event);
        void save({ first_bar: Math.min(start.current, bar), last_bar: Math.max(start.current, bar), level: brush });
        start.current = null;
      },
    },
  };
}
