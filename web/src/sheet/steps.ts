/** Steps in the beat that a person taps: six in compound meters, two where the beat is an eighth, else four. */
export function stepsPerBeat(meter: string, steps: number): number {
  if (meter === "6/8" || meter === "12/8") return 6;
  if (meter === "7/8") return 2;
  return steps % 4 === 0 ? 4 : 1;
}
