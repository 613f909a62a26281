import { startTransition, useLayoutEffect, useMemo, useRef, useState, type RefObject } from "react";
import type { BarRun } from "../player/Player";
import type { Geometry } from "./geometry";

/** Which bars are drawn while a long song is scrolled; a change of zoom keeps the bar at the left edge where it is. */
export function useView(area: RefObject<HTMLElement | null>, geometry: Geometry) {
  const [first, setFirst] = useState(1);
  const step = Math.max(1, Math.floor(geometry.shown / 2));
  const all = geometry.shown >= geometry.bars.length;
  const from = all ? 1 : first - step;
  const to = all ? geometry.bars.length : first + geometry.shown + 2 * step;
  // The same bars are the same view, so that nothing is drawn anew for them.
  const view = useMemo<BarRun>(() => ({ first: from, last: to }), [from, to]);

  /** In steps of half a screen, so that the sheet is seldom drawn anew. */
  const onScroll = () => {
    const box = area.current;
    if (!box || all) return;
    const bar = Math.floor(box.scrollLeft / geometry.barWidth);
    startTransition(() => setFirst(1 + Math.floor(bar / step) * step));
  };

  const width = useRef(geometry.barWidth);
  useLayoutEffect(() => {
    const box = area.current;
    if (!box || width.current === geometry.barWidth) return;
    box.scrollTo({ left: all ? 0 : (first - 1) * geometry.barWidth });
    width.current = geometry.barWidth;
  }, [area, all, first, geometry.barWidth]);
  return { view, onScroll };
}
