import { memo } from "react";
import type { Analysis } from "../api/types";
import { bars, signs } from "../lib/format";
import { useSheet } from "./context";
import { Row } from "./Row";

export const KEY_HEIGHT = 26;

export function modulates(analysis: Analysis): boolean {
  return (analysis.key?.stretches.length ?? 0) > 1;
}

/** Where which key holds; only in songs that leave their first one. */
export const KeyRow = memo(function KeyRow() {
  const { analysis, geometry, select } = useSheet();
  if (!analysis.key || !modulates(analysis)) return null;

  return (
    <Row height={KEY_HEIGHT} label={<span className="block pt-0.5 text-13 font-medium">Keys</span>}>
      {analysis.key.stretches.map((stretch) => {
        const name = signs(`${stretch.tonic} ${stretch.mode}`);
        return (
          <button
            key={stretch.first_bar}
            type="button"
            title={`${name}, ${bars(stretch.first_bar, stretch.last_bar)}`}
            onClick={() => select({ kind: "reading", aspect: "key" })}
            className="absolute top-0 h-line truncate border-x border-t border-measured pl-1.5 text-left font-serif text-13 leading-[18px] italic text-measured hover:bg-wash"
            style={{
              left: geometry.xOfBar(stretch.first_bar) + 1,
              width: (stretch.last_bar - stretch.first_bar + 1) * geometry.barWidth - 3,
            }}
          >
            {name}
          </button>
        );
      })}
    </Row>
  );
});
