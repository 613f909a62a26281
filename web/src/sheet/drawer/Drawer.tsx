import { X } from "lucide-react";
import { useMemo, useRef, useState, type ReactNode } from "react";
import { CardSlots } from "../card/slots";
import { useCardFocus } from "../card/useCardFocus";
import { useSelection, useSheet } from "../context";
import { toAddress } from "../selection";
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

/** Explains whatever is selected, beside the sheet. Its head and its decisions stay in sight while the rest is scrolled. */
export function Drawer() {
  const { select } = useSheet();
  const selection = useSelection();
  const aside = useRef<HTMLElement>(null);
  useCardFocus(aside, selection === null ? null : toAddress(selection));
  if (!selection) return null;
  return (
    <aside
      ref={aside}
      tabIndex={-1}
      aria-label="Evidence"
      className="flex w-drawer shrink-0 flex-col border-l border-rule bg-sheet outline-none wide:w-drawer-wide max-small:absolute max-small:inset-0 max-small:z-30 max-small:w-full"
    >
      <CardFrame key={toAddress(selection)} onClose={() => select(null)}>
        <Card />
      </CardFrame>
    </aside>
  );
}

/** A card between its head and its foot. */
export function CardFrame({ onClose, children }: { onClose?: () => void; children: ReactNode }) {
  const [head, setHead] = useState<HTMLElement | null>(null);
  const [foot, setFoot] = useState<HTMLElement | null>(null);
  const slots = useMemo(() => ({ head, foot }), [head, foot]);
  return (
    <CardSlots value={slots}>
      <div className="flex shrink-0 items-start border-b border-faint pt-2.5 pr-2 pb-2 pl-4">
        <div ref={setHead} className="min-w-0 grow" />
        {onClose && (
          <button type="button" aria-label="Close" onClick={onClose} className="p-1 hover:bg-wash">
            <X size={15} />
          </button>
        )}
      </div>
      <div className="flex min-h-0 grow flex-col overflow-y-auto px-4 pt-2 pb-4 scroll-quiet">{children}</div>
      <div ref={setFoot} className="shrink-0 border-t border-rule px-4 py-2 empty:hidden" />
    </CardSlots>
  );
}

/** The card of whatever is selected. */
export function Card() {
  const selection = useSelection();
  switch (selection?.kind) {
    case "reading":
      return <ReadingCard aspect={selection.aspect} />;
    case "section":
      return <SectionCard at={selection.at} />;
    case "chord":
      return <ChordCard at={selection.at} />;
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
