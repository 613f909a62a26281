import { Link, useParams } from "react-router";
import { plural } from "../lib/format";
import { useImport } from "./useImport";

/** Files that are on their way into another study than the one that is open, or while another of its pages is. */
export function IncomingLine() {
  const { incoming } = useImport();
  const { studyId } = useParams();
  if (incoming.length === 0) return null;
  const failed = incoming.filter((file) => file.state === "failed");
  const study = incoming[0]?.studyId;
  const words = [
    incoming.length > failed.length && `${plural(incoming.length - failed.length, "file")} coming in`,
    failed.length > 0 && `${plural(failed.length, "file")} could not be taken in`,
  ].filter(Boolean);
  return (
    <p
      role="status"
      className={`shrink-0 border-b border-rule bg-sheet px-4 py-1 print:hidden ${failed.length > 0 ? "text-conflict" : "text-ink-2"}`}
    >
      {words.join("; ")}.{" "}
      <Link to={`/studies/${study}`} className="underline">
        {Number(studyId) === study ? "See them on the study" : "Go to that study"}
      </Link>
    </p>
  );
}
