import { createContext, use, type ReactNode } from "react";
import { createPortal } from "react-dom";

interface Slots {
  head: HTMLElement | null;
  foot: HTMLElement | null;
}

/** Where the head and the decisions of a card stand, apart from what is scrolled. */
export const CardSlots = createContext<Slots>({ head: null, foot: null });

export function InHead({ children }: { children: ReactNode }) {
  const { head } = use(CardSlots);
  return head ? createPortal(children, head) : null;
}

export function InFoot({ children }: { children: ReactNode }) {
  const { foot } = use(CardSlots);
  return foot ? createPortal(children, foot) : null;
}
