import type { ComponentProps } from "react";

interface SmallFieldProps extends Omit<ComponentProps<"input">, "onChange"> {
  label: string;
  onText: (text: string) => void;
}

/** A short field with its name before it, for figures and bars in a card. */
export function SmallField({ label, onText, className = "", ...rest }: SmallFieldProps) {
  return (
    <label className="flex items-center gap-1.5 text-ink-2">
      <span className="whitespace-nowrap">{label}</span>
      <input
        {...rest}
        onChange={(event) => onText(event.target.value)}
        className={`h-7 w-14 rounded-sm border border-firm bg-sheet px-1.5 font-mono text-12 text-ink placeholder:text-ink-3 ${className}`}
      />
    </label>
  );
}
