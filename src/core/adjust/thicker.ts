import { equivalentsFor } from '../flow/viscosity';
import { catalogue, ingredient } from '../food/catalogue';
import { boilsAt, cook } from '../pot/cook';
import { observe } from '../pot/observe';
import type { Step } from '../pot/step';
import { yolkState } from '../pot/steps/temper';
import { LEAST_SIMMER, STARCH_STRENGTH, type ThickenerKind } from '../thicken/granules';
import { METHOD_RULES } from '../thicken/methods';
import { PUREE_STRENGTH } from '../thicken/puree';
import { uncapital } from '../units/format';
import type { Measured } from './measured';
import type { Wishes } from './option';
import { asItIs, type Draft } from './trial';

/** g of flour equivalent the pot is short of at the pass; the beginning of every search. */
export function shortBy(m: Measured): number {
  const { seen } = asItIs(m);
  const wanted = equivalentsFor(m.target, seen.fatFraction);
  return Math.max(1, ((wanted - seen.equivalents) * seen.liquidMl) / 1000);
}

/** Dry thickeners that go in as a slurry in cold water, by ingredient, in the order a cook would reach for them. */
const SLURRIES = [
  'cornstarch',
  'waxy-maize-starch',
  'potato-starch',
  'tapioca-starch',
  'arrowroot',
  'rice-flour',
  'plain-flour',
] as const;

const NO_BOIL = 'keep it under 85 °C from here';
const THINS = 'do not boil it long or blend it after: it thins again';

const FORECLOSES: Partial<Record<ThickenerKind, readonly string[]>> = {
  'potato starch': [THINS],
  tapioca: [THINS],
  arrowroot: [THINS],
  'waxy maize': [THINS],
};

