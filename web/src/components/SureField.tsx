import { useState, type ComponentProps } from "react";
import { sureOf } from "../lib/sure";

interface SureFieldProps extends Omit<ComponentProps<"input">, "value" | "onChange"> {
  value: number | null | undefined;
  onValue: (value: number | null) => void;
}

/** A share from 0 to 1. What is typed stays as it is typed; leaving the field shows what was understood. */
export function SureField({ value, onValue, ...rest }: SureFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <input
      {...rest}
      inputMode="decimal"
      value={typed ?? value ?? ""}
      onChange={(event) => {
        setTyped(event.target.value);
        onValue(sureOf(event.target.value));
      }}
      onBlur={() => setTyped(null)}
    />
  );
}
