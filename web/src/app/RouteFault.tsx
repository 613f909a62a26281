import { Link, useRouteError } from "react-router";
import { Button } from "../components/Button";
import { messageOf } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { words } from "../words/words";

/** In the place of a page that failed: navigation and playback stand beside it as before. */
export function RouteFault() {
  const fault = useRouteError();
  return (
    <>
      <PageHead title="This page failed" />
      <div role="alert" className="min-h-0 grow overflow-auto bg-sheet px-4 py-6">
        <p className="mb-1 max-w-[560px] font-serif text-18 leading-snug text-ink-2">
          Something in this page broke. Nothing that you stored is lost; playback and the other pages go on.
        </p>
        <p className="mb-4 font-mono text-12 text-conflict">{messageOf(fault)}</p>
        <span className="flex items-center gap-4">
          <Button look="solid" onClick={() => location.reload()}>
            {words.tryAgain}
          </Button>
          <Link to="/" className="underline">
            All studies
          </Link>
        </span>
      </div>
    </>
  );
}
