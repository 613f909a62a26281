import { useEffect, useRef, type RefObject } from "react";
import { announce, lastInput } from "../../app/live";

/** A card that is asked for by key takes the focus, and gives it back where it came from when it is closed. What opens is said to who can't see it. */
export function useCardFocus(aside: RefObject<HTMLElement | null>, card: string | null): void {
  const from = useRef<HTMLElement | null>(null);
  useEffect(() => {
    if (card === null) {
      const back = from.current;
      from.current = null;
      // Only where the focus was lost with the card, not where somebody went on to something else.
      if (back?.isConnected && (document.activeElement === document.body || document.activeElement === null))
        back.focus();
      return;
    }
    const element = aside.current;
    const before = document.activeElement;
    if (before instanceof HTMLElement && before !== document.body && !element?.contains(before)) from.current = before;
    if (lastInput() === "key") element?.focus();
    // Its head is there a moment later.
    const soon = setTimeout(() => announce(`Opened: ${element?.querySelector("h2")?.textContent ?? "a card"}`), 60);
    return () => clearTimeout(soon);
  }, [aside, card]);
}
