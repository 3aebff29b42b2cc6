import type { Allergen } from '../food/ingredient';
import type { Setup } from '../plan/solve/simulate';
import type { Plan, WeighLine } from '../plan/types';
import { allergensOf, wholeCost } from '../pot/contents/goesIn';

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
export const allergensIn = (plan: Plan): readonly Allergen[] =>
  allergensOf(
    plan.steps.map(({ step }) => step),
    plan.setup.kitchen,
  );

/** Allergens a plan brings that `as` did not have, and those it saves. */
export function allergensMoved(plan: Plan, as: Plan) {
  const [held, now] = [allergensIn(as), allergensIn(plan)];
  return {
    brought: now.filter((a) => !held.includes(a)),
    saved: held.filter((a) => !now.includes(a)),
  };
}

/** What lines of a weigh-out cost, in the house's currency; null when a price is missing. */
export const costOfLines = (
  lines: readonly Pick<WeighLine, 'ingredient' | 'g'>[],
  { kitchen }: Setup,
): number | null =>
  wholeCost(
    lines.map(({ ingredient, g }) => ({ ingredient, amount: g })),
    kitchen,
  );
