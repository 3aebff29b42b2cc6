import { food } from '../define';

export const SEAFOOD = [
  food({
    id: 'cockle-meat',
    name: 'Cockle meat, cooked',
    group: 'seafood',
    percent: { water: 79, protein: 13.5, fat: 0.7, sugars: 4.7, ash: 2.1 },
    sodium: 490,
    pH: 6.6,
    density: 0.85,
    edibleYield: 0.2,
    allergens: ['molluscs'],
  }),
  food({
    id: 'smoked-haddock',
    name: 'Smoked haddock, skinned',
    group: 'seafood',
    percent: { water: 71.5, protein: 25.2, fat: 1, ash: 2.6 },
    sodium: 763,
    pH: 6.4,
    density: 0.9,
    edibleYield: 0.88,
    allergens: ['fish'],
  }),
];
