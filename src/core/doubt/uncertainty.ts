import { type Dosing, offBy } from '../plan/solve/resolve';
import { type Setup, simulate } from '../plan/solve/simulate';
import { portionsIn } from '../pot/contents/portions';
import { FACTORS, type Factor, forSoup, type Kitchen, soupIn, soupSpread } from '../pot/kitchen';
import { observe } from '../pot/observe';
import { spreadIn } from '../pot/things';
import type { Recipe } from '../recipe/recipe';
import type { RecipePortion } from '../recipe/recipeStep';

/** What a pot may come out otherwise by: a house factor, what its recipe counts or gives as a range, or the soup itself in this kitchen. */
export type Doubtful = Factor | 'soup' | 'hand';

/** As it is said on a page. */
export const doubtWords = (d: Doubtful): string =>
  d === 'hand'
    ? 'what is counted, or given as a range'
    : d === 'soup'
      ? 'how this soup comes out here'
      : FACTORS[d].words;

/** The doubtful things of a recipe: the house factors, and its own amounts where they leave something open. */
export const doubtfulIn = (recipe: Recipe): readonly Doubtful[] => [
  ...(Object.keys(FACTORS) as Factor[]),
  'soup',
  ...(recipe.steps.some((s) => portionsIn<RecipePortion>(s).some((p) => offBy(p) > 0))
    ? (['hand'] as const)
    : []),
];

/** Standard deviation of the logarithm; amounts are moved in their own. */
export const spreadOfDoubt = (d: Doubtful, recipe: Recipe, setup: Setup): number =>
  d === 'hand'
    ? 1
    : d === 'soup'
      ? soupSpread(forSoup(recipe.id, setup.kitchen))
      : spreadIn(d, recipe.steps, setup);

/** The pot in the bowl, mPa·s, with each doubtful thing moved by so much in its logarithm. */
export function viscosityWith(
  moved: Readonly<Partial<Record<Doubtful, number>>>,
  recipe: Recipe,
  dosing: Dosing,
  setup: Setup,
): number {
  const factors = { ...setup.kitchen.factors };
  for (const f of Object.keys(FACTORS) as Factor[]) factors[f] *= Math.exp(moved[f] ?? 0);
  const { own, ...room } = forSoup(recipe.id, setup.kitchen);
  const soup = moved.soup ? { by: soupIn(room) * Math.exp(moved.soup), spread: 0, readings: 0 } : room.soup;
  // Moved in thought, it is not to be looked up again.
  const kitchen: Kitchen = { ...room, factors, soup, own: own && { ...own, soup: undefined } };
  const by = moved.hand ? { ...dosing, hand: moved.hand } : dosing;
  return observe(simulate(recipe, by, { ...setup, kitchen }).pot, kitchen).bowlViscosity;
}

/** How much of the doubt about the result one thing causes. */
type Contribution = {
  readonly factor: Doubtful;
  readonly words: string /** Share of the variance, 0–1. */;
  readonly share: number;
};

export type Doubt = {
  /** Standard deviation of ln(viscosity in the bowl). */
  readonly spread: number;
  readonly contributions: readonly Contribution[];
};

/**
 * First-order propagation of the house factors' spreads through the whole cooking: each factor is
 * moved half a standard deviation either way, everything else kept, and the changes of
 * ln(viscosity) are added in squares; so are the recipe's own counts and ranges, all together.
 */
export function doubtOf(recipe: Recipe, dosing: Dosing, setup: Setup): Doubt {
  const logAt = (factor: Doubtful, by: number): number =>
    Math.log(viscosityWith({ [factor]: by }, recipe, dosing, setup));
  const parts = doubtfulIn(recipe).map((factor) => {
    const half = spreadOfDoubt(factor, recipe, setup) / 2;
    return { factor, variance: (logAt(factor, half) - logAt(factor, -half)) ** 2 };
  });
  const variance = parts.reduce((sum, p) => sum + p.variance, 0);
  return {
    spread: Math.sqrt(variance),
    contributions: parts
      .map((p) => ({
        factor: p.factor,
        words: doubtWords(p.factor),
        share: variance > 0 ? p.variance / variance : 0,
      }))
      .sort((x, y) => y.share - x.share),
  };
}
