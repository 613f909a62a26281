import type { Reading } from "../../api/types";
import { figure, plural, signs } from "../../lib/format";

/** The value of a reading in as few words as it takes. */
export function headline(reading: Reading): string {
  const value = reading.value ?? {};
  const number = (name: string) => (typeof value[name] === "number" ? value[name] : Number.NaN);
  const short = shortOf(reading.aspect, value, number);
  return short ?? reading.statement;
}

function shortOf(
  aspect: Reading["aspect"],
  value: Record<string, unknown>,
  number: (name: string) => number,
): string | null {
  switch (aspect) {
    case "tempo":
      if (Array.isArray(value.parts)) return value.parts.map((bpm) => figure(Number(bpm), 2)).join(", then ") + " BPM";
      return Number.isNaN(number("bpm")) ? null : `${figure(number("bpm"), 2)} BPM`;
    case "meter":
      return typeof value.name === "string" ? `${value.name} time` : null;
    case "key":
      return typeof value.tonic === "string" ? signs(`${value.tonic} ${String(value.mode)}`) : null;
    case "tuning":
      return Number.isNaN(number("cents"))
        ? null
        : `${figure(number("cents"))} ${Math.abs(Math.round(number("cents"))) === 1 ? "cent" : "cents"}`;
    case "loop":
      return Array.isArray(value.degrees) ? value.degrees.slice(0, 6).join(" ") : null;
    case "form":
      return Number.isNaN(number("sections")) ? null : plural(number("sections"), "section");
    case "loudness":
      return Number.isNaN(number("lufs")) ? null : `${figure(number("lufs"), 1)} LUFS`;
    default:
      return null;
  }
}
