import { ingredient } from '../../food/catalogue';
import { breaksDiet, type Diet } from '../../food/diets';
import { portionsIn } from '../../pot/contents/portions';
import type { Amount } from '../../recipe/amountOf';
import type { Recipe } from '../../recipe/recipe';
import type { RecipePortion, RecipeStep } from '../../recipe/recipeStep';
import { METHOD_RULES } from '../../thicken/methods';
import { toGrams } from '../../units/measure';
import { finishedWith, finishOf, ownFinish } from './finishes';

/** What stands in, the first that breaks no diet asked for. Common practice, no source. */
const FATS = ['butter', 'rapeseed-oil'] as const;
const FLOURS = ['plain-flour', 'rice-flour'] as const;
const STOCKS = ['vegetable-stock', 'mushroom-stock', 'water'] as const;
const POURED = ['oat-cream', 'coconut-milk'] as const;
const GRAINS = ['white-rice'] as const;

/** One thing that stands in for another; null where it is left out. */
type Swap = { readonly from: string; readonly to: string | null };

const breaks = (id: string, diets: readonly Diet[]): boolean =>
  diets.some((d) => breaksDiet(ingredient(id), d));

/** What may stand in for an ingredient: null to leave it out, undefined where nothing does. */
function standIn(id: string, diets: readonly Diet[]): string | null | undefined {
  const food = ingredient(id);
  const first = (of: readonly string[]): string | undefined => of.find((one) => !breaks(one, diets));
  if (food.group === 'fat') return first(FATS);
  if (food.thickener === 'wheat' || food.group === 'flour') return first(FLOURS);
  if (food.group === 'liquid' || food.group === 'wine') return first(STOCKS);
  if (food.group === 'dairy') return first(POURED);
  if (food.group === 'grain') return first(GRAINS);
  // Smoke and salt of bacon, cheese on top, a spoon of soy: the soup is a soup without them.
  if (food.group === 'cured meat' || food.group === 'seasoning' || food.group === 'cheese') return null;
  // Shells and bones give a stock its taste; the liquid that stands in brings its own.
  if (food.strainedOff) return null;
  return undefined;
}

/** As much fat as before, by what the two hold of it; any other amount stays as it is typed. */
function amountFor({ amount, ingredient: id }: RecipePortion, to: string): Amount {
  const [was, is] = [ingredient(id), ingredient(to)];
  if (was.group !== 'fat' || amount.kind !== 'fixed') return amount;
  const g = toGrams(amount.quantity, was.density) * (was.composition.fat / is.composition.fat);
  return { kind: 'fixed', quantity: { value: g, unit: 'g' } };
}

function swapped(p: RecipePortion, diets: readonly Diet[]): RecipePortion | null {
  if (!breaks(p.ingredient, diets)) return p;
  const to = standIn(p.ingredient, diets);
  if (to === undefined) return p;
  if (to === null) return null;
  const { prep: _of, ...rest } = p;
  return { ...rest, ingredient: to, amount: amountFor(p, to) };
}

/** A slurry in place of a liaison that did the thickening. */
const SLURRY: RecipeStep = {
  kind: 'thicken',
  method: 'slurry',
  thickener: { ingredient: 'cornstarch', amount: { kind: 'solve', goal: 'thickness', share: 1 } },
  carrier: { ingredient: METHOD_RULES.slurry.carrierIs, amount: { kind: 'by rule' }, celsius: 10 },
  minutes: 2,
  lid: 'off',
};

function stepFor(step: RecipeStep, diets: readonly Diet[]): readonly RecipeStep[] {
  const one = (p: RecipePortion): RecipePortion => swapped(p, diets) ?? p;
  switch (step.kind) {
    case 'roux':
      return [{ ...step, flour: one(step.flour), fat: one(step.fat) }];
    case 'dust':
      return [{ ...step, flour: one(step.flour) }];
    case 'thicken':
      return [
        {
          ...step,
          thickener: one(step.thickener),
          ...(step.carrier && { carrier: one(step.carrier) }),
        },
      ];
    case 'render': {
      const left = step.items.filter((p) => !breaks(p.ingredient, diets));
      if (left.length > 0) return [{ ...step, items: left }];
      // What the meat gave to fry in is given by oil.
      const fat = standIn('lard', diets);
      const g = step.items.reduce(
        (sum, p) =>
          p.amount.kind === 'fixed'
            ? sum +
              toGrams(p.amount.quantity, ingredient(p.ingredient).density) *
                ingredient(p.ingredient).composition.fat *
                step.keep
            : sum,
        0,
      );
      if (!fat || g < 1) return [];
      const amount: Amount = { kind: 'fixed', quantity: { value: g, unit: 'g' } };
      return [{ kind: 'sweat', items: [{ ingredient: fat, amount }], minutes: 1, to: 'translucent' }];
    }
    case 'temper': {
      const yolk = step.items.find((p) => ingredient(p.ingredient).group === 'egg');
      if (yolk && breaks(yolk.ingredient, diets)) return yolk.amount.kind === 'solve' ? [SLURRY] : [];
      const items = step.items.map(one);
      return items.length > 0 ? [{ ...step, items }] : [];
    }
    default: {
      if (!('items' in step)) return [step];
      const items = step.items.flatMap((p) => swapped(p, diets) ?? []);
      return items.length > 0 ? [{ ...step, items }] : [];
    }
  }
}

/**
 * The steps so that nothing in them breaks a diet, as far as something stands in: oil for butter, rice flour for
 * wheat, vegetable stock for meat, fish and wine, oat or coconut for cream, a slurry for a liaison; bacon and cheese
 * are left out. What nothing stands in for stays, and the plan says so.
 */
export function dieted(recipe: Recipe, diets: readonly Diet[]): readonly RecipeStep[] {
  if (diets.length === 0) return recipe.steps;
  const own = ownFinish(recipe);
  const milky = own.of.some((o) => breaks(o.ingredient, diets));
  const finish = finishOf(POURED.find((id) => !breaks(id, diets)));
  const steps =
    milky && finish && own.ml > 0
      ? finishedWith(recipe, finish, { finishMl: own.ml / recipe.yieldLitres })
      : recipe.steps;
  return steps.flatMap((s) => stepFor(s, diets));
}

const namesIn = (steps: readonly RecipeStep[]): ReadonlySet<string> =>
  new Set(steps.flatMap((s) => portionsIn<RecipePortion>(s).map((p) => p.ingredient)));

/** What a diet changes in a recipe, each ingredient once, and what breaks it still. */
export function dietSwaps(
  recipe: Recipe,
  diets: readonly Diet[],
): { readonly swaps: readonly Swap[]; readonly left: readonly string[] } {
  const [before, after] = [namesIn(recipe.steps), namesIn(dieted(recipe, diets))];
  const gone = [...before].filter((id) => !after.has(id));
  const left = [...after].filter((id) => breaks(id, diets));
  const milky = (id: string): boolean => ['dairy', 'cheese'].includes(ingredient(id).group);
  return {
    swaps: gone.map((from) => {
      const finish = milky(from) ? POURED.find((id) => after.has(id) && !before.has(id)) : undefined;
      return { from, to: finish ?? standIn(from, diets) ?? null };
    }),
    left,
  };
}
