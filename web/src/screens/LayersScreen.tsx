import { useQuery } from "@tanstack/react-query";
import { useMemo, useState } from "react";
import { Link } from "react-router";
import { referenceQuery } from "../api/queries";
import type { Analysis, ReferencePage } from "../api/types";
import { Failure, Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { LayerTable } from "../layers/LayerTable";
import { SelectionContext, SheetContext, type Brush } from "../sheet/context";
import { toAddress, type Selection } from "../sheet/selection";
import { Card, CardFrame } from "../sheet/drawer/Drawer";
import { geometryOf } from "../sheet/geometry";
import { useEdits } from "../sheet/useEdits";
import { useReferenceId, useStudyId } from "./params";

/** Who plays in which section, and the whole card of the layer that is chosen. */
export function LayersScreen() {
  const studyId = useStudyId();
  const { data: page, error } = useQuery(referenceQuery(useReferenceId()));
  if (error && !page)
    return (
      <>
        <PageHead title="No such reference" />
        <div className="grow bg-sheet p-4">
          <Failure error={error} action={<Link to={`/studies/${studyId}`}>Back to the study</Link>} />
        </div>
      </>
    );
  if (!page) return <PageHead title="" />;
  const sheet = `/studies/${studyId}/references/${page.reference.id}`;
  return (
    <>
      <PageHead title={page.reference.title} remark="layers by section">
        <Link to={sheet} className="underline decoration-firm underline-offset-2">
          To the sheet
        </Link>
      </PageHead>
      {page.analysis ? (
        <Body page={page} analysis={page.analysis} />
      ) : (
        <div className="grow bg-sheet px-4">
          <Notice>This reference is not analysed yet; the table comes with its analysis.</Notice>
        </div>
      )}
    </>
  );
}

function Body({ page, analysis }: { page: ReferencePage; analysis: Analysis }) {
  const [selection, select] = useState<Selection | null>(null);
  const [brush, setBrush] = useState<Brush>(3);
  const edits = useEdits(page);
  const sheet = useMemo(() => {
    const geometry = geometryOf(analysis, { width: 600, height: 400, rows: analysis.layers.length }, "song");
    const view = { first: 1, last: analysis.bars.length };
    return { page, analysis, geometry, view, select, brush, setBrush, edits, editing: 0 };
  }, [page, analysis, brush, edits]);
  return (
    <SheetContext value={sheet}>
      <SelectionContext value={selection}>
        <div className="flex min-h-0 grow bg-sheet max-small:flex-col">
          <div className="min-w-0 grow overflow-auto px-4 max-small:min-h-0 max-small:basis-1/2 pt-3 pb-6 scroll-quiet">
            <LayerTable />
          </div>
          <aside
            aria-label="Layer card"
            className="flex w-[360px] shrink-0 flex-col border-l border-rule max-small:min-h-0 max-small:w-full max-small:shrink max-small:border-t max-small:border-l-0 wide:w-[440px]"
          >
            {edits.error && <Failure error={edits.error} />}
            {selection ? (
              <CardFrame key={toAddress(selection)} onClose={() => select(null)}>
                <Card />
              </CardFrame>
            ) : (
              <p className="px-4 pt-3 font-serif text-15 text-ink-2">
                Choose a layer on the left to see what is known of it, and to fill its card.
              </p>
            )}
          </aside>
        </div>
      </SelectionContext>
    </SheetContext>
  );
}
