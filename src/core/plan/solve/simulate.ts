import type { Burner } from '../../heat/burner';
import type { Vessel } from '../../heat/vessel';
import { type Advanced, advance } from '../../pot/advance';

import type { Kitchen } from '../../pot/kitchen';
import { withPortions } from '../../pot/portions';
import { emptyPot, type Pot } from '../../pot/pot';
import type { Step } from '../../pot/step';
import type { Recipe } from '../../recipe/recipe';
import { type Dosing, resolve } from './resolve';

/** One step as it would go: what is done, the pot before it, and where it leads. */
export type StepRun = Advanced & { readonly step: Step; readonly before: Pot };

export type Setup = { readonly vessel: Vessel; readonly burner: Burner; readonly kitchen: Kitchen };

export type Run = { readonly ran: readonly StepRun[]; readonly pot: Pot };

/** Steps cooked in thought, one after another; `inGrams` says each for the pot as it stands when it begins. */
function cookThrough<S>(
  steps: readonly S[],
  inGrams: (step: S, pot: Pot) => Step,
  { vessel, burner, kitchen }: Setup,
): Run {
  let pot = emptyPot(vessel, burner, kitchen.airCelsius);
  const ran = steps.map((s): StepRun => {
    const before = pot;
    const step = inGrams(s, before);
    const advanced = advance(before, step, kitchen);
    pot = advanced.pot;
    return { ...advanced, step, before };
  });
  return { ran, pot };
}

/** The recipe cooked in thought, step by step. */
export const simulate = (recipe: Recipe, dosing: Dosing, setup: Setup): Run =>
  cookThrough(recipe.steps, (step, pot) => resolve(step, dosing, pot, setup.kitchen), setup);

/** The same steps with the same grams in any pot. */
export const repeat = (steps: readonly Step[], setup: Setup): Run =>
  cookThrough(steps, (step) => step, setup);

/** `step` with every amount multiplied, as a cook does who only multiplies the recipe. */
export const multiplied = (step: Step, by: number): Step =>
  withPortions(step, (p) => ({ ...p, amount: p.amount * by }));

/** Largest volume in mL at any moment, also in the middle of a step. */
export function peakVolume(run: Run): number {
  return run.ran.reduce((peak, r) => r.trace.reduce((p, s) => Math.max(p, s.volumeMl), peak), 0);
}
