import type { Allergen } from '../food/ingredient';
import type { Setup } from '../plan/solve/simulate';
import type { Plan, WeighLine } from '../plan/types';
import { foodIn } from '../pot/kitchen';
import { portionsIn } from '../pot/portions';
import type { Portion } from '../pot/step';

/** What lands the target, where it is weighed. */
export const thickenerOf = (plan: Plan): WeighLine | undefined =>
  plan.weighOut.find((l) => l.solved === 'thickness');

/** What thickens a pot beside another: g of it, and how much more that is than in `as`; null where a share is blended. */
export type Beside = { readonly name: string; readonly g: number; readonly more: number };

export function thickenerBeside(plan: Plan, as: Plan): Beside | null {
  const line = thickenerOf(plan);
  return line ? { name: line.name, g: line.g, more: line.g - (thickenerOf(as)?.g ?? line.g) } : null;
}

/** Every allergen of what goes into a plan’s pot. */
export const allergensIn = (plan: Plan): readonly Allergen[] => [
  ...new Set(
    plan.steps.flatMap(({ step }) =>
      portionsIn<Portion>(step)
        .filter((p) => p.amount > 0)
        .flatMap((p) => foodIn(plan.setup.kitchen, p.ingredient).allergens),
    ),
  ),
];

/** Allergens a plan brings that `as` did not have, and those it saves. */
export function allergensMoved(plan: Plan, as: Plan) {
  const [held, now] = [allergensIn(as), allergensIn(plan)];
  return {
    brought: now.filter((a) => !held.includes(a)),
    saved: held.filter((a) => !now.includes(a)),
  };
}

/** What those lines cost, in the house's currency; null when a price is missing. */
export const costOf = (
  lines: readonly Pick<WeighLine, 'ingredient' | 'g'>[],
  { kitchen }: Setup,
): number | null => {
  let sum = 0;
  for (const l of lines) {
    const price = kitchen.products?.[l.ingredient]?.pricePerKg;
    if (price === undefined) return null;
    sum += (l.g / 1000) * price;
  }
  return sum;
};
