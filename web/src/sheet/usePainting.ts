import { useMutation, useQueryClient } from "@tanstack/react-query";
import { useRef, useState, type PointerEvent } from "react";
import { write } from "../api/client";
import type { Reading } from "../api/types";
import { useSheet } from "./context";

interface Stroke {
  from: number;
  to: number;
}

/** Dragging paints a run of bars with the brush; the cells follow at once, the store when the hand lifts. */
export function usePainting(reading: Reading) {
  const { geometry, brush, select, page } = useSheet();
  const client = useQueryClient();
  const [stroke, setStroke] = useState<Stroke | null>(null);
  const start = useRef<number | null>(null);
  const save = useMutation({
    mutationFn: (run: { first_bar: number; last_bar: number; level: number }) =>
      write("POST", `/readings/${reading.id}/cells`, run),
    onSettled: async () => {
      await client.invalidateQueries({ queryKey: ["reference", page.reference.id] });
      setStroke(null);
    },
  });
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
        select({ kind: "ownLayer", id: reading.id });
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
        save.mutate({ first_bar: Math.min(start.current, bar), last_bar: Math.max(start.current, bar), level: brush });
        start.current = null;
      },
    },
  };
}
