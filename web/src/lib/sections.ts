interface Named {
  label: string;
  letter: string;
}

/** Whether nothing tells what the part is called but its letter. */
export function unnamed({ label, letter }: Named): boolean {
  return label === `part ${letter}`;
}

/** "verse B", and "part C" where a part has no other name. */
export function sectionName(section: Named): string {
  return unnamed(section) ? section.label : `${section.label} ${section.letter}`;
}

/** The name alone, without a letter that stands beside it anyway. */
export function bareLabel(section: Named): string {
  return unnamed(section) ? "part" : section.label;
}
