import { ingredient } from '../food/catalogue';
import type { Allergen, ThickenerKind } from '../food/ingredient';
import { LEAST_SIMMER } from '../thicken/granules';
import { METHOD_RULES } from '../thicken/methods';

/** A way to thicken a pot: what with, and how it goes in. */
export type Way = {
  /** "as-written", or method and kind: "slurry.maize". */
  readonly id: string;
  readonly words: string;
  readonly kind: ThickenerKind | null;
  readonly ingredient: string | null;
  readonly method: 'as written' | 'slurry' | 'kneaded butter' | 'cooked roux' | 'boiled cream' | 'liaison';
  /** Minutes at the simmer before it can be judged and tastes of nothing. */
  readonly leastMinutes: number;
};

export const AS_WRITTEN: Way = {
  id: 'as-written',
  words: 'as the recipe has it',
  kind: null,
  ingredient: null,
  method: 'as written',
  leastMinutes: 0,
};

type Exchange = Exclude<ThickenerKind, 'yolk' | 'potato dice' | 'puree'>;

const way = (
  method: Exclude<Way['method'], 'as written' | 'liaison'>,
  id: string,
  kind: Exchange,
  words: string,
): Way => ({
  id: `${method.replaceAll(' ', '-')}.${id}`,
  words,
  kind,
  ingredient: id,
  method,
  leastMinutes: Math.max(METHOD_RULES[method].leastMinutes, LEAST_SIMMER[kind]),
});

/** Every school a pot can be thickened by besides its recipe's own, in the order a cook would think of them. */
export const WAYS: readonly Way[] = [
  way('cooked roux', 'plain-flour', 'wheat', 'cooked roux'),
  way('kneaded butter', 'plain-flour', 'wheat', 'kneaded butter'),
  way('slurry', 'plain-flour', 'wheat', 'flour slurry'),
  way('slurry', 'rice-flour', 'rice flour', 'rice-flour slurry'),
  way('slurry', 'cornstarch', 'maize', 'cornstarch slurry'),
  way('boiled cream', 'cornstarch', 'maize', 'cornstarch boiled in cream'),
  way('slurry', 'waxy-maize-starch', 'waxy maize', 'waxy-maize slurry'),
  way('slurry', 'tapioca-starch', 'tapioca', 'tapioca slurry'),
  way('slurry', 'arrowroot', 'arrowroot', 'arrowroot slurry'),
  way('slurry', 'potato-starch', 'potato starch', 'potato-starch slurry'),
  {
    id: 'liaison.egg-yolk',
    words: 'liaison of yolk and cream',
    kind: 'yolk',
    ingredient: 'egg-yolk',
    method: 'liaison',
    leastMinutes: 1,
  },
];

/** The way of this id, the recipe’s own among them; undefined of none. */
export const wayOf = (id: string | undefined): Way | undefined =>
  id === AS_WRITTEN.id ? AS_WRITTEN : WAYS.find((w) => w.id === id);

/** Allergens a way brings that the recipe would not otherwise hold. */
export const allergensOf = (w: Way): readonly Allergen[] => {
  const carrier =
    w.method === 'as written' || w.method === 'liaison' ? 'heavy-cream' : METHOD_RULES[w.method].carrierIs;
  const brought = [w.ingredient, w.method === 'as written' ? null : carrier].flatMap((id) =>
    id ? ingredient(id).allergens : [],
  );
  return [...new Set(brought)];
};
