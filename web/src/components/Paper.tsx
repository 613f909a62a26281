import type { ReactNode } from "react";
import { Link } from "react-router";
import { Button } from "./Button";
import { PageHead } from "./PageHead";

interface PaperProps {
  title: string;
  back: { path: string; name: string };
  children: ReactNode;
}

/** A page for paper: what is printed in one column, and above it, never printed, the ways out. */
export function Paper({ title, back, children }: PaperProps) {
  return (
    <>
      <div className="print:hidden">
        <PageHead title="On paper" remark={title}>
          <Link to={back.path} className="underline">
            {back.name}
          </Link>
          <Button look="solid" onClick={() => window.print()}>
            Print it
          </Button>
        </PageHead>
      </div>
      <div
        tabIndex={0}
        role="region"
        aria-label="Page"
        className="min-h-0 grow overflow-y-auto bg-sheet px-6 py-4 max-small:px-3 scroll-quiet print:overflow-visible print:bg-transparent print:p-0"
      >
        <article className="mx-auto max-w-[820px]">
          <h2 className="mb-1 font-serif text-26">{title}</h2>
          {children}
        </article>
      </div>
    </>
  );
}
