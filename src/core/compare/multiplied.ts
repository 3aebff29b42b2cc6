import type { Band } from '../flow/bands';
import { type Message, message } from '../message/message';
import { term } from '../message/term';
import type { Aim } from '../order/order';
import { besideOf } from '../plan/solve/beside';
import type { Dosing } from '../plan/solve/resolve';
import { multiplied, repeat, type Setup, setupFor } from '../plan/solve/simulate';
import { doseIsShare, solve } from '../plan/solve/solve';
import type { Plan } from '../plan/types';
import { consistency, observe } from '../pot/observe';
import type { Pot } from '../pot/pot';
import type { Recipe } from '../recipe/recipe';
import { wordsFor } from '../text/inWords';
import { METRIC, type Show } from '../units/shown/show';

/** What makes a multiplied soup another, by how much (ln of its thickness), and the figure behind it. */
export type SizeCause = { readonly by: number } & (
  | {
      /** g of steam more than multiplying counts on; less where negative. */ readonly kind: 'steam';
      readonly g: number;
    }
  | {
      /** g more held back by what is strained out or poured off. */ readonly kind: 'kept-back';
      readonly g: number;
    }
  | { /** s more, or less, on the fire than at home. */ readonly kind: 'time'; readonly seconds: number }
);

/** The recipe as made at home, its amounts only multiplied, cooked in the pot at hand. */
export type Multiplied = {
  readonly by: number;
  readonly fromLitres: number;
  /** mPa·s in the bowl at home, where it was written for, and multiplied here. */
  readonly atHome: number;
  readonly viscosity: number;
  readonly band: Band;
  readonly volumeMl: number;
  /** g of steam: what multiplying expects, and what this pot gives off. */
  readonly steamExpected: number;
  readonly steamHere: number;
  /** Why it comes out another, largest first; together they make all of the difference. */
  readonly causes: readonly SizeCause[];
  /** g the plan gives more than multiplying does; null when the dose is a share of the pot, or no dose is left to the plan. */
  readonly moreDose: number | null;
  /** What the dose is called: flour, or another thickener counted as flour. */
  readonly doseIs: 'flour' | 'thickener, counted as flour';
  readonly moreLiquid: number;
};

const thickness = (pot: Pot): number => Math.log(Math.max(1e-3, consistency(pot).bowlViscosity));

/** The pot with so much more water in it, or less: what a difference of steam, or of what was held back, did. */
function withWater(pot: Pot, g: number): Pot {
  const water = Math.max(1, pot.liquid.water + g);
  return { ...pot, liquid: { ...pot.liquid, water } };
}

/**
 * Why a pot multiplied `by` differs from the one at home, each found by undoing it: the water that left as steam, and with
 * what was strained out, given back; what is left then is of the time on the fire.
 */
function causesOf(home: Pot, here: Pot, by: number): readonly SizeCause[] {
  const steam = here.evaporated - home.evaporated * by;
  const kept = here.removed - home.removed * by;
  const steamed = withWater(here, steam);
  const both = withWater(steamed, kept);
  const causes: readonly SizeCause[] = [
    { kind: 'steam', g: steam, by: thickness(here) - thickness(steamed) },
    { kind: 'kept-back', g: kept, by: thickness(steamed) - thickness(both) },
    { kind: 'time', seconds: here.seconds - home.seconds, by: thickness(both) - thickness(home) },
  ];
  return causes.toSorted((a, b) => Math.abs(b.by) - Math.abs(a.by));
}

/** What multiplying the recipe would do in this pot, against what it comes to at home and what the plan does. */
export function justMultiplied(
  recipe: Recipe,
  plan: { readonly aim: Aim; readonly setup: Setup; readonly dosing: Dosing },
): Multiplied {
  const { aim, dosing } = plan;
  const setup = setupFor(recipe, plan.setup);
  const home: Setup = { ...recipe.home, kitchen: setup.kitchen };
  const atHome = solve(recipe, { ...aim, litres: recipe.yieldLitres }, home);
  const by = aim.litres / recipe.yieldLitres;
  const { pot } = repeat(
    atHome.run.ran.map((r) => multiplied(r.step, by)),
    setup,
    besideOf(recipe, by, setup),
  );
  const found = observe(pot, setup.kitchen);
  return {
    by,
    fromLitres: recipe.yieldLitres,
    atHome: atHome.found.bowlViscosity,
    viscosity: found.bowlViscosity,
    band: found.band,
    volumeMl: found.volumeMl,
    steamExpected: atHome.run.pot.evaporated * by,
    steamHere: pot.evaporated,
    causes: causesOf(atHome.run.pot, pot, by),
    moreDose: doseIsShare(recipe) ? null : dosing.dose - atHome.dosing.dose * by,
    doseIs: recipe.steps.some((s) => s.kind === 'thicken') ? 'thickener, counted as flour' : 'flour',
    moreLiquid: dosing.liquid - atHome.dosing.liquid * by,
  };
}

/** Differences below this, %, are not worth a cook's eye; nor is a cause of less than this part of the whole. */
const WORTH_SAYING = 3;
const WORTH_NAMING = 0.2;

/** One cause in words. */
function causeWords(c: SizeCause): Message {
  const more = (is: boolean) => (is ? 'yes' : 'no');
  switch (c.kind) {
    case 'steam':
      return message('{abs} {less, select, yes {less} other {more}} water boils off here than it counts on', {
        abs: { ml: Math.abs(c.g) },
        less: more(c.g < 0),
      });
    case 'kept-back':
      return message(
        '{g} {less, select, yes {less} other {more}} stays in what is strained out or poured off',
        {
          g: { g: Math.abs(c.g) },
          less: more(c.g < 0),
        },
      );
    case 'time':
      return message(
        '{minutes} min {less, select, yes {less} other {more}} on the fire {thins, select, yes {takes from what thickens} other {gets more out of it}}',
        {
          minutes: Math.abs(Math.round(c.seconds / 60)),
          less: more(c.seconds < 0),
          thins: more(c.by < 0),
        },
      );
  }
}

/** The comparison in words: how much thinner or thicker than at home, and why. */
export function multipliedWords(
  m: Multiplied,
  plan: Plan,
  show: Show = METRIC,
): { readonly headline: string; readonly because: string } {
  const say = wordsFor(show);
  const ratio = m.viscosity / m.atHome;
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
  const whole = Math.abs(Math.log(ratio));
  const named = m.causes.filter((c) => Math.abs(c.by) >= WORTH_NAMING * whole);
  return {
    headline: say(
      '{by} would come out {percent} % {ratio, select, yes {thinner} other {thicker}} ({band}){extra}.',
      { by, percent, ratio: ratio < 1 ? 'yes' : 'no', band: term(m.band), extra },
    ),
    because: say('{causes}{count, select, yes {: this plan takes {cure}} other {}}.', {
      causes: { all: named.map(causeWords) },
      count: cure.length ? 'yes' : 'no',
      cure: { and: cure },
    }),
  };
}
