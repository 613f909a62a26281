import type { ReactNode } from "react";
import { tellDone } from "../../app/notices";
import { Button } from "../../components/Button";
import { useSheet } from "../context";

/** Takes away what a person noted, and closes its card. */
export function Remove({ id, children }: { id: number; children: ReactNode }) {
  const { select, edits } = useSheet();
  const remove = () => {
    select(null);
    void edits.remove(id).then((gone) => gone && tellDone({ message: "Deleted from the sheet.", undo: edits.undo }));
  };
  return (
    <Button look="refute" className="mt-4" onClick={remove}>
      {children}
    </Button>
  );
}
