import type { Band } from '../flow/bands';
import { term } from '../message/term';
import type { Aim } from '../order/order';
import type { Dosing } from '../plan/solve/resolve';
import { multiplied, repeat, type Setup } from '../plan/solve/simulate';
import { doseIsShare, solve } from '../plan/solve/solve';
import type { Plan } from '../plan/types';
import { observe } from '../pot/observe';
import type { Recipe } from '../recipe/recipe';
import { wordsFor } from '../text/inWords';
import { METRIC, type Show } from '../units/shown/show';

/** The recipe as made at home, its amounts only multiplied, cooked in the pot at hand. */
export type Multiplied = {
  readonly by: number;
  readonly fromLitres: number;
  readonly viscosity: number;
  readonly band: Band;
  readonly volumeMl: number;
  /** g of steam: what multiplying expects, and what this pot gives off. */
  readonly steamExpected: number;
  readonly steamHere: number;
  /** g the plan gives more than multiplying does; null when the dose is a share of the pot. */
  readonly moreDose: number | null;
  /** What the dose is called: flour, or another thickener counted as flour. */
  readonly doseIs: 'flour' | 'thickener, counted as flour';
  readonly moreLiquid: number;
};

/** What multiplying the recipe would do in this pot, against what the plan does. */
export function justMultiplied(
  recipe: Recipe,
  plan: { readonly aim: Aim; readonly setup: Setup; readonly dosing: Dosing },
): Multiplied {
  const { aim, setup, dosing } = plan;
  const home: Setup = { ...recipe.home, kitchen: setup.kitchen };
  const atHome = solve(recipe, { ...aim, litres: recipe.yieldLitres }, home);
  const by = aim.litres / recipe.yieldLitres;
  const { pot } = repeat(
    atHome.run.ran.map((r) => multiplied(r.step, by)),
    setup,
  );
  const found = observe(pot, setup.kitchen);
  return {
    by,
    fromLitres: recipe.yieldLitres,
    viscosity: found.bowlViscosity,
    band: found.band,
    volumeMl: found.volumeMl,
    steamExpected: atHome.run.pot.evaporated * by,
    steamHere: pot.evaporated,
    moreDose: doseIsShare(recipe) ? null : dosing.dose - atHome.dosing.dose * by,
    doseIs: recipe.steps.some((s) => s.kind === 'thicken') ? 'thickener, counted as flour' : 'flour',
    moreLiquid: dosing.liquid - atHome.dosing.liquid * by,
  };
}

/** Differences below this, %, are not worth a cook's eye. */
const WORTH_SAYING = 3;

/** The comparison in words: how much thinner or thicker, and why. */
export function multipliedWords(
  m: Multiplied,
  plan: Plan,
  show: Show = METRIC,
): { readonly headline: string; readonly because: string } {
  const say = wordsFor(show);
  const ratio = m.viscosity / plan.found.bowlViscosity;
  const percent = Math.round(Math.abs(ratio - 1) * 100);
  const by = say('The {fromLitres} recipe × {number}', {
    fromLitres: { litres: m.fromLitres },
    number: Number(m.by.toFixed(1)),
  });
  if (percent < WORTH_SAYING) {
    if (Math.abs(m.by - 1) < 0.01)
      return { headline: say('This is the size the recipe was written for.'), because: '' };
    return {
      headline: say('{by} would land here too.', { by }),
      because: say('This pot loses water in step with the recipe’s own.'),
    };
  }
  const extra =
    Math.abs(m.volumeMl - plan.found.volumeMl) > 50
      ? say(', and make {volumeMl}', { volumeMl: { ml: m.volumeMl } })
      : '';
  const less = m.steamExpected - m.steamHere;
  const cure = [
    Math.abs(m.moreLiquid) > 50
      ? say('{abs} {moreLiquid, select, yes {less} other {more}} liquid', {
          abs: { ml: Math.abs(m.moreLiquid) },
          moreLiquid: m.moreLiquid < 0 ? 'yes' : 'no',
        })
      : '',
    m.moreDose !== null && Math.abs(m.moreDose) >= 5
      ? say('{abs} {moreDose, select, yes {more} other {less}} {doseIs}', {
          abs: { g: Math.abs(m.moreDose) },
          moreDose: m.moreDose > 0 ? 'yes' : 'no',
          doseIs: term(m.doseIs),
        })
      : '',
  ].filter(Boolean);
  return {
    headline: say(
      '{by} would come out {percent} % {ratio, select, yes {thinner} other {thicker}} ({band}){extra}.',
      { by, percent, ratio: ratio < 1 ? 'yes' : 'no', band: term(m.band), extra },
    ),
    because: say(
      '{abs} {less, select, yes {less} other {more}} water boils off here than it counts on{count, select, yes {, so this plan takes {cure}} other {}}.',
      {
        abs: { ml: Math.abs(less) },
        less: less > 0 ? 'yes' : 'no',
        count: cure.length ? 'yes' : 'no',
        cure: { and: cure },
      },
    ),
  };
}
