import { useId, type ReactNode } from "react";

interface FieldProps {
  label: string;
  hint?: string;
  error?: string | undefined;
  children: (props: {
    id: string;
    "aria-describedby": string | undefined;
    "aria-invalid": boolean;
    className: string;
  }) => ReactNode;
}

const CONTROL =
  "h-8 w-full rounded-sm border border-firm bg-sheet px-2 text-13 placeholder:text-ink-3 aria-invalid:border-conflict disabled:border-dotted";

/** A labelled control with its hint and what is wrong with it. */
export function Field({ label, hint, error, children }: FieldProps) {
  const id = useId();
  const remark = error ?? hint;
  return (
    <div>
      <label htmlFor={id} className="mb-1 block text-12 font-medium">
        {label}
      </label>
      {children({
        id,
        "aria-describedby": remark ? `${id}-remark` : undefined,
        "aria-invalid": Boolean(error),
        className: CONTROL,
      })}
      {remark && (
        <p
          id={`${id}-remark`}
          role={error ? "alert" : undefined}
          className={`mt-1 text-11 ${error ? "text-conflict" : "text-ink-3"}`}
        >
          {remark}
        </p>
      )}
    </div>
  );
}
