import { equivalentsFor } from '../../flow/viscosity';
import type { Aim } from '../../order/order';
import { portionsIn } from '../../pot/contents/portions';
import { type Observation, observe } from '../../pot/observe';
import type { Goal } from '../../recipe/amountOf';
import type { Recipe } from '../../recipe/recipe';
import type { RecipePortion } from '../../recipe/recipeStep';
import {
  type Attempt,
  balance,
  LEAST_WANTED,
  missesOf,
  type Slopes,
  type Turned,
  type Unknowns,
} from './balance';
import { type Dosing, givenGrams } from './resolve';
import { type Run, type Setup, simulate } from './simulate';

export type Solved = {
  readonly run: Run;
  readonly found: Observation;
  readonly dosing: Dosing;
  /** Kept so that the next, nearby solution need not measure them again. */
  readonly slopes: Slopes;
  /** The last try of the solver, before amounts were rounded: what a nearby solution begins with. */
  readonly rough?: Rough;
  /** What it was solved for; not said where nothing was. */
  readonly of?: Of;
  /** What could not be met: the dose or the liquid ran into its limit. */
  readonly missed: readonly Miss[];
  /**
   * How many times all that is written was taken so that it comes to what was ordered, and what it would have come
   * to, mL; absent where it was taken as written.
   */
  readonly times?: number;
  readonly writtenMl?: number;
  /** How often the recipe was cooked in thought. */
  readonly runs: number;
};

type Of = { readonly recipe: Recipe; readonly setup: Setup };

/** Whether something was solved for this very recipe in this very setup. */
export const isSolvedFor = (
  of: Of | undefined,
  recipe: Recipe,
  { vessel, burner, kitchen }: Setup,
): boolean =>
  of?.recipe === recipe &&
  of.setup.vessel === vessel &&
  of.setup.burner === burner &&
  of.setup.kitchen === kitchen;

type Rough = {
  readonly run: Run;
  readonly found: Observation;
  readonly turned: Turned;
  readonly scale: number;
  readonly of: Of;
};

export type Miss =
  | 'too thick without'
  | 'too thin with all'
  | 'no room for liquid'
  | 'boils away'
  | 'too rich without'
  | 'never so rich';

/** More than this of a soup is dairy, and it is another soup. Our assumption. */
const MOST_DAIRY = 0.65;

/** A miss beyond this share is one: an aim that could not be met. */
const FAR = 0.003;

/** A miss that will do where the aim is hard to meet. */
const CLOSE_AT_LAST = 0.001;

/** A miss the slopes are trusted to close: what is left of it then is less than a try is held to. */
const TRUSTED = 0.0005;

/** Tries after which slopes that were only expected are measured. */
const QUICK = 6;

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

/** Whether nothing of a recipe is left by which its volume could be met: then all of it is. */
const volumeIsWritten = (recipe: Recipe): boolean =>
  !goalsOf(recipe).volume &&
  // What is poured to cover what lies there has its volume from that.
  !recipe.steps.some((s) => portionsIn<RecipePortion>(s).some((p) => p.amount.kind === 'height'));

/** A volume this near, as a share, is what was ordered; and how often it is looked for. */
const ORDERED = 0.002;
const MOST_TRIES = 6;

/** Of more or less than this, times, another recipe would be made of it. Our assumption. */
const MOST_TIMES = 4;

/**
 * As {@link solve}, of a recipe whose liquid is written and not left to the plan: all of it is taken so many times as comes to
 * the litres ordered. What stays off by more than {@link MOST_TIMES} is left as it is written.
 */
export function solveOrdered(
  recipe: Recipe,
  aim: Aim,
  setup: Setup,
  from?: Pick<Solved, 'dosing' | 'slopes' | 'rough'>,
): Solved {
  const written = solve(recipe, aim, setup, from);
  if (!volumeIsWritten(recipe)) return written;
  let solved = written;
  let times = 1;
  for (let n = 0; n < MOST_TRIES; n++) {
    const off = (aim.litres * 1000) / Math.max(1, solved.found.volumeMl);
    if (Math.abs(off - 1) < ORDERED) break;
    times *= off;
    if (times > MOST_TIMES || times < 1 / MOST_TIMES) return written;
    solved = solve(recipe, aim, setup, solved, times);
  }
  return solved === written ? written : { ...solved, times, writtenMl: written.found.volumeMl };
}

/**
 * Of the liquid put in, a share goes off as steam before it is done; of the flour wanted, the vegetables do a
 * share. Only to begin with.
 */
const STEAMED = 0.08;
const OWN_SHARE = 0.3;

/** Where to begin: the liquid by what else goes in, the dose by what the target takes. */
function guessed(recipe: Recipe, aim: Aim, { kitchen }: Setup, usual: Turned, goals: Goals): Partial<Turned> {
  const scale = aim.litres / recipe.yieldLitres;
  // What is strained out takes no room in the end.
  const stays = recipe.steps.every((s) => s.kind !== 'strain');
  const given = recipe.steps
    .flatMap((s) => portionsIn<RecipePortion>(s))
    .reduce((sum, p) => sum + (givenGrams(p, kitchen) ?? 0) * scale, 0);
  const liquid = aim.litres * 1000 * (1 + STEAMED) - given - usual.dairy;
  const most = aim.litres * 1000;
  return {
    ...(goals.volume && stays && { liquid: Math.min(most, Math.max(most * 0.25, liquid)) }),
    ...(goals.thickness === 'grams' && {
      dose: equivalentsFor(aim.target, (aim.rich ?? 2) / 100) * aim.litres * (1 - OWN_SHARE),
    }),
  };
}

