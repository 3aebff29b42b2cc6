import { equivalentsFor } from '../../flow/viscosity';
import { catalogue, ingredient } from '../../food/catalogue';
import type { Ingredient } from '../../food/ingredient';
import { POURED } from '../../food/ingredient';
import { message } from '../../message/message';
import { term } from '../../message/term';
import { massG, putAllIn } from '../../pot/contents/contents';
import { simmersAt } from '../../pot/cook';
import { foodIn } from '../../pot/kitchen';
import type { Step } from '../../pot/step';
import { SALT_PER_SODIUM, saltBalance } from '../../salt/salt';
import type { Measured } from '../measured';
import type { Wishes } from '../option';
import { asItIs } from '../trial/pass';
import type { Means } from '../trial/trial';
import { joined } from './joined';
import { NO_BOIL, shortBy } from './short';

/** g of spirit and of wine a litre of soup takes before it is another soup. Common practice, no source. */
const SPIRIT = 10;
const WINE = 50;

/** g of milk or cream a litre of soup takes before it is another soup: the fatter, the less. Common practice, no source. */
const MILK = 300;
const CREAM = 120;

const boundsOf = ({ group, composition }: Ingredient): number | undefined =>
  group === 'wine'
    ? composition.alcohol > 0.2
      ? SPIRIT
      : WINE
    : group === 'dairy'
      ? composition.fat > 0.1
        ? CREAM
        : MILK
      : undefined;

/** Dairy and a pot with dairy in it are brought back under the boil, anything else to the simmer. */
const DAIRY_TO = 82;

/** Whether there is dairy in the pot: then it is not brought to the boil again. */
export const holdsDairy = (measured: Measured): boolean =>
  measured.holds.includes('milk') || measured.pot.yolkPeak > 0;

/** °C water comes at from the kettle and stock from the pan beside, and dairy warmed. Common practice, no source. */
const KETTLE = 95;
const WARMED = 60;

/** °C the pot is brought back to after something cold went in. */
const backTo = (measured: Measured, dairy: boolean): number =>
  dairy || holdsDairy(measured)
    ? Math.min(DAIRY_TO, Math.max(70, measured.pot.celsius))
    : simmersAt(measured.kitchen);

/** A liquid stirred in, and the pot brought back to its heat. */
export function letDown(measured: Measured, id: string): Means {
  const food = foodIn(measured.kitchen, id);
  const dairy = food.group === 'dairy';
  const wine = food.group === 'wine';
  const { seen } = asItIs(measured);
  const wanted = Math.max(1, equivalentsFor(measured.target, seen.fatFraction));
  const guess = Math.max(50, seen.waterMl * (seen.equivalents / wanted - 1));
  const back = backTo(measured, dairy);
  const celsius = dairy ? WARMED : food.group === 'liquid' ? KETTLE : undefined;
  return {
    id: `let-down.${id}`,
    title: term(food.name),
    how: [
      dairy
        ? message('warm it first, or it chills the pot')
        : id === 'water'
          ? message('boiling, from the kettle')
          : message('hot, from a pan beside'),
      message('stir it in by ladles, from the bottom'),
      message('back to {back} before you judge', { back: { celsius: back } }),
      ...(wine ? [message('taste: wine brings acid, and milk may split')] : []),
    ],
    steps: (g) => {
      const items = [{ ingredient: id, amount: g, ...(celsius !== undefined && { celsius }) }];
      // Where it is as hot as it should be all the same, nobody waits for it to come down.
      const cool = putAllIn(measured.pot, items, measured.kitchen).celsius < back - 0.5;
      return [
        { kind: 'add', items },
        ...(cool ? [{ kind: 'bring-to', to: back, flame: dairy ? 0.5 : 1, lid: 'on' } satisfies Step] : []),
      ];
    },
    guess,
    most: guess * 6 + 500,
    unit: 'g',
    needs: [id],
    makeReady: id === 'water' || wine ? 1 : 2,
    hangsOn: 'flour',
    forecloses: dairy ? [NO_BOIL] : [],
    mostPerLitre: boundsOf(food),
  };
}

/** Every liquid to hand that lets a pot down; water always is. */
export const thinner = (measured: Measured, { larder }: Wishes): readonly Means[] =>
  catalogue()
    .filter((i) => (larder.includes(i.id) || i.id === 'water') && POURED.has(i.group) && !i.thickener)
    .map((i) => letDown(measured, i.id));

/** Let down by more than this share, a soup is weaker to the tongue. Common practice, no source. */
const WEAKER = 0.1;

/** g of a liquid that brings the salt of the pot down to the house's level; null when it is as salty itself. */
export function unsalting(measured: Measured, id: string): number | null {
  const { pot, seen } = asItIs(measured);
  const mass = massG(pot);
  const { unsaltedLiquid } = saltBalance(Math.max(1, mass), pot.sodium, measured.kitchen.saltPercent);
  if (unsaltedLiquid <= 0 || seen.saltPercent <= measured.kitchen.saltPercent) return 0;
  const own = (foodIn(measured.kitchen, id).sodium / 1000) * SALT_PER_SODIUM;
  const wanted = measured.kitchen.saltPercent;
  return own >= wanted * 0.7 ? null : unsaltedLiquid / (1 - own / wanted);
}

/**
 * Too salty: a liquid without salt brings it down, and a starch keeps it as thick as it should be. The liquid
 * is fixed by the salt, the starch by the thickness.
 */
export function lessSalty(measured: Measured, id: string, starch: Means): Means | null {
  const liquid = unsalting(measured, id);
  if (liquid === null || liquid <= 0) return null;
  const letting = letDown(measured, id);
  const g = Math.round(liquid / 10) * 10;
  const more = g / Math.max(1, massG(measured.pot));
  // The slurry wants the simmer anyway: the pot is not brought back before.
  const poured: Means = {
    ...letting,
    id: `less-salty.${id}`,
    title: term(ingredient(id).name),
    how: letting.how.slice(0, 2),
    steps: (grams) => letting.steps(grams).filter((step) => step.kind === 'add'),
  };
  const both = joined(poured, g, starch);
  // What the liquid brings has to be thickened too, by this starch's grams for each of flour equivalent.
  const guess = Math.max(5, (starch.guess / shortBy(measured)) * shortBy(measured, g));
  return {
    ...both,
    half: (dose) => [...poured.steps(Math.round(g / 20) * 10), ...starch.steps(dose)],
    guess,
    most: guess * 4 + 50,
    mostPerLitre: letting.mostPerLitre,
    forecloses: [
      ...both.forecloses,
      ...(more > WEAKER
        ? [
            message('it is let down by {percent} %: all else tastes weaker too', {
              percent: Math.round(more * 100),
            }),
          ]
        : []),
    ],
  };
}

/** By how much a pot is over the house’s salt when the tongue says so and the sums do not. Our assumption. */
const TASTED_OVER = 0.25;

/**
 * The pot a cook calls too salty: as the sums have it when they agree, else a quarter over the house’s level,
 * and half as much over each time it was corrected for it `before` and is salty still.
 */
export function takenAsSalty(measured: Measured, before = 0): Measured {
  const mass = Math.max(1, massG(measured.pot));
  const percent = ((measured.pot.sodium * SALT_PER_SODIUM) / mass) * 100;
  if (percent > measured.kitchen.saltPercent * 1.05) return measured;
  const over = 1 + TASTED_OVER / 2 ** before;
  return {
    ...measured,
    pot: { ...measured.pot, sodium: (mass * measured.kitchen.saltPercent * over) / 100 / SALT_PER_SODIUM },
  };
}
