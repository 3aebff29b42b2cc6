import { ingredient } from '../food/catalogue';
import type { Group } from '../food/ingredient';
import type { WeighLine } from '../plan/types';
import { wholeCost } from '../pot/contents/goesIn';
import type { Kitchen } from '../pot/kitchen';

/** Where things are fetched from, in the order of a walk through the stores. */
export const STATIONS = [
  'Dry store',
  'Fridge, dairy',
  'Vegetables',
  'Meat and fish',
  'Stock and wine',
  'Spices',
] as const;
export type Station = (typeof STATIONS)[number];

const STATION: { readonly [G in Group]: Station } = {
  flour: 'Dry store',
  starch: 'Dry store',
  grain: 'Dry store',
  pulse: 'Dry store',
  fat: 'Fridge, dairy',
  dairy: 'Fridge, dairy',
  egg: 'Fridge, dairy',
  cheese: 'Fridge, dairy',
  vegetable: 'Vegetables',
  meat: 'Meat and fish',
  'cured meat': 'Meat and fish',
  seafood: 'Meat and fish',
  liquid: 'Stock and wine',
  wine: 'Stock and wine',
  seasoning: 'Spices',
};

/** Where an ingredient is fetched from. */
export const stationOf = (id: string): Station => STATION[ingredient(id).group];

/** Weigh-out lines under headings: one a station, or one a step. */
export function groupedBy<L, K>(
  lines: readonly L[],
  keyOf: (line: L) => K,
): readonly { readonly key: K; readonly lines: readonly L[] }[] {
  const groups = new Map<K, L[]>();
  for (const line of lines) {
    const key = keyOf(line);
    const group = groups.get(key);
    if (group) group.push(line);
    else groups.set(key, [line]);
  }
  return [...groups].map(([key, of]) => ({ key, lines: of }));
}

/** One thing to buy or fetch, however many steps it is for. */
export type ShoppingLine = {
  readonly ingredient: string;
  readonly name: string;
  readonly station: Station;
  /** g as purchased, before trimming. */
  readonly g: number;
  /** Packs to open; null where it is not bought in packs, or nobody said how large. */
  readonly packs: { readonly count: number; readonly g: number } | null;
  /** In the house's currency; null when its price is not known. */
  readonly cost: number | null;
};

export type Shopping = {
  readonly lines: readonly ShoppingLine[];
  /** Of the lines with a price. */
  readonly total: number;
  /** How many lines have none. */
  readonly unpriced: number;
};

/** Share of a pack that is not worth opening another for. */
const ALMOST = 0.01;

/** Packs of `packG` that hold `g`; null where it is not bought in packs, or nobody said how large. */
export const packsFor = (g: number, packG: number | undefined): ShoppingLine['packs'] =>
  packG ? { count: Math.ceil(g / packG - ALMOST), g: packG } : null;

/** What to fetch, each thing once, by station. Water is not bought. */
export function shoppingFor(lines: readonly WeighLine[], kitchen: Kitchen): Shopping {
  const found = groupedBy(
    lines.filter((l) => l.ingredient !== 'water'),
    (l) => l.ingredient,
  ).map(({ key, lines: same }): ShoppingLine => {
    const g = same.reduce((sum, l) => sum + l.asPurchased, 0);
    const packG = kitchen.products?.[key]?.packG;
    return {
      ingredient: key,
      name: same[0]?.name ?? key,
      station: stationOf(key),
      g,
      packs: packsFor(g, packG),
      cost: wholeCost([{ ingredient: key, amount: same.reduce((sum, l) => sum + l.g, 0) }], kitchen),
    };
  });
  const order = (l: ShoppingLine) => STATIONS.indexOf(l.station);
  return {
    lines: found.sort((a, b) => order(a) - order(b)),
    total: found.reduce((sum, l) => sum + (l.cost ?? 0), 0),
    unpriced: found.filter((l) => l.cost === null).length,
  };
}
