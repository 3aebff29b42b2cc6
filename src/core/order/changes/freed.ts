import { ingredient } from '../../food/catalogue';
import { POURED } from '../../food/ingredient';
import { portionsIn, withPortions } from '../../pot/contents/portions';
import { type Amount, gramsGiven } from '../../recipe/amountOf';
import type { Recipe } from '../../recipe/recipe';
import type { RecipePortion, RecipeStep } from '../../recipe/recipeStep';

/** A recipe with every amount given, and what of it the plan may move so that it lands. */
export type Freed = {
  readonly recipe: Recipe;
  /** What thickens, most first, with what is written of it, g; empty where nothing of it can be dosed. */
  readonly thickeners: readonly { readonly id: string; readonly g: number }[];
  readonly liquid: { readonly id: string; readonly g: number } | null;
};

/** Grams of a portion whose amount is given; null of one that is worked out. */
const gramsOf = ({ ingredient: id, amount }: RecipePortion): number | null =>
  gramsGiven(ingredient(id), amount);

const isOpen = (s: RecipeStep): boolean =>
  (s.kind === 'puree' && typeof s.fraction !== 'number') ||
  portionsIn<RecipePortion>(s).some((p) => p.amount.kind === 'solve' && p.amount.goal === 'thickness');

/** Whether a step’s portion is one of the starches and flours that do the thickening. */
const isThickener = (s: RecipeStep, p: RecipePortion): boolean =>
  (s.kind === 'roux' || s.kind === 'dust' ? s.flour === p : s.kind === 'thicken' && s.thickener === p) ||
  (s.kind === 'add' && ['flour', 'starch'].includes(ingredient(p.ingredient).group));

/** The vegetable there is most of among those that are blended whole: what thickens where no starch does. */
function blendedMost(steps: readonly RecipeStep[]): RecipePortion | null {
  const at = steps.findLastIndex((s) => s.kind === 'puree' && s.fraction === 1);
  const before = steps
    .slice(0, Math.max(0, at))
    .flatMap((s) => portionsIn<RecipePortion>(s).filter((p) => ingredient(p.ingredient).puree))
    .filter((p) => gramsOf(p) !== null)
    .toSorted((a, b) => (gramsOf(b) ?? 0) - (gramsOf(a) ?? 0));
  return before[0] ?? null;
}

const RULED: Amount = { kind: 'by rule' };

/**
 * A recipe as it was cooked, with its own thickener left “to thicken” and its main liquid “to volume”, each where
 * it stands; several thickeners share the work as they do in it. Null where the recipe leaves its thickness to be
 * worked out by itself.
 */
export function freed(recipe: Recipe): Freed | null {
  const { steps } = recipe;
  if (steps.some(isOpen)) return null;
  const found = steps.flatMap((s) =>
    portionsIn<RecipePortion>(s).flatMap((p) => {
      const g = isThickener(s, p) ? gramsOf(p) : null;
      return g ? [{ p, g }] : [];
    }),
  );
  const vegetable = found.length === 0 ? blendedMost(steps) : null;
  const dosed = vegetable ? [{ p: vegetable, g: gramsOf(vegetable) ?? 0 }] : found;
  const whole = dosed.reduce((sum, d) => sum + d.g, 0);
  const hasVolume = steps.some((s) =>
    portionsIn<RecipePortion>(s).some((p) => p.amount.kind === 'solve' && p.amount.goal === 'volume'),
  );
  const [liquid] = hasVolume
    ? []
    : steps
        .flatMap((s) => (s.kind === 'add' ? s.items : []))
        .flatMap((p) => {
          const { group } = ingredient(p.ingredient);
          const g = POURED.has(group) && group !== 'wine' ? gramsOf(p) : null;
          return g ? [{ p, g, stands: group === 'liquid' ? 1 : 0 }] : [];
        })
        // A stock before a milk, a milk before a cream: what there is most of.
        .toSorted((a, b) => b.stands - a.stands || b.g - a.g);
  const opened = (p: RecipePortion): RecipePortion => {
    const dose = dosed.find((d) => d.p === p);
    if (dose) return { ...p, amount: { kind: 'solve', goal: 'thickness', share: dose.g / whole } };
    return p === liquid?.p ? { ...p, amount: { kind: 'solve', goal: 'volume', share: 1 } } : p;
  };
  const made = steps.map((s): RecipeStep => {
    const step = withPortions<RecipeStep, RecipePortion>(s, opened);
    // The fat of a roux and what a starch is slaked in go with the dose.
    if (step.kind === 'roux' && dosed.some((d) => s.kind === 'roux' && d.p === s.flour))
      return { ...step, fat: { ...step.fat, amount: RULED } };
    if (
      step.kind === 'thicken' &&
      step.carrier &&
      dosed.some((d) => s.kind === 'thicken' && d.p === s.thickener)
    )
      return { ...step, carrier: { ...step.carrier, amount: RULED } };
    return step;
  });
  return {
    recipe: { ...recipe, steps: made },
    thickeners: dosed.toSorted((a, b) => b.g - a.g).map(({ p, g }) => ({ id: p.ingredient, g })),
    liquid: liquid ? { id: liquid.p.ingredient, g: liquid.g } : null,
  };
}
