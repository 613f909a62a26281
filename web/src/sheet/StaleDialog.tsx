import { Button } from "../components/Button";
import { Dialog } from "../components/Dialog";
import type { Stale } from "./useEdits";

/** Another window was faster: what it did, and what becomes of the change that was to be made here. */
export function StaleDialog({ stale }: { stale: Stale }) {
  return (
    <Dialog
      title="This sheet was changed in another window"
      description="Your last change was not made, and nothing was overwritten."
      open
      onClose={stale.drop}
    >
      {stale.labels.length > 0 && (
        <ul className="mb-4 margin-stroke-l border-heard pl-3">
          {stale.labels.map((label, index) => (
            <li key={index}>{label}</li>
          ))}
        </ul>
      )}
      <div className="flex flex-wrap gap-2">
        <Button look="solid" onClick={stale.onTop}>
          Make my change on top
        </Button>
        <Button onClick={stale.drop}>Drop mine and reload</Button>
      </div>
    </Dialog>
  );
}
