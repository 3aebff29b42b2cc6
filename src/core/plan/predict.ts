import { ingredient } from '../food/catalogue';
import { tenderness } from '../pot/cook';
import { observe } from '../pot/observe';
import type { Pot } from '../pot/pot';
import type { Recipe } from '../recipe/recipe';
import { within } from '../units/range';
import { titleOf } from '../words/steps';
import { assembled } from './plan';
import { LEVEL } from './solve/balance';
import { type Setup, type StepRun, simulate } from './solve/simulate';
import { goalsIn } from './solve/solve';
import type { Warning } from './types';

/** A pot as it would be found. */
type PotSummary = {
  readonly celsius: number;
  readonly volumeMl: number;
  readonly viscosity: number;
  readonly band: string;
  readonly saltPercent: number;
  readonly fatPercent: number;
  readonly pH: number;
  readonly garnish: readonly {
    readonly name: string;
    readonly g: number /** 1 and above is tender. */;
    readonly tenderness: number;
  }[];
};

type Predicted = {
  readonly steps: readonly (PotSummary & { readonly title: string; readonly endsAt: number })[];
  readonly serving: PotSummary;
  /** What a plan of it would warn of. */
  readonly warnings: readonly Warning[];
};

function found(pot: Pot, setup: Setup): PotSummary {
  const o = observe(pot, setup.kitchen);
  const inPieces = pot.pieces.reduce((sum, p) => sum + p.g * p.composition.fat, 0);
  return {
    celsius: o.celsius,
    volumeMl: o.volumeMl,
    viscosity: o.bowlViscosity,
    band: o.band,
    saltPercent: o.saltPercent,
    fatPercent: o.massG > 0 ? ((pot.liquid.fat + pot.freeFat + inPieces) / o.massG) * 100 : 0,
    pH: o.pH,
    garnish: pot.pieces.map((p) => ({
      name: ingredient(p.ingredient).name,
      g: p.g,
      tenderness: tenderness(p),
    })),
  };
}

/**
 * A recipe as written, with its own fixed amounts times `scale`: what the pot would be after each step and at
 * serving. Throws {@link OutOfRange}.
 */
export function predict(recipe: Recipe, scale: number, setup: Setup): Predicted {
  within('scale', scale, 1e-3, 1e4);
  const dosing = { scale, dose: 0, liquid: 0, dairy: 0, rounded: false };
  const run = simulate(recipe, dosing, setup);
  const end = observe(run.pot, setup.kitchen);
  const solved = { run, found: end, dosing, slopes: LEVEL, missed: [], runs: 1 };
  const { warnings } = assembled(
    recipe,
    { litres: end.volumeMl / 1000, target: end.bowlViscosity },
    setup,
    solved,
  );
  const steps = run.ran.map((r: StepRun) => ({
    title: titleOf(r.step, r.before.celsius),
    endsAt: r.pot.seconds,
    ...found(r.pot, setup),
  }));
  return { steps, serving: found(run.pot, setup), warnings };
}

/** Amounts a recipe leaves open; a recipe with any cannot be predicted as written. */
export const openAmounts = (recipe: Recipe): readonly string[] =>
  goalsIn(recipe).flatMap((goal) =>
    goal === 'taste' ? [] : [goal === 'thickness' ? 'to thicken' : `to ${goal}`],
  );
