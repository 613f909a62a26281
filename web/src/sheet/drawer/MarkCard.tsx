import { bars } from "../../lib/format";
import { useSheet } from "../context";
import { CardHead } from "../card/CardHead";
import { Listen } from "../card/Listen";
import { Remove } from "../card/Remove";
import { words } from "../../words/words";

/** A note that a person pinned to some bars. */
export function MarkCard({ id }: { id: number }) {
  const { analysis } = useSheet();
  const mark = analysis.marks.find((candidate) => candidate.reading_id === id);
  if (!mark) return null;

  const layer = analysis.heard_layers.find((candidate) => candidate.reading_id === mark.layer_id);
  return (
    <>
      <CardHead
        caption={
          <>
            <span className="capitalize">{mark.type}</span> · {bars(mark.first_bar, mark.last_bar)}
            {layer ? ` · ${layer.name}` : ""} · <span className="text-heard-text">noted by you</span>
          </>
        }
        value={mark.text}
        heard
      />
      <Listen run={{ first: mark.first_bar, last: mark.last_bar }} />
      <Remove id={id}>{words.delete}</Remove>
    </>
  );
}
