import { equivalentsFor } from '../flow/viscosity';
import { type Observation, observe } from '../pot/observe';
import { portionsIn } from '../pot/portions';
import type { Goal } from './amount';
import type { Recipe, RecipePortion } from './recipe';
import type { RouxChoice, Trial } from './resolve';
import { type Run, type Stand, simulate } from './simulate';

export type Aim = { readonly litres: number; readonly viscosity: number };

/** Change of (thickness, volume) misses with (dose, liquid), as [[t/dose, t/liquid], [v/dose, v/liquid]] in the solver's units. */
export type Slopes = readonly [readonly [number, number], readonly [number, number]];

export type Solved = {
  readonly run: Run;
  readonly found: Observation;
  readonly trial: Trial;
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

/** Misses below this share are done. */
const CLOSE = 0.001;
const MOST_TRIES = 14;

/** One try: the recipe cooked with this dose (g or share) and this much made-up liquid (g). */
type Try = {
  readonly dose: number;
  readonly liquid: number;
  readonly thickness: number;
  readonly volume: number;
};

/** How far to step when measuring slopes, in the solver's units. */
const NUDGE = 0.05;

/**
 * Finds the dose and the made-up liquid for which the pot, cooked to the end of the recipe, holds
 * `aim.litres` at `aim.viscosity` in the bowl. Misses are counted in flour equivalents and volume,
 * in which the answer is nearly a straight line, and closed by Broyden's method. `from` is a nearby
 * solution to start at, e.g. the one before the finger moved. Amounts come back rounded to what a
 * scale can show, and `found` is what those rounded amounts give.
 */
export function solve(
  recipe: Recipe,
  aim: Aim,
  stand: Stand,
  choice?: RouxChoice,
  from?: Pick<Solved, 'trial' | 'slopes'>,
): Solved {
  const goals = goalsOf(recipe);
  const scale = aim.litres / recipe.yieldLitres;
  const liquidUnit = aim.litres * 1000;
  const doseUnit = goals.thickness === 'share' ? 1 : aim.litres * 50;
  const mostDose = goals.thickness === 'share' ? 1 : aim.litres * 400;
  const within = (x: number, most: number): number => Math.min(most, Math.max(0, x));
  let runs = 0;

  const attempt = (dose: number, liquid: number): Try => {
    const { pot } = simulate(recipe, { scale, dose, liquid, rounded: false }, stand, choice);
    const found = observe(pot, stand.kitchen);
    runs++;
    const wanted = equivalentsFor(aim.viscosity, found.fatFraction);
    return {
      dose,
      liquid,
      thickness: goals.thickness === 'none' ? 0 : (found.equivalents - wanted) / Math.max(10, wanted),
      volume: goals.volume ? found.volumeMl / (aim.litres * 1000) - 1 : 0,
    };
  };

  const measureSlopes = (at: Try): Slopes => {
    const nudge = at.dose > 0.9 * mostDose ? -NUDGE : NUDGE;
    const byDose = goals.thickness === 'none' ? null : attempt(at.dose + nudge * doseUnit, at.liquid);
    const byLiquid = goals.volume ? attempt(at.dose, at.liquid + NUDGE * liquidUnit) : null;
    return [
      [
        byDose ? (byDose.thickness - at.thickness) / nudge : 1,
        byLiquid ? (byLiquid.thickness - at.thickness) / NUDGE : 0,
      ],
      [
        byDose ? (byDose.volume - at.volume) / nudge : 0,
        byLiquid ? (byLiquid.volume - at.volume) / NUDGE : 1,
      ],
    ];
  };

  let now = attempt(
    goals.thickness === 'none' ? 0 : (from?.trial.dose ?? doseUnit * 0.5),
    goals.volume ? (from?.trial.liquid ?? liquidUnit * 0.7) : 0,
  );
  let slopes = from?.slopes ?? measureSlopes(now);

  for (let i = 0; i < MOST_TRIES; i++) {
    if (Math.abs(now.thickness) < CLOSE && Math.abs(now.volume) < CLOSE) break;
    const [[a, b], [c, d]] = slopes;
    const det = a * d - b * c;
    if (Math.abs(det) < 1e-9) break;
    const dose = within(now.dose + ((b * now.volume - d * now.thickness) / det) * doseUnit, mostDose);
    // With the dose against its limit, only the volume is left to solve for.
    const byVolume = dose === now.dose ? -now.volume / d : (c * now.thickness - a * now.volume) / det;
    const liquid = goals.volume ? within(now.liquid + byVolume * liquidUnit, 3 * liquidUnit) : 0;
    const x = (dose - now.dose) / doseUnit;
    const y = (liquid - now.liquid) / liquidUnit;
    const moved = x * x + y * y;
    if (moved < 1e-12) break;
    const next = attempt(dose, liquid);
    const missedT = (next.thickness - now.thickness - (a * x + b * y)) / moved;
    const missedV = (next.volume - now.volume - (c * x + d * y)) / moved;
    slopes = [
      [a + missedT * x, b + missedT * y],
      [c + missedV * x, d + missedV * y],
    ];
    now = next;
  }

  const missed: Miss[] = [];
  if (now.thickness > 3 * CLOSE) missed.push('too thick without');
  if (now.thickness < -3 * CLOSE) missed.push('too thin with all');
  if (now.volume > 3 * CLOSE) missed.push('no room for liquid');
  const trial: Trial = { scale, dose: now.dose, liquid: now.liquid, rounded: true };
  const run = simulate(recipe, trial, stand, choice);
  return { run, found: observe(run.pot, stand.kitchen), trial, slopes, missed, runs: runs + 1 };
}
