import { food } from '../define';

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
    id: 'clarified-butter',
    name: 'Clarified butter',
    group: 'fat',
    percent: { water: 0.3, protein: 0.2, fat: 99.5 },
    sodium: 2,
    density: 0.815,
    allergens: ['milk'],
  }),
  food({ id: 'rapeseed-oil', name: 'Rapeseed oil', group: 'fat', percent: { fat: 100 }, density: 0.915 }),
];
