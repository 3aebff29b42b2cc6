import { FILL_LIMIT, rimVolume } from '../heat/vessel';
import type { Aim } from '../order/order';
import type { Kitchen } from '../pot/kitchen';
import { observe } from '../pot/observe';
import { THE_POT } from '../pot/pans/pan';
import type { Recipe } from '../recipe/recipe';
import { within } from '../units/range';
import { cautionsOf } from './deeds';
import {
  inHandOrder,
  peakVolume,
  type Run,
  type Setup,
  type StepRun,
  setupFor,
  simulate,
} from './solve/simulate';
import { isSolvedFor, type Solved, solve, solveOrdered } from './solve/solve';
import type { Plan, PlanStep } from './types';
import { warningsFor } from './warnings';
import { weighOut } from './weighOut';

const toPlanStep = (r: StepRun, kitchen: Kitchen): PlanStep => ({
  step: r.step,
  pan: r.pan,
  startsAt: r.before.seconds,
  seconds: r.pot.seconds - r.before.seconds,
  from: r.before.celsius,
  celsius: r.pot.celsius,
  volumeMl: r.trace.at(-1)?.volumeMl ?? 0,
  cautions: cautionsOf(r, kitchen),
});

/** A plan of what was solved, or written: timed steps, weigh-out, trajectory and warnings. */
export function assembled(recipe: Recipe, aim: Aim, setup: Setup, solved: Solved): Plan {
  const run: Run = solved.run;
  const rimMl = rimVolume(setup.vessel);
  const partial = {
    recipeId: recipe.id,
    recipeName: recipe.name,
    aim: {
      litres: aim.litres,
      target: aim.target,
      ...(aim.rich !== undefined && { rich: aim.rich }),
      ...(aim.diet?.length && { diet: aim.diet }),
    },
    setup,
    beside: run.beside,
    steps: run.ran.map((r) => toPlanStep(r, setup.kitchen)),
    weighOut: weighOut(recipe, run, setup.kitchen),
    found: solved.found,
    seconds: run.pot.seconds,
    steamG: Object.values(run.pots).reduce((sum, p) => sum + p.evaporated, 0),
    peakMl: peakVolume(run),
    fillLimitMl: rimMl * FILL_LIMIT,
    rimMl,
    trace: run.ran.flatMap((r) => (r.pan === THE_POT ? r.trace : [])),
    solved,
  };
  return { ...partial, warnings: warningsFor(partial, run) };
}

/** Whether two aims are the same. */
const sameAim = (a: Aim, b: Aim): boolean =>
  a.litres === b.litres &&
  a.target === b.target &&
  a.rich === b.rich &&
  (a.diet ?? []).join() === (b.diet ?? []).join();

/** What was solved, without the cooking of it. */
export type Begun = Pick<Solved, 'dosing' | 'slopes' | 'missed' | 'times' | 'writtenMl'>;

/** The plan whose amounts were solved elsewhere for the same recipe, aim and setup: cooked once, to the same answer. */
export function planBegun(written: Recipe, aim: Aim, at: Setup, begun: Begun): Plan {
  const setup = setupFor(written, at);
  const recipe = inHandOrder(written, aim.litres, setup);
  const run = simulate(recipe, begun.dosing, setup);
  const found = observe(run.pot, setup.kitchen);
  return assembled(recipe, aim, setup, { ...begun, run, found, runs: 1, of: { recipe, setup } });
}

/**
 * Everything a cook needs before lighting the flame: doses solved for this pot, weigh-out, timed
 * steps, trajectory and warnings.
 * `near` is an earlier plan to start from; it changes the speed, not the answer, and is the answer itself where
 * the same is asked. Throws {@link OutOfRange}
 * for litres outside 0.1–2000 or a target outside 0.5–20 000 mPa·s.
 */
export function planFor(
  written: Recipe,
  aim: Aim,
  at: Setup,
  near?: Plan,
  /** What it comes to as it is written, whatever that is. */
  { asWritten = false }: { readonly asWritten?: boolean } = {},
): Plan {
  within('litres', aim.litres, 0.1, 2000, 'L');
  within('target', aim.target, 0.5, 20_000, 'mPa·s');
  const setup = setupFor(written, at);
  const recipe = inHandOrder(written, aim.litres, setup);
  const from = near?.recipeId === recipe.id ? near.solved : undefined;
  if (near && isSolvedFor(near.solved.of, recipe, setup) && sameAim(near.aim, aim)) return near;
  const solved = asWritten ? solve(recipe, aim, setup, from) : solveOrdered(recipe, aim, setup, from);
  return assembled(recipe, aim, setup, solved);
}
