import { ingredient } from '../food/catalogue';
import type { Allergen } from '../food/ingredient';
import { METHOD_RULES } from '../thicken/methods';
import type { ThickenMethod } from '../thickeners/row';
import { THICKENER_KINDS, THICKENERS, type ThickenerKind } from '../thickeners/thickeners';

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

/** The ways to thicken with what is weighed out, as its row has them. */
const waysOf = (kind: ThickenerKind): readonly Way[] => {
  const { weighed, leastSimmer } = THICKENERS[kind];
  if (!weighed) return [];
  return (Object.entries(weighed.ways) as [ThickenMethod, string][]).map(([method, words]) => ({
    id: `${method.replaceAll(' ', '-')}.${weighed.ingredient}`,
    words,
    kind,
    ingredient: weighed.ingredient,
    method,
    leastMinutes: Math.max(METHOD_RULES[method].leastMinutes, leastSimmer),
  }));
};

/** Every school a pot can be thickened by besides its recipe's own, in the order a cook would think of them. */
export const WAYS: readonly Way[] = [
  ...THICKENER_KINDS.flatMap(waysOf),
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
export const allergensOfWay = (w: Way): readonly Allergen[] => {
  const carrier =
    w.method === 'as written' || w.method === 'liaison' ? 'heavy-cream' : METHOD_RULES[w.method].carrierIs;
  const brought = [w.ingredient, w.method === 'as written' ? null : carrier].flatMap((id) =>
    id ? ingredient(id).allergens : [],
  );
  return [...new Set(brought)];
};
