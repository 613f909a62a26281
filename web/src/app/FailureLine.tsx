import { Button } from "../components/Button";
import { Failure } from "../components/Notice";
import { tellFailure, useFailure } from "./failures";

/** Along the top of the page: what was asked for and could not be done, until it is read. */
export function FailureLine() {
  const message = useFailure();
  if (message === null) return null;
  return (
    <div className="shrink-0 border-b border-rule bg-sheet px-4 py-1.5 print:hidden">
      <Failure
        error={new Error(message)}
        action={
          <Button look="quiet" onClick={() => tellFailure(null)}>
            Dismiss
          </Button>
        }
      />
    </div>
  );
}
