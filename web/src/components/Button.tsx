import type { ComponentProps } from "react";

const LOOKS = {
  outline: "border-firm bg-transparent hover:bg-wash",
  solid: "border-ink bg-ink text-sheet hover:opacity-90",
  confirm: "border-confirmed text-confirmed hover:bg-wash",
  refute: "border-conflict text-conflict hover:bg-wash",
  quiet: "border-transparent text-ink-2 underline decoration-firm underline-offset-2 hover:bg-wash",
} as const;

interface ButtonProps extends ComponentProps<"button"> {
  look?: keyof typeof LOOKS;
}

/** A button that acts. */
export function Button({ look = "outline", className = "", type = "button", ...rest }: ButtonProps) {
  return (
    <button
      type={type}
      className={`inline-flex h-7 items-center justify-center gap-2 rounded-sm border px-3 text-12 font-medium whitespace-nowrap disabled:border-dotted disabled:text-ink-3 disabled:opacity-100 disabled:hover:bg-transparent ${LOOKS[look]} ${className}`}
      {...rest}
    />
  );
}
