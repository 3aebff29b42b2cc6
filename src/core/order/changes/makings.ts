import { ingredient } from '../../food/catalogue';
import { heapMl } from '../../food/heap';
import { volumeOf } from '../../food/thermal';
import type { Burner } from '../../heat/burner';
import type { Vessel } from '../../heat/vessel';
import type { RecipeText } from '../../recipe/recipe';
import { SALT_PER_SODIUM } from '../../salt/salt';
import { MADE, type Made } from './stocks';

/**
 * What a kilogram of what is strained off gives, g, when everything that can come out has: our assumption, set so
 * that the usual stock is the catalogue's.
 */
type Gives = {
  readonly protein: number;
  /** Of that protein, what sets when it is cold. */
  readonly gelatine: number;
  readonly sugars: number;
  readonly ash: number;
  readonly sodium: number;
};

/** How a stock is made here. Weights, minutes and ways are common practice, no source, but where it is said. */
export type Making = {
  /** The liquid it makes. */
  readonly id: string;
  /** What is strained off, g for each litre strained; the first gives its name and its taste. */
  readonly of: readonly (readonly [id: string, perLitre: number])[];
  /** What happens before the water. */
  readonly first: 'sweated' | 'cold' | 'soaked';
  /** At the simmer, min; of what is soaked, under it. */
  readonly minutes: number;
  /** No shorter, and no longer: it turns bitter, cloudy or gives nothing more. */
  readonly between: readonly [number, number];
  readonly gives: Gives;
  /** Minutes in which two thirds of that has come out. Our assumption. */
  readonly slow: number;
  /** What the cook looks for. */
  readonly look: string;
};

export const MAKINGS: readonly Making[] = [
  {
    id: 'shell-stock',
    of: [['crab-shells', 450]],
    first: 'sweated',
    minutes: 30,
    between: [15, 45],
    gives: { protein: 23, gelatine: 0, sugars: 5, ash: 13, sodium: 2.3 },
    slow: 15,
    look: 'shells pale, liquor red; tap them dry, do not press',
  },
  {
    id: 'fish-stock',
    of: [
      ['fish-bones', 500],
      ['vegetable-trimmings', 100],
    ],
    first: 'cold',
    minutes: 25,
    between: [20, 30],
    gives: { protein: 37, gelatine: 0.6, sugars: 2.5, ash: 7.4, sodium: 1.5 },
    slow: 15,
    look: 'clear; skimmed, never at a boil',
  },
  {
    // 8 lb of bones and 1 lb of vegetables to a US gallon: professional-cookery textbooks, from memory.
    id: 'chicken-stock',
    of: [
      ['chicken-bones', 958],
      ['vegetable-trimmings', 120],
    ],
    first: 'cold',
    minutes: 240,
    between: [180, 300],
    gives: { protein: 21, gelatine: 0.7, sugars: 3.5, ash: 4.7, sodium: 0.47 },
    slow: 110,
    look: 'skimmed; bubbles at the rim only',
  },
  {
    id: 'vegetable-stock',
    of: [['vegetable-trimmings', 500]],
    first: 'cold',
    minutes: 40,
    between: [30, 60],
    gives: { protein: 4.6, gelatine: 0, sugars: 18.4, ash: 9.2, sodium: 0.58 },
    slow: 20,
    look: 'soft through, not falling apart',
  },
  {
    id: 'cob-stock',
    of: [['corn-cobs', 400]],
    first: 'cold',
    minutes: 40,
    between: [30, 60],
    gives: { protein: 5.8, gelatine: 0, sugars: 34.7, ash: 8.7, sodium: 0.23 },
    slow: 20,
    look: 'cobs grey, the liquor smells of corn',
  },
  {
    id: 'mushroom-stock',
    of: [['dried-mushroom', 25]],
    first: 'soaked',
    minutes: 30,
    between: [20, 45],
    gives: { protein: 185, gelatine: 0, sugars: 278, ash: 139, sodium: 4.6 },
    slow: 15,
    look: 'dark as tea; pour off, leave the grit',
  },
];

export const makingOf = (id: string | undefined): Making | undefined => MAKINGS.find((m) => m.id === id);

/** How strong a stock is: %, by weight. */
export type Strength = {
  readonly solids: number;
  readonly protein: number;
  readonly gelatine: number;
  readonly salt: number;
};

