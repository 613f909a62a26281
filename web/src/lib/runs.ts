/** Neighbours that have something in common, together, in order. */
export function runsOf<T>(things: T[], of: (thing: T) => string): [string, T[]][] {
  const runs: [string, T[]][] = [];
  for (const thing of things) {
    const key = of(thing);
    const last = runs.at(-1);
    if (last && last[0] === key) last[1].push(thing);
    else runs.push([key, [thing]]);
  }
  return runs;
}
