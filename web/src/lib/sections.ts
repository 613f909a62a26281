/** "verse B", and "part C" where a part has no other name. */
export function sectionName({ label, letter }: { label: string; letter: string }): string {
  return label === `part ${letter}` ? label : `${label} ${letter}`;
}

/** The name alone, without a letter that stands beside it anyway. */
export function bareLabel({ label, letter }: { label: string; letter: string }): string {
  return label === `part ${letter}` ? "part" : label;
}
