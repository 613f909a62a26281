/** How sure, as it is typed: 0 to 1, with a point or a comma; null while it says no number yet, as "0." does not. */
export function sureOf(text: string): number | null {
  const plain = text.trim().replace(",", ".");
  if (!/^\d*\.?\d+$/.test(plain)) return null;
  return Math.min(1, Number(plain));
}
