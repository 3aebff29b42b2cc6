/**
 * Mass fractions of what a food is made of; they add to 1. Salt is part of ash and counted by sodium.
 * Carbohydrate is kept as starch, sugars and fibre because starch thickens and the others do not.
 */
export type Composition = {
  readonly water: number;
  readonly protein: number;
  readonly fat: number;
  readonly starch: number;
  readonly sugars: number;
  readonly fibre: number;
  readonly ash: number;
  readonly alcohol: number;
};

export type Component = keyof Composition;

export const COMPONENTS = [
  'water',
  'protein',
  'fat',
  'starch',
  'sugars',
  'fibre',
  'ash',
  'alcohol',
] as const satisfies readonly Component[];

export const NOTHING: Composition = {
  water: 0,
  protein: 0,
  fat: 0,
  starch: 0,
  sugars: 0,
  fibre: 0,
  ash: 0,
  alcohol: 0,
};

/** Component-wise `a + k·b`; used on grams of each component as well as on fractions. */
export function plus(a: Composition, b: Composition, k = 1): Composition {
  return {
    water: a.water + k * b.water,
    protein: a.protein + k * b.protein,
    fat: a.fat + k * b.fat,
    starch: a.starch + k * b.starch,
    sugars: a.sugars + k * b.sugars,
    fibre: a.fibre + k * b.fibre,
    ash: a.ash + k * b.ash,
    alcohol: a.alcohol + k * b.alcohol,
  };
}

/** A composition `k` times over, g of each part. */
export const times = (a: Composition, k: number): Composition => plus(NOTHING, a, k);

/** All parts together, in the unit they are given in. */
export const totalOf = (a: Composition): number =>
  a.water + a.protein + a.fat + a.starch + a.sugars + a.fibre + a.ash + a.alcohol;

/** Fractions from grams; nothing at all counts as water so that callers need no special case. */
export function fractions(grams: Composition): Composition {
  const total = totalOf(grams);
  return total > 0 ? times(grams, 1 / total) : { ...NOTHING, water: 1 };
}
