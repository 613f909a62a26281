import type { ReactNode } from "react";
import { ApiError } from "../api/client";

/** One serif sentence where the ink would be, and at most one thing to do. */
export function Notice({ children, action }: { children: ReactNode; action?: ReactNode }) {
  return (
    <div className="max-w-[520px] py-6">
      <p className="mb-4 font-serif text-18 leading-snug text-ink-2">{children}</p>
      {action}
    </div>
  );
}

export function messageOf(error: unknown): string {
  return error instanceof ApiError || error instanceof Error ? error.message : "Something went wrong.";
}

/** What went wrong, in rust, with a stroke beside it. */
export function Failure({ error, action }: { error: unknown; action?: ReactNode }) {
  return (
    <div
      role="alert"
      className="flex items-center gap-4 margin-stroke-l border-conflict py-1 pl-3 text-13 text-conflict"
    >
      <p>{messageOf(error)}</p>
      {action}
    </div>
  );
}
