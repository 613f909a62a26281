import { X } from "lucide-react";
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

/** Explains whatever is selected. Beside the sheet when there is room, over it when not. */
export function Drawer() {
  const { select } = useSheet();
  const selection = useSelection();
  if (!selection) return null;
  return (
    <aside
      aria-label="Evidence"
      className="absolute top-0 right-0 bottom-0 z-20 flex w-drawer shrink-0 flex-col overflow-y-auto border-l border-rule bg-sheet scroll-quiet mid:static wide:w-drawer-wide"
    >
      <button
        type="button"
        aria-label="Close"
        onClick={() => select(null)}
        className="absolute top-3 right-3 z-10 bg-sheet p-0.5 hover:bg-wash mid:sticky mid:-mb-6 mid:ml-auto mid:mr-3 mid:block"
      >
        <X size={15} />
      </button>
      <div className="flex flex-col px-4 pt-3 pb-4" key={toAddress(selection)}>
        <Card />
      </div>
    </aside>
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
