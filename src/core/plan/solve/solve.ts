import type { Aim } from '../../order/order';
import { type Observation, observe } from '../../pot/observe';
import { portionsIn } from '../../pot/portions';
import type { Goal } from '../../recipe/amount';
import type { Recipe, RecipePortion } from '../../recipe/recipe';
import { type Attempt, balance, CLOSE, missesOf, type Slopes, type Turned } from './balance';
import type { Dosing } from './resolve';
import { type Run, type Setup, simulate } from './simulate';

export type Solved = {
  readonly run: Run;
  readonly found: Observation;
  readonly dosing: Dosing;
  /** Kept so that the next, nearby solution need not measure them again. */
  readonly slopes: Slopes;
  /** What could not be met: the dose or the liquid ran into its limit. */
  readonly missed: readonly Miss[];
  /** How often the recipe was cooked in thought. */
  readonly runs: number;
};

export type Miss =
  | 'too thick without'
  | 'too thin with all'
  | 'no room for liquid'
  | 'too rich without'
  | 'never so rich';

/** More than this of a soup is dairy, and it is another soup. Our assumption. */
const MOST_DAIRY = 0.65;

/** g of dairy a litre to look from. */
const USUAL_DAIRY = 150;

type Goals = {
  readonly thickness: 'grams' | 'share' | 'none';
  readonly volume: boolean;
  readonly richness: boolean;
};

/** Whether what the plan solves is a share of the pot to blend, not grams of a thickener. */
export const doseIsShare = (recipe: Recipe): boolean =>
  recipe.steps.some((s) => s.kind === 'puree' && typeof s.fraction !== 'number');

/** What a recipe leaves to be solved, in the order of its steps. */
export const goalsIn = (recipe: Recipe): readonly Goal[] =>
  recipe.steps.flatMap((s) => [
    ...portionsIn<RecipePortion>(s).flatMap((p) => (p.amount.kind === 'solve' ? [p.amount.goal] : [])),
    ...(s.kind === 'puree' && typeof s.fraction !== 'number' ? [s.fraction.goal] : []),
  ]);

function goalsOf(recipe: Recipe): Goals {
  const goals = goalsIn(recipe);
  return {
    thickness: doseIsShare(recipe) ? 'share' : goals.includes('thickness') ? 'grams' : 'none',
    volume: goals.includes('volume'),
    richness: goals.includes('richness'),
  };
}

/**
 * Finds the dose, the made-up liquid and the dairy for which the pot, cooked to the end of the recipe, holds
 * `aim.litres` at `aim.target` in the bowl, with `aim.rich` % of fat in its liquid where that is asked for. Misses are counted in flour equivalents, volume and fat,
 * in which the answer is nearly a straight line, and closed by Broyden's method. `from` is a nearby
 * solution to start at, e.g. the one before the finger moved. Amounts come back rounded to what a
 * scale can show, and `found` is what those rounded amounts give.
 */
export function solve(
  recipe: Recipe,
  aim: Aim,
  setup: Setup,
  from?: Pick<Solved, 'dosing' | 'slopes'>,
): Solved {
  const goals = goalsOf(recipe);
  const scale = aim.litres / recipe.yieldLitres;
  const liquidUnit = aim.litres * 1000;
  const doseUnit = goals.thickness === 'share' ? 1 : aim.litres * 50;
  const mostDose = goals.thickness === 'share' ? 1 : aim.litres * 400;
  const counts = {
    thickness: goals.thickness !== 'none',
    volume: goals.volume,
    richness: goals.richness && aim.rich !== undefined,
  };
  let runs = 0;

  const attempt = ({ dose, liquid, dairy }: Turned): Attempt => {
    const { pot } = simulate(recipe, { scale, dose, liquid, dairy, rounded: false }, setup);
    const found = observe(pot, setup.kitchen);
    runs++;
    return { dose, liquid, dairy, ...missesOf(found, aim, counts) };
  };

  const { found: now, slopes } = balance(
    {
      dose: goals.thickness === 'none' ? 0 : (from?.dosing.dose ?? doseUnit * 0.5),
      liquid: goals.volume ? (from?.dosing.liquid ?? liquidUnit * 0.7) : 0,
      dairy: counts.richness ? from?.dosing.dairy || aim.litres * USUAL_DAIRY : 0,
    },
    {
      dose: goals.thickness === 'none' ? null : { unit: doseUnit, most: mostDose },
      liquid: goals.volume ? { unit: liquidUnit, most: 3 * liquidUnit } : null,
      dairy: counts.richness ? { unit: liquidUnit * 0.2, most: liquidUnit * MOST_DAIRY } : null,
    },
    attempt,
    // Slopes that were measured without the dairy say nothing of it.
    { known: from && from.dosing.dairy > 0 === counts.richness ? from.slopes : undefined },
  );

  const missed: Miss[] = [];
  if (now.thickness > 3 * CLOSE) missed.push('too thick without');
  if (now.thickness < -3 * CLOSE) missed.push('too thin with all');
  if (now.volume > 3 * CLOSE) missed.push('no room for liquid');
  if (now.richness > 3 * CLOSE) missed.push('too rich without');
  if (now.richness < -3 * CLOSE) missed.push('never so rich');
  const dosing: Dosing = { scale, dose: now.dose, liquid: now.liquid, dairy: now.dairy, rounded: true };
  const run = simulate(recipe, dosing, setup);
  return { run, found: observe(run.pot, setup.kitchen), dosing, slopes, missed, runs: runs + 1 };
}
