import { useLayoutEffect, type RefObject } from "react";
import { toAddress, type Selection } from "./selection";

/** Names of the rows stand over the left edge. */
const LABELS = 120;

/** What was chosen stays in sight when its card takes room from the sheet: only as much is scrolled as that needs. */
export function useChosenInView(area: RefObject<HTMLElement | null>, selection: Selection | null): void {
  const address = selection === null ? null : toAddress(selection);
  useLayoutEffect(() => {
    const box = area.current;
    if (!box || address === null) return;
    const frame = requestAnimationFrame(() => {
      const chosen = [...box.querySelectorAll('[aria-pressed="true"]')].map((element) =>
        element.getBoundingClientRect(),
      );
      const shown = box.getBoundingClientRect();
      const place = chosen.find((rect) => rect.left >= shown.left + LABELS - 1 || rect.right > shown.left + LABELS);
      if (!place) return;
      const over = Math.min(place.right, place.left + shown.width - LABELS) - (shown.right - 8);
      if (over > 0) box.scrollLeft += over;
      else if (place.left < shown.left + LABELS && place.right - place.left < shown.width - LABELS)
        box.scrollLeft -= shown.left + LABELS - place.left;
    });
    return () => cancelAnimationFrame(frame);
  }, [area, address]);
}
