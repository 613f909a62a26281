import { memo } from "react";
import { bars } from "../lib/format";
import { useSelection, useSheet } from "./context";
import { same } from "./selection";
import { Row } from "./Row";

export const MARKS_HEIGHT = 26;
/** One sign a type; the card has the word. */
const SIGNS: Record<string, string> = { technique: "✳", transition: "→", oddity: "!", question: "?", idea: "○" };

/** Notes that a person pinned to bars. */
export const MarksRow = memo(function MarksRow() {
  const { analysis, geometry, select } = useSheet();
  const selection = useSelection();
  if (analysis.marks.length === 0) return null;
  return (
    <Row height={MARKS_HEIGHT} label={<span className="block text-13 font-medium">Marks</span>}>
      {analysis.marks.map((mark) => {
        const chosen = same(selection, { kind: "mark", id: mark.reading_id });
        return (
          <button
            key={mark.reading_id}
            type="button"
            aria-pressed={chosen}
            aria-label={`${mark.type}, ${bars(mark.first_bar, mark.last_bar)}: ${mark.text}`}
            title={`${mark.type}, ${bars(mark.first_bar, mark.last_bar)}: ${mark.text}`}
            onClick={() => select({ kind: "mark", id: mark.reading_id })}
            className={`absolute top-0 h-line truncate border-b-2 border-dashed border-heard pl-0.5 text-left text-11 text-heard-text hover:bg-wash ${chosen ? "bg-wash" : ""}`}
            style={{
              left: geometry.xOfBar(mark.first_bar) + 1,
              width: Math.max(18, (mark.last_bar - mark.first_bar + 1) * geometry.barWidth - 2),
            }}
          >
            <span aria-hidden className="mr-1 font-mono">
              {SIGNS[mark.type] ?? "·"}
            </span>
            {mark.text}
          </button>
        );
      })}
    </Row>
  );
});