/**
 * Finds the dose, the made-up liquid and the dairy for which the pot, cooked to the end of the recipe, holds
 * `aim.litres` at `aim.target` in the bowl, with `aim.rich` % of fat in its liquid where that is asked for.
 * Misses are counted in flour equivalents, volume and fat,
 * in which the answer is nearly a straight line, and closed by Broyden's method. `from` is a nearby
 * solution to start at, e.g. the one before the finger moved. Amounts come back rounded to what a
 * scale can show, and `found` is what those rounded amounts give.
 */
export function solve(
  recipe: Recipe,
  aim: Aim,
  setup: Setup,
  from?: Pick<Solved, 'dosing' | 'slopes' | 'rough'>,
  /** All that is written taken so many times more. */
  times = 1,
): Solved {
  const goals = goalsOf(recipe);
  const scale = (aim.litres / recipe.yieldLitres) * times;
  const liquidUnit = aim.litres * 1000;
  const doseUnit = goals.thickness === 'share' ? 1 : aim.litres * 50;
  const mostDose = goals.thickness === 'share' ? 1 : aim.litres * 400;
  const counts = {
    thickness: goals.thickness !== 'none',
    volume: goals.volume,
    richness: goals.richness && aim.rich !== undefined,
  };
  let runs = 0;
  const near = from?.rough && isSolvedFor(from.rough.of, recipe, setup) ? from.rough : undefined;
  let rough: Rough | undefined = near;

  // Yolk goes in for its own sake, and boils no more: what it does bends, and more than one answer may do. The old
  // beginning finds the old one.
  const bends = recipe.steps.some((s) => s.kind === 'temper');

  /** Cooks it with these, and says what it misses: spread over the litres wanted where nothing stands in the way, else as it is. */
  const attempt =
    (spreads: boolean) =>
    (turned: Turned): Attempt => {
      const run = simulate(recipe, { scale, ...turned, rounded: false }, setup, rough?.run);
      const found = observe(run.pot, setup.kitchen);
      rough = { run, found, turned, scale, of: { recipe, setup } };
      runs++;
      return { ...turned, ...missesOf(found, aim, counts, spreads) };
    };
  // Of so much soup the last try is known: only what it misses is another.
  const begun =
    near && near.scale === scale && near.turned.dairy > 0 === counts.richness
      ? { ...near.turned, ...missesOf(near.found, aim, counts, !bends) }
      : undefined;

  /**
   * Slopes to expect of a pot, in the solver’s units: a gram more of flour is a gram more of what thickens, and takes some room; a
   * gram more of liquid is a millilitre more. Measured where what is turned is a share of the pot, or its dairy.
   */
  const expected = (): Slopes | undefined => {
    if (!rough || goals.thickness === 'share' || counts.richness || bends) return undefined;
    const wanted = Math.max(LEAST_WANTED, equivalentsFor(aim.target, rough.found.fatFraction));
    const litres = counts.volume ? aim.litres : rough.found.volumeMl / 1000;
    return [
      [doseUnit / litres / wanted, 0, 0],
      [(0.6 * doseUnit) / liquidUnit, 1, 0],
      [0, 0, 1],
    ];
  };

  const usual: Turned = {
    dose: goals.thickness === 'none' ? 0 : doseUnit * 0.5,
    liquid: goals.volume ? liquidUnit * 0.7 : 0,
    dairy: counts.richness ? aim.litres * USUAL_DAIRY : 0,
  };
  const unknowns: Unknowns = {
    dose: goals.thickness === 'none' ? null : { unit: doseUnit, most: mostDose },
    liquid: goals.volume ? { unit: liquidUnit, most: 3 * liquidUnit } : null,
    dairy: counts.richness ? { unit: liquidUnit * 0.2, most: liquidUnit * MOST_DAIRY } : null,
  };
  // Slopes that were measured without the dairy say nothing of it.
  const known = from && from.dosing.dairy > 0 === counts.richness ? from.slopes : undefined;
  const start: Turned = from
    ? {
        dose: usual.dose && from.dosing.dose,
        liquid: usual.liquid && from.dosing.liquid,
        dairy: usual.dairy && (from.dosing.dairy || usual.dairy),
      }
    : { ...usual, ...(!bends && guessed(recipe, aim, setup, usual, goals)) };
  const quick = balance(start, unknowns, attempt(!bends), {
    known: known ?? expected,
    begun,
    tries: QUICK,
    trusted: TRUSTED,
  });
  // What does not close at once is at a limit, or bends: it is gone about with care, the same from wherever one comes.
  const { found: now, slopes } = quick.closed
    ? quick
    : balance(usual, unknowns, attempt(false), { close: CLOSE_AT_LAST });

  const missed: Miss[] = [];
  if (now.thickness > FAR) missed.push('too thick without');
  if (now.thickness < -FAR) missed.push('too thin with all');
  if (now.volume > FAR) missed.push('no room for liquid');
  if (now.volume < -FAR) missed.push('boils away');
  if (now.richness > FAR) missed.push('too rich without');
  if (now.richness < -FAR) missed.push('never so rich');
  const dosing: Dosing = { scale, dose: now.dose, liquid: now.liquid, dairy: now.dairy, rounded: true };
  const run = simulate(recipe, dosing, setup, rough?.run);
  return {
    run,
    found: observe(run.pot, setup.kitchen),
    dosing,
    slopes,
    ...(rough && { rough }),
    of: { recipe, setup },
    missed,
    runs: runs + 1,
  };
}
