import { X } from "lucide-react";
import type { ReactNode } from "react";
import { useSheet } from "../context";
import { ChangeCard } from "./ChangeCard";
import { ChordCard } from "./ChordCard";
import { JournalCard } from "./JournalCard";
import { LayerCard } from "./LayerCard";
import { MarkCard } from "./MarkCard";
import { OwnLayerCard } from "./OwnLayerCard";
import { ReadingCard } from "./ReadingCard";
import { SectionCard } from "./SectionCard";
import { SettleCard } from "./SettleCard";
import { SourcesCard } from "./SourcesCard";
import { OwnTechniqueCard, TechniqueCard } from "./TechniqueCard";

/** Explains whatever is selected. Beside the sheet when there is room, over it when not. */
export function Drawer() {
  const { selection, select } = useSheet();
  if (!selection) return null;
  return (
    <aside
      aria-label="Evidence"
      className="absolute top-0 right-0 bottom-0 z-20 flex w-[264px] shrink-0 flex-col overflow-y-auto border-l border-rule bg-sheet scroll-quiet mid:static wide:w-[344px]"
    >
      <button
        type="button"
        aria-label="Close"
        onClick={() => select(null)}
        className="absolute top-3 right-3 z-10 bg-sheet p-0.5 hover:bg-wash mid:sticky mid:-mb-6 mid:ml-auto mid:mr-3 mid:block"
      >
        <X size={15} />
      </button>
      <div className="flex flex-col px-4 pt-3 pb-4" key={JSON.stringify(selection)}>
        <Card />
      </div>
    </aside>
  );
}

/** The card of whatever is selected. */
export function Card() {
  const { selection } = useSheet();
  switch (selection?.kind) {
    case "reading":
      return <ReadingCard aspect={selection.aspect} />;
    case "section":
      return <SectionCard index={selection.index} />;
    case "chord":
      return <ChordCard index={selection.index} />;
    case "change":
      return <ChangeCard bar={selection.bar} />;
    case "layer":
      return <LayerCard name={selection.name} />;
    case "ownLayer":
      return <OwnLayerCard id={selection.id} />;
    case "technique":
      return <TechniqueCard technique={selection.technique} />;
    case "ownTechnique":
      return <OwnTechniqueCard id={selection.id} />;
    case "mark":
      return <MarkCard id={selection.id} />;
    case "settle":
      return <SettleCard />;
    case "journal":
      return <JournalCard />;
    case "sources":
      return <SourcesCard />;
    default:
      return null;
  }
}

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

/** A part of a card, parted by a hairline. */
export function Part({ title, aside, children }: { title: string; aside?: ReactNode; children: ReactNode }) {
  return (
    <section className="mt-3 border-t border-rule pt-2.5">
      <h3 className="mb-1.5 flex items-baseline justify-between gap-2 font-medium">
        {title}
        {aside && <span className="text-11 font-normal text-ink-2">{aside}</span>}
      </h3>
      {children}
    </section>
  );
}
