import { useEffect, useRef } from "react";
import { useSheet } from "./context";

/** A field that takes the focus when the E key is pressed. */
export function useOpenOnEdit() {
  const { editing } = useSheet();
  const field = useRef<HTMLInputElement>(null);
  const seen = useRef(editing);
  useEffect(() => {
    if (editing !== seen.current) field.current?.focus();
    seen.current = editing;
  }, [editing]);
  return field;
}
