import type { ComponentProps } from "react";

interface LineInputProps extends Omit<ComponentProps<"input">, "onChange"> {
  /** What it asks for; there is no other label. */
  name: string;
  onText: (text: string) => void;
}

/** One line of text that says itself what it is for. */
export function LineInput({ name, onText, className = "w-full", ...rest }: LineInputProps) {
  return (
    <input
      {...rest}
      aria-label={name}
      onChange={(event) => onText(event.target.value)}
      className={`h-7 rounded-sm border border-firm bg-sheet px-2 text-13 ${className}`}
    />
  );
}
