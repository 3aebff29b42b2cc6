import { food } from '../define';

const oil = (id: string, name: string, allergens: readonly ('sesame' | 'peanut')[] = []) =>
  food({ id, name, group: 'fat', percent: { fat: 100 }, density: 0.915, allergens });

export const FATS = [
  food({
    id: 'butter',
    name: 'Butter, unsalted',
    group: 'fat',
    percent: { water: 17.9, protein: 0.9, fat: 81.1, sugars: 0.1, ash: 0.1 },
    sodium: 11,
    pH: 6.3,
    density: 0.959,
    allergens: ['milk'],
  }),
  food({
    id: 'salted-butter',
    name: 'Butter, salted',
    group: 'fat',
    percent: { water: 15.9, protein: 0.9, fat: 81.1, sugars: 0.1, ash: 2.1 },
    sodium: 643,
    pH: 6.3,
    density: 0.959,
    allergens: ['milk'],
  }),
  food({
    id: 'clarified-butter',
    name: 'Clarified butter',
    group: 'fat',
    percent: { water: 0.3, protein: 0.2, fat: 99.5 },
    sodium: 2,
    density: 0.815,
    allergens: ['milk'],
  }),
  oil('rapeseed-oil', 'Rapeseed oil'),
  oil('olive-oil', 'Olive oil'),
  oil('sunflower-oil', 'Sunflower oil'),
  oil('sesame-oil', 'Sesame oil', ['sesame']),
  food({ id: 'lard', name: 'Lard', group: 'fat', percent: { fat: 100 }, density: 0.866 }),
  food({
    id: 'bacon-fat',
    name: 'Bacon fat, rendered',
    group: 'fat',
    percent: { fat: 99.5, ash: 0.4 },
    sodium: 150,
    density: 0.87,
  }),
];
