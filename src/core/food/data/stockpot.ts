import { food } from '../define';
import type { Allergen, Group } from '../ingredient';
import { SOURCES } from '../sources';

type Entry = {
  id: string;
  name: string;
  group: Group;
  percent: Parameters<typeof food>[0]['percent'];
  sodium: number;
  pH?: number;
  density: number;
  allergens?: readonly Allergen[];
};

/** What a stock is made of: it gives its taste and is strained off. Composition from tables where there is one, else our assumption. */
const given = ({ pH = 6.5, allergens = [], ...rest }: Entry) =>
  food({ ...rest, pH, allergens, sizeMm: 30, strainedOff: true, source: SOURCES.house });

export const STOCKPOT = [
  given({
    id: 'shrimp-shells',
    name: 'Shrimp shells and heads',
    group: 'seafood',
    percent: { water: 70, protein: 12, fat: 1.5, fibre: 6, ash: 10.5 },
    sodium: 300,
    pH: 7,
    density: 0.35,
    allergens: ['crustaceans'],
  }),
  given({
    id: 'fish-bones',
    name: 'Fish bones and heads',
    group: 'seafood',
    percent: { water: 70, protein: 15, fat: 3, ash: 12 },
    sodium: 90,
    pH: 6.7,
    density: 0.55,
    allergens: ['fish'],
  }),
  given({
    id: 'chicken-bones',
    name: 'Chicken bones',
    group: 'cured meat',
    percent: { water: 62, protein: 18, fat: 10, ash: 10 },
    sodium: 90,
    pH: 6.4,
    density: 0.5,
  }),
  given({
    id: 'corn-cobs',
    name: 'Sweetcorn cobs, bare',
    group: 'vegetable',
    percent: { water: 72, protein: 1.5, sugars: 6, fibre: 20, ash: 0.5 },
    sodium: 8,
    pH: 6.4,
    density: 0.45,
  }),
  given({
    id: 'vegetable-trimmings',
    name: 'Vegetable trimmings, clean',
    group: 'vegetable',
    percent: { water: 89, protein: 1.5, fat: 0.2, sugars: 4.5, fibre: 3.5, ash: 1.3 },
    sodium: 30,
    pH: 6,
    density: 0.35,
    allergens: ['celery'],
  }),
];