function slurry(id: string, short: number, m: Measured): Draft | null {
  const { thickener, name } = ingredient(id);
  if (!thickener) return null;
  const rule = METHOD_RULES.slurry;
  const minutes = Math.max(1, id === 'plain-flour' ? 10 : LEAST_SIMMER[thickener]);
  const guess = short / STARCH_STRENGTH[thickener];
  return {
    id: `slurry.${id}`,
    title: `${name} slurry`,
    how: [
      'stir it smooth in cold water',
      'bring the pot to the simmer, whisk it in as a thin stream',
      minutes > 1 ? `simmer ${minutes} min, then judge` : 'let it simmer up, then judge',
    ],
    steps: (g) => [
      {
        kind: 'thicken',
        method: 'slurry',
        thickener: { ingredient: id, amount: g },
        carrier: { ingredient: 'water', amount: g * rule.carrier, celsius: 10 },
        minutes,
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
      ...(FORECLOSES[thickener] ?? []),
      ...(thickener === 'arrowroot' && m.holds.includes('milk') ? ['with milk it turns slimy'] : []),
    ],
  };
}

const worked = (method: 'kneaded butter' | 'cooked roux', short: number): Draft => {
  const rule = METHOD_RULES[method];
  const roux = method === 'cooked roux';
  return {
    id: `${method.replace(' ', '-')}.plain-flour`,
    title: roux ? 'Cooked roux' : 'Kneaded butter',
    how: roux
      ? [
          'cook equal weights to a pale roux, let it cool a little',
          'a ladle of soup into it, whisk smooth',
          `back into the pot, simmer ${rule.leastMinutes} min`,
        ]
      : [
          'work flour and soft butter to a paste',
          'whisk it in piece by piece at the simmer',
          `simmer ${rule.leastMinutes} min: shorter tastes of flour`,
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

const boiledCream = (short: number): Draft => {
  const rule = METHOD_RULES['boiled cream'];
  const guess = short / STARCH_STRENGTH.maize;
  return {
    id: 'boiled-cream.cornstarch',
    title: 'Cornstarch boiled in cream',
    how: [
      'whisk the starch into the cold cream, boil a minute',
      'stir it into the pot off the boil, in several goes',
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

/** Dairy that melts in and thickens, and flakes that only want to be stirred in. */
function stirred(id: string, short: number): Draft | null {
  const { thickener, name } = ingredient(id);
  if (!thickener) return null;
  const guess = short / STARCH_STRENGTH[thickener];
  const dairy = thickener !== 'potato flakes';
  const note = dairy ? NO_BOIL : 'do not blend it after: it turns gluey';
  return {
    id: `stirred.${id}`,
    title: dairy ? `${name}, melted in` : name,
    how: dairy
      ? ['take it off the boil', 'stir it in by handfuls until it has melted', note]
      : ['rain it into the hot pot, whisking', 'give it two minutes before you judge', note],
    steps: (g) => [
      { kind: 'add', items: [{ ingredient: id, amount: g }] },
      { kind: 'rest', minutes: dairy ? 3 : 2, lid: 'on' },
    ],
    guess,
    most: guess * 10 + 200,
    unit: 'g',
    needs: [id],
    makeReady: 1,
    hangsOn: 'flour',
    forecloses: [note],
    mostPerLitre: dairy ? 80 : 60,
  };
}

/** Pieces in the pot that would thicken it, blended. */
const blendable = (m: Measured): readonly string[] => [
  ...new Set(m.pot.pieces.filter((p) => ingredient(p.ingredient).puree && p.g > 20).map((p) => p.ingredient)),
];

function blend(m: Measured): Draft | null {
  const of = blendable(m);
  if (of.length === 0) return null;
  const grams = m.pot.pieces.reduce((sum, p) => sum + (of.includes(p.ingredient) ? p.g : 0), 0);
  const brings = m.pot.pieces.reduce(
    (sum, p) =>
      sum +
      (p.g / 1000) *
        PUREE_STRENGTH[ingredient(p.ingredient).puree ?? 'other'] *
        (of.includes(p.ingredient) ? 1 : 0),
    0,
  );
  const potato = of.some((id) => ingredient(id).puree?.includes('potato'));
  const names = of.map((id) => uncapital(ingredient(id).name.split(',')[0] ?? id)).join(' and ');
  return {
    id: 'blend',
    title: `Blend some of the ${names}`,
    how: [
      `lift it out with a little liquid, of the ${Math.round(grams)} g in the pot`,
      'blend it smooth, stir it back in',
      ...(potato ? ['no longer than it takes: potato turns gluey'] : []),
    ],
    steps: (share) => [{ kind: 'puree', fraction: Math.min(1, share), of: [...of], tool: 'stick blender' }],
    guess: Math.min(1, Math.max(0.1, shortBy(m) / Math.max(1, brings))),
    most: 1,
    unit: 'share',
    needs: [],
    makeReady: 1.5,
    hangsOn: 'puree',
    forecloses: ['what is blended is no garnish any more'],
  };
}

/** Edge of dice cut to be blended, mm: small, so that they are soft soon. */
const TO_BLEND_MM = 8;

/** g of something dry or a vegetable a litre takes before it is another soup. Common practice, no source. */
const MORE_PUREE = 150;

/** A vegetable or rice cooked in the pot and blended into it; null when the pot holds it in pieces already. */
function cookedIn(m: Measured, id: string, short: number): Draft | null {
  const { puree, group, name } = ingredient(id);
  if (!puree || m.pot.pieces.some((p) => p.ingredient === id)) return null;
  const strength = (PUREE_STRENGTH[puree] * (group === 'grain' ? 3 : 1)) / 1000;
  const said = uncapital(name.split(',')[0] ?? id);
  const guess = short / strength;
  return {
    id: `more-puree.${id}`,
    title: group === 'grain' ? `${name}, cooked in it and blended` : `More purée, of ${said}`,
    how: [
      group === 'grain'
        ? `rain the ${said} into the simmering pot`
        : `${said} in ${TO_BLEND_MM} mm dice into the pot`,
      'lid ajar, at the simmer until it falls apart under the fork',
      'blend it in, then judge',
    ],
    steps: (g) => [
      {
        kind: 'add',
        items: [
          {
            ingredient: id,
            amount: g,
            ...(group !== 'grain' && { cut: { shape: 'cube', edgeMm: TO_BLEND_MM } as const }),
          },
        ],
      },
      { kind: 'bring-to', to: 'simmer', flame: 0.8, lid: 'on' },
      { kind: 'simmer', minutes: 5, untilTender: true, lid: 'ajar' },
      { kind: 'puree', fraction: 1, of: [id], tool: 'stick blender' },
    ],
    guess,
    most: guess * 8 + 200,
    unit: 'g',
    needs: [id],
    makeReady: group === 'grain' ? 0.5 : 3,
    hangsOn: 'puree',
    forecloses: [],
    mostPerLitre: MORE_PUREE,
  };
}

/** What to cook and blend into it: the strongest vegetable it is made of, floury potato, and rice, as far as they are to hand. */
const toCookIn = (m: Measured, larder: readonly string[]): readonly string[] => {
  const strengthOf = (id: string): number => PUREE_STRENGTH[ingredient(id).puree ?? 'other'];
  const own = m.contains
    .filter((id) => larder.includes(id) && ingredient(id).group === 'vegetable' && ingredient(id).puree)
    .toSorted((a, b) => strengthOf(b) - strengthOf(a))
    .slice(0, 1);
  return [...new Set([...own, 'floury-potato', 'white-rice'])];
};

/** Minutes off the heat until yolk may go in; null when that is more than half an hour. */
function untilCool(m: Measured): number | null {
  const { limit } = yolkState({ ...m.pot, yolkPeak: 0 }, m.kitchen);
  if (m.pot.celsius <= limit - 3) return 0;
  const cooled = cook(m.pot, { flame: 0, lid: 'off' }, m.kitchen, {
    progress: (p) => limit - 3 - p.celsius,
    forSeconds: 1800,
  });
  return cooled.pot.celsius <= limit - 2.5 ? (cooled.pot.seconds - m.pot.seconds) / 60 : null;
}

function liaison(m: Measured, short: number, larder: readonly string[]): Draft | null {
  const wait = untilCool(m);
  if (wait === null) return null;
  const yolk = larder.includes('egg-yolk-pasteurised') ? 'egg-yolk-pasteurised' : 'egg-yolk';
  const guess = short / STARCH_STRENGTH.yolk;
  return {
    id: 'liaison',
    title: 'Liaison of yolk and cream',
    how: [
      ...(wait > 0 ? [`off the heat ${Math.ceil(wait)} min, until it is under 87 °C`] : []),
      'beat the yolks with three times their weight of cream',
      'ladles of soup into the bowl, stirring, until it is 60 °C; back into the pot',
      'warm it to 80 °C, never to the boil',
    ],
    steps: (g) => [
      ...(wait > 0 ? [{ kind: 'rest', minutes: wait, lid: 'off' } satisfies Step] : []),
      {
        kind: 'temper',
        items: [
          { ingredient: yolk, amount: g },
          { ingredient: 'heavy-cream', amount: g * 3, celsius: 5 },
        ],
        warmTo: 60,
        to: 80,
        flame: 0.4,
      },
    ],
    guess,
    most: guess * 10 + 100,
    unit: 'g',
    needs: [yolk, 'heavy-cream'],
    makeReady: 2,
    hangsOn: 'flour',
    forecloses: ['never over 85 °C again: the yolk would set', 'it cannot be kept for tomorrow'],
  };
}

function reduction(m: Measured): Draft {
  return {
    id: 'reduce',
    title: 'Boil it down',
    how: ['lid off, full flame, stir the bottom', 'watch the level on the wall'],
    steps: (minutes) => [{ kind: 'reduce', flame: 1, to: { minutes } }],
    guess: 10,
    most: 120,
    unit: 'minutes',
    needs: [],
    makeReady: 0,
    hangsOn: 'waterLoss',
    forecloses: observe(m.pot, m.kitchen).saltPercent > 0.8 ? ['it gets saltier as it goes'] : [],
  };
}

/** Every way to thicken a pot that stands on the stove. */
export function thicker(m: Measured, { larder }: Wishes): readonly Draft[] {
  const short = shortBy(m);
  const melts = catalogue().filter(
    (i) =>
      larder.includes(i.id) && ['cream cheese', 'hard cheese', 'potato flakes'].includes(i.thickener ?? ''),
  );
  // A pot that boils cannot be held under the limit of a yolk that is already in it: those ways are struck by what they do.
  const boils = boilsAt(m.kitchen);
  return [
    ...SLURRIES.map((id) => slurry(id, short, m)),
    worked('kneaded butter', short),
    worked('cooked roux', short),
    boiledCream(short),
    blend(m),
    ...toCookIn(m, larder).map((id) => cookedIn(m, id, short)),
    ...melts.map((i) => stirred(i.id, short)),
    m.pot.celsius < boils + 1 ? liaison(m, short, larder) : null,
    reduction(m),
  ].filter((d): d is Draft => d !== null);
}

/** Part of the work a second means does beside a slurry. */
const HALF = 0.5;

/** Two means together: one does half of what is wanted, the other is solved for the rest. */
export function together(m: Measured, first: Draft, amount: number, rest: Draft, minutesLeft: number): Draft {
  const half =
    first.unit === 'minutes'
      ? Math.min(amount * HALF, Math.max(2, minutesLeft - rest.makeReady - 5))
      : amount * HALF;
  return {
    ...rest,
    id: `${first.id}+${rest.id}`,
    title: `${first.title}, then ${uncapital(rest.title)}`,
    how: [...first.how, ...rest.how],
    steps: (dose) => [...first.steps(half), ...rest.steps(dose)],
    needs: [...first.needs, ...rest.needs],
    makeReady: first.makeReady + rest.makeReady,
    forecloses: [...new Set([...first.forecloses, ...rest.forecloses])],
    guess: Math.max(1, shortBy(m) * HALF),
  };
}
