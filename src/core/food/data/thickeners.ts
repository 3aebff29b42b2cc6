import { food } from '../define';

/** Flours and starches. Measure weights of flour and cornstarch: the data file of GNU units. */
export const THICKENERS = [
  food({
    id: 'plain-flour',
    name: 'Plain flour',
    group: 'flour',
    percent: { water: 11.9, protein: 10.3, fat: 1, starch: 73.1, sugars: 0.3, fibre: 2.7, ash: 0.5 },
    sodium: 2,
    pH: 6,
    density: { scooped: 0.599, spooned: 0.509, sifted: 0.479 },
    allergens: ['wheat', 'gluten'],
  }),
  food({
    id: 'cornstarch',
    name: 'Cornstarch',
    group: 'starch',
    percent: { water: 8.3, protein: 0.3, fat: 0.1, starch: 90.2, fibre: 0.9, ash: 0.1 },
    sodium: 9,
    pH: 5.5,
    density: { spooned: 0.507 },
  }),
];
