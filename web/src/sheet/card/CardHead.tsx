import type { ReactNode } from "react";

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
      <p className="pr-6 text-11 text-ink-2">{caption}</p>
      <h2 className={`mt-0.5 font-serif text-26 leading-[1.15] ${heard ? "text-heard-text" : ""}`}>{value}</h2>
      {why && <p className="mt-1.5 font-serif text-15 leading-snug">{why}</p>}
    </>
  );
}
