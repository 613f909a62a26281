import { MODES, TONICS } from "../api/contract";
import { signs } from "../lib/format";

interface KeySelectsProps {
  control: { id: string; className: string; "aria-describedby": string | undefined; "aria-invalid": boolean };
  tonic: string;
  mode: string;
  onChange: (tonic: string, mode: string) => void;
  /** What no tonic at all is called, where that may be chosen. */
  none?: string;
  autoFocus?: boolean;
  /** What assistive technology calls the fields, where no label of the page does. */
  tonicLabel?: string;
  modeLabel?: string;
}

/** A tonic and a mode. */
export function KeySelects({
  control,
  tonic,
  mode,
  onChange,
  none,
  autoFocus = false,
  tonicLabel,
  modeLabel = "Mode",
}: KeySelectsProps) {
  const tonics = [...new Set([...(tonic ? [tonic] : []), ...TONICS])];
  return (
    <span className="flex gap-2">
      <select
        {...control}
        aria-label={tonicLabel}
        autoFocus={autoFocus}
        value={tonic}
        onChange={(event) => onChange(event.target.value, mode)}
      >
        {none !== undefined && <option value="">{none}</option>}
        {tonics.map((name) => (
          <option key={name} value={name}>
            {signs(name)}
          </option>
        ))}
      </select>
      <select
        aria-label={modeLabel}
        className={control.className}
        disabled={tonic === ""}
        value={mode}
        onChange={(event) => onChange(tonic, event.target.value)}
      >
        {MODES.map((name) => (
          <option key={name}>{name}</option>
        ))}
      </select>
    </span>
  );
}