/** What comes out in `minutes` (0 and up), as parts of all that can: first order. */
const comesOut = (m: Making, minutes: number): number => 1 - Math.exp(-minutes / m.slow);

/** How strong `m` comes out after `minutes` with `times` the usual weight of what is strained off. */
export function strengthOf(m: Making, minutes = m.minutes, times = 1): Strength {
  const [, perLitre] = m.of[0] ?? ['', 0];
  const out = (perLitre * times * comesOut(m, minutes)) / 1000;
  const { protein, gelatine, sugars, ash, sodium } = m.gives;
  return {
    solids: (out * (protein + sugars + ash)) / 10,
    protein: (out * protein) / 10,
    gelatine: (out * protein * gelatine) / 10,
    salt: (out * sodium * SALT_PER_SODIUM) / 10,
  };
}

/** Times as high as what lies in the pot the water stands, for `waterMl` over the usual weights for `litres`. */
export function coversTimes(m: Making, litres: number, waterMl: number): number {
  const heap = m.of.reduce((sum, [id, g]) => sum + heapMl(id, g * litres), 0);
  const own = m.of.reduce((sum, [id, g]) => sum + g * litres * volumeOf(ingredient(id).composition, 20), 0);
  return (waterMl + own) / heap;
}

/** L a stock's recipe is written for. */
const WRITTEN_FOR = 4;
const nameOf = (m: Making): string => ingredient(m.id).name.split(',')[0] ?? m.id;

/** Days it keeps in the fridge, the day it is made counted: half of what the code allows. Common practice, no source. */
const KEPT_DAYS = 4;

/** The id of the recipe a stock is cooked by. */
export const stockRecipeId = (m: Making, made: Made): string =>
  `made-${m.id}${made === 'before' ? '-kept' : ''}`;

/** The stock a recipe of that id makes, and when; null of any other recipe. */
export function makingIn(recipeId: string): { readonly making: Making; readonly made: Made } | null {
  for (const making of MAKINGS)
    for (const made of MADE) if (stockRecipeId(making, made) === recipeId) return { making, made };
  return null;
}

/**
 * How a stock is made, as a recipe like any other: what it is of, the water solved to its litres, strained; cooled
 * and kept where it is made before.
 */
export function stockRecipe(m: Making, made: Made, home: { vessel: Vessel; burner: Burner }): RecipeText {
  const solids = m.of.map(([id, perLitre]) => ({ ingredient: id, amount: `${perLitre * WRITTEN_FOR} g` }));
  const water = { ingredient: 'water', amount: 'to volume', celsius: 14 };
  const cooked: RecipeText['steps'] =
    m.first === 'sweated'
      ? [
          {
            kind: 'sweat',
            items: [{ ingredient: 'rapeseed-oil', amount: `${10 * WRITTEN_FOR} g` }, ...solids],
            minutes: 20,
            to: 'gold',
            look: 'smells roasted; or in a tray, 20 min in a hot oven',
          },
          { kind: 'add', items: [water], look: 'scrape what sticks: it is the taste' },
          { kind: 'bring-to', to: 'simmer', flame: 0.9, lid: 'on' },
          { kind: 'simmer', minutes: m.minutes, lid: 'ajar', look: m.look },
        ]
      : m.first === 'soaked'
        ? [
            { kind: 'add', items: [...solids, water] },
            { kind: 'bring-to', to: 80, flame: 0.9, lid: 'on' },
            { kind: 'rest', minutes: m.minutes, lid: 'on', look: m.look },
          ]
        : [
            { kind: 'add', items: [...solids, water] },
            { kind: 'bring-to', to: 'simmer', flame: 0.9, lid: 'on', look: 'skim as it comes up' },
            { kind: 'simmer', minutes: m.minutes, lid: 'ajar', look: m.look },
          ];
  return {
    format: 'panache.recipe/1',
    id: stockRecipeId(m, made),
    name: nameOf(m),
    school: 'Stock',
    yieldLitres: WRITTEN_FOR,
    band: 'Thin',
    home: { vessel: { ...home.vessel }, burner: { ...home.burner } },
    steps: [
      ...cooked,
      { kind: 'strain' },
      ...(made === 'before'
        ? ([
            { kind: 'chill', method: 'ice bath', depthMm: 65, to: 5 },
            { kind: 'keep', days: KEPT_DAYS, at: 4 },
          ] as const)
        : []),
    ],
  };
}
