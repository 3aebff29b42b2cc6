import type { Burner } from '../../heat/burner';
import type { Vessel } from '../../heat/vessel';
import { same } from '../../maths/same';
import { type Advanced, advance } from '../../pot/advance';
import { withPortions } from '../../pot/contents/portions';
import type { Kitchen } from '../../pot/kitchen';
import { emptyPot, type Pot } from '../../pot/pot';
import type { Portion, Step } from '../../pot/step';
import type { Recipe } from '../../recipe/recipe';
import { type Dosing, resolve } from './resolve';

/** One step as it would go: what is done, the pot before it, and where it leads. */
export type StepRun = Advanced & { readonly step: Step; readonly before: Pot };

export type Setup = { readonly vessel: Vessel; readonly burner: Burner; readonly kitchen: Kitchen };

export type Run = { readonly ran: readonly StepRun[]; readonly pot: Pot };

/**
 * Steps cooked in thought, one after another; `inGrams` says each for the pot as it stands when it begins. What `before`
 * cooked in the same setup is taken over as far as the two go the same way.
 */
function cookThrough<S>(
  steps: readonly S[],
  inGrams: (step: S, pot: Pot) => Step,
  { vessel, burner, kitchen }: Setup,
  before?: Run,
): Run {
  let pot = before?.ran[0]?.before ?? emptyPot(vessel, burner, kitchen.airCelsius);
  const ran = steps.map((s, n): StepRun => {
    const step = inGrams(s, pot);
    const known = before?.ran[n];
    if (known?.before === pot && same(known.step, step)) {
      pot = known.pot;
      return known;
    }
    const run = { ...advance(pot, step, kitchen), step, before: pot };
    pot = run.pot;
    return run;
  });
  return { ran, pot };
}

/**
 * The recipe cooked in thought, step by step; `before` is another run in the same setup: only what comes after the
 * first step that differs is cooked.
 */
export const simulate = (recipe: Recipe, dosing: Dosing, setup: Setup, before?: Run): Run =>
  cookThrough(recipe.steps, (step, pot) => resolve(step, dosing, pot, setup.kitchen), setup, before);

/** The same steps with the same grams in any pot. */
export const repeat = (steps: readonly Step[], setup: Setup): Run =>
  cookThrough(steps, (step) => step, setup);

/** `step` with every amount multiplied, as a cook does who only multiplies the recipe. */
export const multiplied = (step: Step, by: number): Step =>
  withPortions(step, (p: Portion) => ({ ...p, amount: p.amount * by }));

/** Largest volume in mL at any moment, also in the middle of a step. */
export function peakVolume(run: Run): number {
  return run.ran.reduce((peak, r) => r.trace.reduce((p, s) => Math.max(p, s.volumeMl), peak), 0);
}
