/** Figures and times as people read them. Minus signs are true ones. */

export function figure(value: number, decimals = 0): string {
  return value.toFixed(decimals).replace("-", "−");
}

export function clock(seconds: number, decimals = 0): string {
  const safe = Math.max(0, seconds);
  const minutes = Math.floor(safe / 60);
  const rest = (safe - minutes * 60).toFixed(decimals);
  return `${minutes}:${rest.padStart(decimals > 0 ? 3 + decimals : 2, "0")}`;
}

export function percent(share: number): string {
  return `${Math.round(share * 100)} %`;
}

/** Pitch and key names with signs: Bb minor to B♭ minor. */
export function signs(name: string): string {
  return name.replace(
    /([A-G])([b#]+)/g,
    (_, letter: string, marks: string) => letter + marks.replaceAll("b", "♭").replaceAll("#", "♯"),
  );
}

export function bars(first: number, last: number): string {
  return first === last ? `bar ${first}` : `bars ${first}–${last}`;
}

export function plural(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`;
}

/** Words in a row: "tempo, meter and mode". */
export function listed(words: string[]): string {
  return new Intl.ListFormat("en-GB", { type: "conjunction" }).format(words);
}

export function day(iso: string): string {
  return new Date(iso).toLocaleDateString("en-GB", { day: "numeric", month: "short" });
}
