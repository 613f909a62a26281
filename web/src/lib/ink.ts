/** Ink density has five steps; there is none between 46 % and 80 %. */

export type Step = 0 | 1 | 2 | 3 | 4 | 5;

const CONFIDENCE_STEPS = [0.4, 0.6, 0.8, 0.9];

/** Step of a confidence: under .4, .4, .6, .8, .9. */
export function confidenceStep(confidence: number): Step {
  return (1 + CONFIDENCE_STEPS.filter((limit) => confidence >= limit).length) as Step;
}

/** Step of "how much is there", 0 to 1; under a tenth nothing is drawn. */
export function amountStep(amount: number): Step {
  if (amount < 0.1) return 0;
  return Math.min(5, 1 + Math.floor(amount * 5)) as Step;
}

export function inkColour(step: Step): string {
  return step === 0 ? "transparent" : `var(--ink-d${step})`;
}

/** Text on ink is dark up to step 3, paper-coloured from 4. */
export function textOnInk(step: Step): string {
  return step >= 4 ? "var(--sheet)" : "var(--ink)";
}
