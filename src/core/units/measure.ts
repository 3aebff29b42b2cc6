import { type Filling, gramsIn, isMass, millilitresIn, type Quantity, VOLUME_UNITS } from './quantity';

/**
 * What a measure of something weighs: grams per millilitre, one figure for a liquid or fat,
 * up to three for a dry good by how the measure was filled.
 */
export type Density = number | { readonly [F in Filling]?: number };

/** g/mL of `density` under `filled`; falls back to spooned, then to whatever is known. */
export function densityOf(density: Density, filled?: Filling): number {
  if (typeof density === 'number') return density;
  const known = (filled && density[filled]) ?? density.spooned ?? density.scooped ?? density.sifted;
  if (known === undefined) throw new RangeError('density has no figure for any filling');
  return known;
}

/** Grams of `quantity` of something of `density` (g/mL). */
export function toGrams(quantity: Quantity, density: Density): number {
  if (isMass(quantity.unit)) return gramsIn(quantity.value, quantity.unit);
  return millilitresIn(quantity.value, quantity.unit) * densityOf(density, quantity.filled);
}

/** Millilitres of `quantity` of something of `density` (g/mL). */
export function toMillilitres(quantity: Quantity, density: Density): number {
  if (isMass(quantity.unit)) {
    return gramsIn(quantity.value, quantity.unit) / densityOf(density, quantity.filled);
  }
  return millilitresIn(quantity.value, quantity.unit);
}

const FRACTIONS: readonly [number, string][] = [
  [0, ''],
  [1 / 4, '¼'],
  [1 / 3, '⅓'],
  [1 / 2, '½'],
  [2 / 3, '⅔'],
  [3 / 4, '¾'],
  [1, ''],
];

/** A positive number as a kitchen writes it, to the nearest quarter or third: 1.52 → "1½". */
export function kitchenNumber(value: number): string {
  if (value >= 10) return String(Math.round(value));
  const whole = Math.floor(value);
  const rest = value - whole;
  const [near, sign] = FRACTIONS.reduce((best, f) =>
    Math.abs(f[0] - rest) < Math.abs(best[0] - rest) ? f : best,
  );
  const carried = near === 1 ? whole + 1 : whole;
  if (carried === 0) return sign || '0';
  return `${carried}${sign}`;
}

const MEASURES = [
  { name: 'gal', plural: 'gal', ml: VOLUME_UNITS.gal, from: 1 },
  { name: 'quart', plural: 'quarts', ml: VOLUME_UNITS.quart, from: 2 },
  { name: 'cup', plural: 'cups', ml: VOLUME_UNITS.cup, from: 0.24 },
  { name: 'tbsp', plural: 'tbsp', ml: VOLUME_UNITS.tbsp, from: 0.9 },
  { name: 'tsp', plural: 'tsp', ml: VOLUME_UNITS.tsp, from: 0.2 },
] as const;

/**
 * The kitchen measure beside a weight: the largest US measure that gives a figure a cook can fill,
 * e.g. 640 g of spooned flour → "5 cups". Below a quarter teaspoon: "a pinch".
 */
export function asKitchenMeasure(grams: number, density: Density, filled?: Filling): string {
  const ml = grams / densityOf(density, filled);
  const m = MEASURES.find((u) => ml / u.ml >= u.from);
  if (!m) return 'a pinch';
  const n = kitchenNumber(ml / m.ml);
  return `${n} ${ml / m.ml > 1.13 ? m.plural : m.name}`;
}
