import type { Allergen } from '../../core/food/ingredient';
import type { Listed } from '../../core/recipe/listed';
import { allergensAmong, findRecipes } from './finding';

const listed = (
  name: string,
  allergens: readonly Allergen[] | null,
  cookedAt: string | null = null,
): Listed => ({
  id: name,
  name,
  school: 'White roux',
  band: 'Coating',
  version: 1,
  madeAt: '2026-11-27T12:00:00.000Z',
  archived: false,
  cookedAt,
  landing: allergens && { litres: 4, lands: 'Coating', viscosity: 140, ingredients: ['Leek'], allergens },
});
const LEEK = listed('Leek cream', ['milk', 'wheat'], '2026-11-28T10:00:00.000Z');
const CRAB = listed('Bisque', ['crustaceans'], '2026-11-20T10:00:00.000Z');
const PEA = listed('Pea', []);
const UNKNOWN = listed('Not worked out', null, '2026-11-29T10:00:00.000Z');
const ALL = [LEEK, CRAB, PEA, UNKNOWN];
const ANY = { text: '', without: null, order: 'house' } as const;
const names = (finding: Partial<Parameters<typeof findRecipes>[1]>) =>
  findRecipes(ALL, { ...ANY, ...finding }).shown.map((r) => r.name);

test('a soup is without an allergen only where what is in it is known: the others are counted, not shown', () => {
  expect(names({ without: 'milk' })).toEqual(['Bisque', 'Pea']);
  expect(findRecipes(ALL, { ...ANY, without: 'milk' }).unsure).toBe(1);
  expect(findRecipes(ALL, ANY).unsure).toBe(0);
});

test('an allergen, an ingredient and the way of thickening are found by a word', () => {
  expect(names({ text: 'crustac' })).toEqual(['Bisque']);
  expect(names({ text: 'leek roux' })).toEqual(['Leek cream', 'Bisque', 'Pea']);
});

test('last cooked stands first, or last, and what never was at the other end', () => {
  expect(names({ order: 'cooked' })).toEqual(['Not worked out', 'Leek cream', 'Bisque', 'Pea']);
  expect(names({ order: 'longest' })).toEqual(['Pea', 'Bisque', 'Leek cream', 'Not worked out']);
  expect(names({ order: 'name' })).toEqual(['Bisque', 'Leek cream', 'Not worked out', 'Pea']);
  expect(names({})).toEqual(ALL.map((r) => r.name));
});

test('only allergens some soup has are asked about', () => {
  expect(allergensAmong(ALL)).toEqual(['milk', 'crustaceans', 'wheat']);
});
