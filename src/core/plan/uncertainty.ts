import { type Band, type BandLimits, rangeOf } from '../flow/bands';
import { FACTORS, type Factor, type Kitchen, spreadOf } from '../pot/kitchen';
import { observe } from '../pot/observe';
import { portionsIn } from '../pot/portions';
import type { Recipe, RecipePortion } from './recipe';
import { offBy, type RouxChoice, type Trial } from './resolve';
import { type Stand, simulate } from './simulate';

/** What a pot may come out otherwise by: a house factor, or what its recipe counts or gives as a range. */
export type Doubtful = Factor | 'hand';

/** As it is said on a page. */
export const doubtWords = (d: Doubtful): string =>
  d === 'hand' ? 'what is counted, or given as a range' : FACTORS[d].words;

/** The doubtful things of a recipe: the house factors, and its own amounts where they leave something open. */
export const doubtfulIn = (recipe: Recipe): readonly Doubtful[] => [
  ...(Object.keys(FACTORS) as Factor[]),
  ...(recipe.steps.some((s) => portionsIn<RecipePortion>(s).some((p) => offBy(p) > 0))
    ? (['hand'] as const)
    : []),
];

/** Standard deviation of the logarithm; amounts are moved in their own. */
export const spreadOfDoubt = (d: Doubtful, stand: Stand): number => (d === 'hand' ? 1 : spreadOf(d, stand));

/** The pot in the bowl, mPa·s, with each doubtful thing moved by so much in its logarithm. */
export function viscosityWith(
  moved: Readonly<Partial<Record<Doubtful, number>>>,
  recipe: Recipe,
  trial: Trial,
  stand: Stand,
  choice?: RouxChoice,
): number {
  const factors = { ...stand.kitchen.factors };
  for (const f of Object.keys(FACTORS) as Factor[]) factors[f] *= Math.exp(moved[f] ?? 0);
  const kitchen: Kitchen = { ...stand.kitchen, factors };
  const by = moved.hand ? { ...trial, hand: moved.hand } : trial;
  return observe(simulate(recipe, by, { ...stand, kitchen }, choice).pot, kitchen).bowlViscosity;
}

/** How much of the doubt about the result one thing causes. */
export type Contribution = {
  readonly factor: Doubtful;
  readonly words: string /** Share of the variance, 0–1. */;
  readonly share: number;
};

export type Doubt = {
  /** Standard deviation of ln(viscosity in the bowl). */
  readonly spread: number;
  readonly contributions: readonly Contribution[];
};

/** An 80 % interval reaches this many standard deviations either way. */
const EIGHT_IN_TEN = 1.2816;

/**
 * First-order propagation of the house factors' spreads through the whole cooking: each factor is
 * moved half a standard deviation either way, everything else kept, and the changes of
 * ln(viscosity) are added in squares; so are the recipe's own counts and ranges, all together. Weighing (1 %) is left out: it is lost beside the rest.
 */
export function doubtOf(recipe: Recipe, trial: Trial, stand: Stand, choice?: RouxChoice): Doubt {
  const logAt = (factor: Doubtful, by: number): number =>
    Math.log(viscosityWith({ [factor]: by }, recipe, trial, stand, choice));
  const parts = doubtfulIn(recipe).map((factor) => {
    const half = spreadOfDoubt(factor, stand) / 2;
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

/** Where 8 in 10 batches would land, mPa·s. */
export const bracketOf = (viscosity: number, spread: number): readonly [number, number] => [
  viscosity * Math.exp(-EIGHT_IN_TEN * spread),
  viscosity * Math.exp(EIGHT_IN_TEN * spread),
];

/** Standard normal distribution function: Abramowitz & Stegun 26.2.17, error below 7.5e-8. */
export function normalBelow(z: number): number {
  const t = 1 / (1 + 0.2316419 * Math.abs(z));
  const tail =
    Math.exp((-z * z) / 2) *
    0.3989422804014327 *
    t *
    (0.31938153 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
  return z >= 0 ? 1 - tail : tail;
}

/** Chance, 0–1, that the pot lands inside `band`. */
export function chanceOfBand(viscosity: number, spread: number, band: Band, limits: BandLimits): number {
  const [low, high] = rangeOf(band, limits);
  if (spread <= 0) return viscosity >= low && viscosity < high ? 1 : 0;
  const z = (limit: number): number => (Math.log(limit) - Math.log(viscosity)) / spread;
  const below = band === 'Thin' ? 0 : normalBelow(z(low));
  const above = band === 'Stiff' ? 0 : 1 - normalBelow(z(high));
  return Math.max(0, 1 - below - above);
}
