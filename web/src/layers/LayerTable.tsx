import type { SectionCell, SectionTable } from "../api/types";
import { bars, percent } from "../lib/format";
import { amountStep, inkColour } from "../lib/ink";
import { sourceMark } from "../lib/sources";
import { useSelection, useSheet } from "../sheet/context";
import { same, type Selection } from "../sheet/selection";
import { sectionName } from "../lib/sections";

/** A row a layer, a column a section: absent, thin or full, what is new, what left, and which variation is played. */
export function LayerTable() {
  const { page, analysis } = useSheet();
  const table = page.table;
  if (!table || table.layers.length === 0)
    return <p className="font-serif text-18 text-ink-2">No layer is known yet. Add one on the sheet with A.</p>;

  return (
    <>
      <table className="border-collapse text-left" aria-label="Layers by section">
        <thead>
          <tr className="text-11 text-ink-2">
            <th scope="col" className="sticky left-0 bg-sheet pr-4 font-normal">
              layer
            </th>
            {analysis.sections.map((section) => (
              <th key={section.first_bar} scope="col" className="min-w-[84px] pr-3 pb-1 align-bottom font-normal">
                <span className="block font-serif text-13 italic text-ink">{sectionName(section)}</span>
                {bars(section.first_bar, section.first_bar + section.bars - 1)}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {table.layers.map((layer, index) => (
            <LayerRow key={`${layer.name} ${index}`} layer={layer} />
          ))}
        </tbody>
        <tfoot>
          <Totals table={table} />
        </tfoot>
      </table>
      <Key />
    </>
  );
}

function LayerRow({ layer }: { layer: SectionTable["layers"][number] }) {
  const { select } = useSheet();
  const selection = useSelection();
  const own: Selection =
    layer.reading_id === null ? { kind: "layer", name: layer.name } : { kind: "ownLayer", id: layer.reading_id };
  const chosen = same(selection, own);
  const heard = layer.source === "heard";
  return (
    <tr className={`border-t border-faint ${chosen ? "bg-wash" : ""}`}>
      <th scope="row" className="sticky left-0 bg-sheet pr-4 font-normal">
        <button
          type="button"
          aria-pressed={chosen}
          onClick={() => select(own)}
          className={`flex w-[150px] items-baseline justify-between gap-2 py-1.5 text-left text-13 hover:bg-wash ${heard ? "text-heard-text" : ""}`}
        >
          <span className={`truncate ${chosen ? "font-medium underline decoration-2 underline-offset-4" : ""}`}>
            {layer.name}
          </span>
          <span className="shrink-0 text-11 text-ink-2">{heard ? "heard" : (sourceMark(layer.source) ?? "mix")}</span>
        </button>
      </th>
      {layer.cells.map((cell, index) => (
        <Cell key={index} cell={cell} heard={heard} />
      ))}
    </tr>
  );
}

function Cell({ cell, heard }: { cell: SectionCell; heard: boolean }) {
  return (
    <td className="pr-3">
      <span className="flex items-center gap-1.5" title={`${percent(cell.share)} of its bars`}>
        <span
          aria-hidden
          className={`h-box w-[24px] shrink-0 ${cell.state === "absent" ? "border-b border-firm" : ""} ${heard && cell.state !== "absent" ? "hatch" : ""}`}
          style={heard || cell.state === "absent" ? {} : { background: inkColour(amountStep(cell.share)) }}
        />
        <span className={`text-11 ${cell.state === "absent" ? "text-ink-3" : "text-ink-2"}`}>
          {cell.variation ? <span className="figure mr-1 tracking-tighter text-ink">{cell.variation}</span> : null}
          {cell.new ? (
            "new"
          ) : cell.left ? (
            "left"
          ) : cell.state === "thin" ? (
            "thin"
          ) : (
            <span className="sr-only">{cell.state}</span>
          )}
        </span>
      </span>
    </td>
  );
}

function Totals({ table }: { table: SectionTable }) {
  return (
    <tr className="border-t border-rule align-top">
      <th scope="row" className="sticky left-0 bg-sheet py-1.5 pr-4 text-11 font-normal text-ink-2">
        layers that play
      </th>
      {table.sections.map((section, index) => (
        <td key={index} className="py-1.5 pr-3">
          <span className="figure text-15">{section.playing}</span>
          <span className="block text-11 text-ink-2">
            {section.entered.length > 0 && <span className="block">+ {section.entered.join(", ")}</span>}
            {section.left.length > 0 && <span className="block">− {section.left.join(", ")}</span>}
          </span>
        </td>
      ))}
    </tr>
  );
}

function Key() {
  return (
    <p className="mt-3 max-w-[560px] text-11 text-ink-2">
      Denser is more of the section's bars. A line alone is absent. New and left compare with the section before;
      letters say which variation of its part a stem or a MIDI part plays.
    </p>
  );
}
