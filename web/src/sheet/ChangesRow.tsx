import { memo } from "react";
import { changeSigns, changeWords, standing } from "./changes";
import { useSelection, useSheet } from "./context";
import { same } from "./selection";
import { Row } from "./Row";

export const CHANGES_HEIGHT = 26;
/** A mark that can still be hit, and the width of a sign in one. */
const NARROWEST = 8;
const SIGN = 8;

/** What enters and leaves where runs of four bars begin. */
export const ChangesRow = memo(function ChangesRow() {
  const { analysis, geometry, select } = useSheet();
  const selection = useSelection();
  const changes = analysis.changes.map(standing).filter((change) => changeSigns(change) !== "");
  return (
    <Row height={CHANGES_HEIGHT} label={<span className="block text-13 font-medium">What changes</span>}>
      {changes.map((change, index) => {
        const next = changes[index + 1]?.bar ?? analysis.bars.length + 1;
        const words = changeWords(change).join("; ");
        const room = (next - change.bar) * geometry.barWidth - 2;
        const signs = changeSigns(change);
        return (
          <button
            key={change.bar}
            type="button"
            aria-pressed={same(selection, { kind: "change", bar: change.bar })}
            aria-label={`Bar ${change.bar}: ${words}`}
            title={`Bar ${change.bar}: ${words}`}
            onClick={() => select({ kind: "change", bar: change.bar })}
            className={`absolute top-0 h-line overflow-hidden border-l-2 border-measured pl-1 text-left figure whitespace-nowrap text-measured hover:bg-wash ${
              same(selection, { kind: "change", bar: change.bar }) ? "bg-wash" : ""
            }`}
            style={{
              left: geometry.xOfBar(change.bar),
              width: Math.max(NARROWEST, room),
            }}
          >
            {signs.length * SIGN + NARROWEST <= room && signs}
          </button>
        );
      })}
      {changes.length === 0 && <p className="font-serif text-13 italic text-ink-3">Nobody enters or leaves.</p>}
    </Row>
  );
});
