import type { ReactNode } from "react";
import { InHead } from "./slots";

/** The head of every card: what it is about, the value, and the sentence that says why. */
export function CardHead({
  caption,
  value,
  why,
  heard = false,
}: {
  caption: ReactNode;
  value: string;
  why?: string | undefined;
  heard?: boolean;
}) {
  return (
    <>
      <InHead>
        <p className="text-11 text-ink-2">{caption}</p>
        <h2
          className={`mt-0.5 font-serif leading-[1.15] ${value.length > 40 ? "text-18" : "text-26"} ${heard ? "text-heard-text" : ""}`}
        >
          {value}
        </h2>
      </InHead>
      {why && <p className="mt-1 font-serif text-15 leading-snug">{why}</p>}
    </>
  );
}
