import type { Aim } from '../../order/order';
import { type Observation, observe } from '../../pot/observe';
import { portionsIn } from '../../pot/portions';
import type { Goal } from '../../recipe/amount';
import type { Recipe, RecipePortion } from '../../recipe/recipe';
import { type Attempt, balance, CLOSE, missesOf, type Slopes } from './balance';
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

export type Miss = 'too thick without' | 'too thin with all' | 'no room for liquid';

type Goals = { readonly thickness: 'grams' | 'share' | 'none'; readonly volume: boolean };

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
  };
}

/**
 * Finds the dose and the made-up liquid for which the pot, cooked to the end of the recipe, holds
 * `aim.litres` at `aim.target` in the bowl. Misses are counted in flour equivalents and volume,
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
  let runs = 0;

  const attempt = (dose: number, liquid: number): Attempt => {
    const { pot } = simulate(recipe, { scale, dose, liquid, rounded: false }, setup);
    const found = observe(pot, setup.kitchen);
    runs++;
    const counts = { thickness: goals.thickness !== 'none', volume: goals.volume };
    return { dose, liquid, ...missesOf(found, aim, counts) };
  };

  const { found: now, slopes } = balance(
    {
      dose: goals.thickness === 'none' ? 0 : (from?.dosing.dose ?? doseUnit * 0.5),
      liquid: goals.volume ? (from?.dosing.liquid ?? liquidUnit * 0.7) : 0,
    },
    {
      dose: goals.thickness === 'none' ? null : { unit: doseUnit, most: mostDose },
      liquid: goals.volume ? { unit: liquidUnit, most: 3 * liquidUnit } : null,
    },
    attempt,
    { known: from?.slopes },
  );

  const missed: Miss[] = [];
  if (now.thickness > 3 * CLOSE) missed.push('too thick without');
  if (now.thickness < -3 * CLOSE) missed.push('too thin with all');
  if (now.volume > 3 * CLOSE) missed.push('no room for liquid');
  const dosing: Dosing = { scale, dose: now.dose, liquid: now.liquid, rounded: true };
  const run = simulate(recipe, dosing, setup);
  return { run, found: observe(run.pot, setup.kitchen), dosing, slopes, missed, runs: runs + 1 };
}
