import { food } from '../define';

/** Milks and creams by fat. Measure weights of milk and heavy cream: the data file of GNU units. */
export const DAIRY = [
  food({
    id: 'whole-milk',
    name: 'Whole milk',
    group: 'dairy',
    percent: { water: 88.1, protein: 3.2, fat: 3.3, sugars: 4.8, ash: 0.7 },
    sodium: 43,
    pH: 6.7,
    density: 1.023,
    allergens: ['milk'],
  }),
  food({
    id: 'half-and-half',
    name: 'Half-and-half, 12 %',
    group: 'dairy',
    percent: { water: 80.4, protein: 3.1, fat: 11.7, sugars: 4.2, ash: 0.7 },
    sodium: 45,
    pH: 6.7,
    density: 1.02,
    allergens: ['milk'],
  }),
  food({
    id: 'single-cream',
    name: 'Single cream, 18 %',
    group: 'dairy',
    percent: { water: 75, protein: 2.9, fat: 18, sugars: 3.5, ash: 0.6 },
    sodium: 42,
    pH: 6.6,
    density: 1.012,
    allergens: ['milk'],
  }),
  food({
    id: 'heavy-cream',
    name: 'Heavy cream, 36 %',
    group: 'dairy',
    percent: { water: 57.7, protein: 2.8, fat: 36.1, sugars: 2.9, ash: 0.5 },
    sodium: 27,
    pH: 6.6,
    density: 0.981,
    allergens: ['milk'],
  }),
];
