import { ingredient } from '../../food/catalogue';
import { message } from '../../message/message';
import { term } from '../../message/term';
import { COOK_OUT_MINUTES } from '../../thicken/granules';
import { METHOD_RULES } from '../../thicken/methods';
import { THICKENER_KINDS, THICKENERS, thinsAgain } from '../../thickeners/thickeners';
import type { Measured } from '../measured';
import type { Means } from '../trial/trial';
import { NO_BOIL } from './short';

/** Dry thickeners that go in as a slurry in cold water, by ingredient, in the order a cook would reach for them. */
export const SLURRIES: readonly string[] = THICKENER_KINDS.flatMap((kind) => THICKENERS[kind].weighed ?? [])
  .filter((w) => w.ways.slurry)
  .sort((a, b) => a.reach - b.reach)
  .map((w) => w.ingredient);

/** A cure that wants the simmer has the flame up until it is there. */
const FLAME_UP = 1;

const THINS = message('do not boil it long or blend it after: it thins again');

/** A starch or flour stirred into cold water; null of what is no thickener. `short` in g of flour equivalent. */
export function slurry(id: string, short: number, measured: Measured): Means | null {
  const { thickener, name } = ingredient(id);
  if (!thickener) return null;
  const rule = METHOD_RULES.slurry;
  const minutes = Math.max(1, thickener === 'wheat' ? COOK_OUT_MINUTES : THICKENERS[thickener].leastSimmer);
  const guess = short / THICKENERS[thickener].strength;
  return {
    id: `slurry.${id}`,
    isSlurry: true,
    title: message('{name} slurry', { name: term(name) }),
    how: [
      message('stir it smooth in cold water'),
      message('bring the pot to the simmer, whisk it in as a thin stream'),
      minutes > 1
        ? message('simmer {minutes} min, then judge', { minutes })
        : message('let it simmer up, then judge'),
    ],
    steps: (g) => [
      {
        kind: 'thicken',
        method: 'slurry',
        thickener: { ingredient: id, amount: g },
        carrier: { ingredient: 'water', amount: g * rule.carrier, celsius: 10 },
        minutes,
        flame: FLAME_UP,
        lid: 'ajar',
      },
    ],
    guess,
    most: guess * 12 + 50,
    unit: 'g',
    needs: [id],
    makeReady: 1.5,
    hangsOn: 'flour',
    forecloses: [
      ...(thinsAgain(thickener) ? [THINS] : []),
      ...(THICKENERS[thickener].slimyWithMilk && measured.holds.includes('milk')
        ? [message('with milk it turns slimy')]
        : []),
    ],
  };
}

/** Flour worked into butter, or cooked with it to a roux, whisked in. `short` in g of flour equivalent. */
export const worked = (method: 'kneaded butter' | 'cooked roux', short: number): Means => {
  const rule = METHOD_RULES[method];
  const roux = method === 'cooked roux';
  return {
    id: `${method.replace(' ', '-')}.plain-flour`,
    title: roux ? message('Cooked roux') : message('Kneaded butter'),
    how: roux
      ? [
          message('cook equal weights to a pale roux, let it cool a little'),
          message('a ladle of soup into it, whisk smooth'),
          message('back into the pot, simmer {leastMinutes} min', { leastMinutes: rule.leastMinutes }),
        ]
      : [
          message('work flour and soft butter to a paste'),
          message('whisk it in piece by piece at the simmer'),
          message('simmer {leastMinutes} min: shorter tastes of flour', { leastMinutes: rule.leastMinutes }),
        ],
    steps: (g) => [
      {
        kind: 'thicken',
        method,
        thickener: { ingredient: 'plain-flour', amount: g },
        carrier: { ingredient: 'butter', amount: g * rule.carrier },
        ...(roux && { colour: 'white' as const }),
        additions: 2,
        minutes: rule.leastMinutes,
        flame: FLAME_UP,
        lid: 'ajar',
      },
    ],
    guess: short,
    most: short * 12 + 100,
    unit: 'g',
    needs: ['plain-flour', 'butter'],
    makeReady: roux ? 6 : 2,
    hangsOn: 'flour',
    forecloses: [],
  };
};

/** Cornstarch boiled in cream, stirred in off the boil. `short` in g of flour equivalent. */
export const boiledCream = (short: number): Means => {
  const rule = METHOD_RULES['boiled cream'];
  const guess = short / THICKENERS.maize.strength;
  return {
    id: 'boiled-cream.cornstarch',
    title: message('Cornstarch boiled in cream'),
    how: [
      message('whisk the starch into the cold cream, boil a minute'),
      message('stir it into the pot off the boil, in several goes'),
      NO_BOIL,
    ],
    steps: (g) => [
      {
        kind: 'thicken',
        method: 'boiled cream',
        thickener: { ingredient: 'cornstarch', amount: g },
        carrier: { ingredient: 'heavy-cream', amount: g * rule.carrier, celsius: 98 },
        additions: 3,
        minutes: rule.leastMinutes,
        lid: 'off',
      },
    ],
    guess,
    most: guess * 12 + 50,
    unit: 'g',
    needs: ['cornstarch', 'heavy-cream'],
    makeReady: 4,
    hangsOn: 'flour',
    forecloses: [NO_BOIL],
  };
};
