import type { Band } from '../flow/bands';
import type { Aim } from '../order/order';
import type { Dosing } from '../plan/solve/resolve';
import { multiplied, repeat, type Setup } from '../plan/solve/simulate';
import { doseIsShare, solve } from '../plan/solve/solve';
import type { Plan } from '../plan/types';
import { observe } from '../pot/observe';
import type { Recipe } from '../recipe/recipe';
import { spaced } from '../units/format';
import { askedVolume, METRIC, type Show, volumeWords } from '../units/show';

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
  const atHome = solve(recipe, { litres: recipe.yieldLitres, target: aim.target }, home);
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
  const ratio = m.viscosity / plan.found.bowlViscosity;
  const percent = Math.round(Math.abs(ratio - 1) * 100);
  const by = `The ${askedVolume(m.fromLitres, show)} recipe × ${Number(m.by.toFixed(1))}`;
  if (percent < WORTH_SAYING) {
    if (Math.abs(m.by - 1) < 0.01)
      return { headline: 'This is the size the recipe was written for.', because: '' };
    return {
      headline: `${by} would land here too.`,
      because: 'This pot loses water in step with the recipe’s own.',
    };
  }
  const extra =
    Math.abs(m.volumeMl - plan.found.volumeMl) > 50 ? `, and make ${volumeWords(m.volumeMl, show)}` : '';
  const less = m.steamExpected - m.steamHere;
  const cure = [
    Math.abs(m.moreLiquid) > 50
      ? `${volumeWords(Math.abs(m.moreLiquid), show)} ${m.moreLiquid < 0 ? 'less' : 'more'} liquid`
      : '',
    m.moreDose !== null && Math.abs(m.moreDose) >= 5
      ? `${spaced(Math.abs(m.moreDose))} g ${m.moreDose > 0 ? 'more' : 'less'} ${m.doseIs}`
      : '',
  ].filter(Boolean);
  return {
    headline: `${by} would come out ${percent} % ${ratio < 1 ? 'thinner' : 'thicker'} (${m.band})${extra}.`,
    because: `${volumeWords(Math.abs(less), show)} ${less > 0 ? 'less' : 'more'} water boils off here than it counts on${
      cure.length ? `, so this plan takes ${cure.join(' and ')}` : ''
    }.`,
  };
}
