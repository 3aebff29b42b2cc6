import { food } from '../define';
import { SOURCES } from '../sources';

/** Water, stocks and liquors. Salt in a house stock is the house's: the Kitchen can override it. */
export const LIQUIDS = [
  food({
    id: 'water',
    name: 'Water',
    group: 'liquid',
    percent: { water: 100 },
    sodium: 4,
    pH: 7.2,
    density: 0.998,
  }),
  food({
    id: 'vegetable-stock',
    name: 'Vegetable stock, unsalted',
    group: 'liquid',
    percent: { water: 98.6, protein: 0.2, sugars: 0.8, ash: 0.4 },
    sodium: 25,
    pH: 6,
    density: 1.004,
    allergens: ['celery'],
    source: SOURCES.house,
  }),
  food({
    id: 'chicken-stock',
    name: 'Chicken stock, unsalted',
    group: 'liquid',
    percent: { water: 97.2, protein: 1.8, fat: 0.3, sugars: 0.3, ash: 0.4 },
    sodium: 40,
    pH: 6.3,
    density: 1.004,
    allergens: ['celery'],
    source: SOURCES.house,
  }),
  food({
    id: 'fish-stock',
    name: 'Fish stock, unsalted',
    group: 'liquid',
    percent: { water: 97.8, protein: 1.5, fat: 0.3, sugars: 0.1, ash: 0.3 },
    sodium: 60,
    pH: 6.5,
    density: 1.003,
    allergens: ['fish', 'celery'],
    source: SOURCES.house,
  }),
  food({
    id: 'cockle-liquor',
    name: 'Cockle liquor and stock',
    group: 'liquid',
    percent: { water: 97.6, protein: 0.9, fat: 0.1, sugars: 0.4, ash: 1 },
    sodium: 240,
    pH: 6.5,
    density: 1.008,
    allergens: ['molluscs', 'celery'],
    source: SOURCES.house,
  }),
];
