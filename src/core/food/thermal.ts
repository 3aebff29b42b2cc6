import { within } from '../units/range';
import { COMPONENTS, type Component, type Composition } from './composition';

/** Quadratic in T (°C): [a, b, c] for a + bT + cT². */
type Quadratic = readonly [number, number, number];
type Property = { readonly [C in Component]: Quadratic };

/**
 * Choi & Okos (1986) polynomials, as reprinted in ASHRAE Handbook — Refrigeration,
 * "Thermal properties of foods"; T from −40 to 150 °C. Alcohol is not theirs: ethanol's
 * values near 20 °C from general tables (from memory), taken as constant or linear.
 */
const HEAT_CAPACITY: Property = {
  water: [4.1762, -9.0864e-5, 5.4731e-6],
  protein: [2.0082, 1.2089e-3, -1.3129e-6],
  fat: [1.9842, 1.4733e-3, -4.8008e-6],
  starch: [1.5488, 1.9625e-3, -5.9399e-6],
  sugars: [1.5488, 1.9625e-3, -5.9399e-6],
  fibre: [1.8459, 1.8306e-3, -4.6509e-6],
  ash: [1.0926, 1.8896e-3, -3.6817e-6],
  alcohol: [2.3, 7e-3, 0],
};

const DENSITY: Property = {
  water: [997.18, 3.1439e-3, -3.7574e-3],
  protein: [1329.9, -0.5184, 0],
  fat: [925.59, -0.41757, 0],
  starch: [1599.1, -0.31046, 0],
  sugars: [1599.1, -0.31046, 0],
  fibre: [1311.5, -0.36589, 0],
  ash: [2423.8, -0.28063, 0],
  alcohol: [806, -0.85, 0],
};

const CONDUCTIVITY: Property = {
  water: [0.57109, 1.7625e-3, -6.7036e-6],
  protein: [0.17881, 1.1958e-3, -2.7178e-6],
  fat: [0.18071, -2.7604e-4, -1.7749e-7],
  starch: [0.20141, 1.3874e-3, -4.3312e-6],
  sugars: [0.20141, 1.3874e-3, -4.3312e-6],
  fibre: [0.18331, 1.2497e-3, -3.1683e-6],
  ash: [0.32962, 1.4011e-3, -2.9069e-6],
  alcohol: [0.17, 0, 0],
};

const at = ([a, b, c]: Quadratic, celsius: number): number => a + (b + c * celsius) * celsius;

/** −40…200 °C; the polynomials end at 150, and a dark roux is held there. Throws {@link OutOfRange}. */
const inRange = (celsius: number): number => Math.min(150, within('temperature', celsius, -40, 200, '°C'));

/** kJ/(kg·K) of one component at `celsius`, −40…200. Throws {@link OutOfRange}. */
export const heatCapacityOf = (component: Component, celsius: number): number =>
  at(HEAT_CAPACITY[component], inRange(celsius));

/** kg/m³ of one component at `celsius`, −40…200. Throws {@link OutOfRange}. */
export const componentDensity = (component: Component, celsius: number): number =>
  at(DENSITY[component], inRange(celsius));

/** W/(m·K) of one component at `celsius`, −40…200. Throws {@link OutOfRange}. */
export const conductivityOf = (component: Component, celsius: number): number =>
  at(CONDUCTIVITY[component], inRange(celsius));

/** J/K held by `grams` of each component at `celsius`: heat capacities add by mass. */
export function heatHeldBy(grams: Composition, celsius: number): number {
  let sum = 0;
  for (const c of COMPONENTS) {
    if (grams[c] !== 0) sum += grams[c] * heatCapacityOf(c, celsius);
  }
  return sum;
}

type Table = { readonly [C in Component]: number };

const tableAt = (celsius: number): Table => ({
  water: 1000 / componentDensity('water', celsius),
  protein: 1000 / componentDensity('protein', celsius),
  fat: 1000 / componentDensity('fat', celsius),
  starch: 1000 / componentDensity('starch', celsius),
  sugars: 1000 / componentDensity('sugars', celsius),
  fibre: 1000 / componentDensity('fibre', celsius),
  ash: 1000 / componentDensity('ash', celsius),
  alcohol: 1000 / componentDensity('alcohol', celsius),
});

/** mL/g at the temperature doses are counted at: asked for at every slice of time. */
const AT_20 = tableAt(20);
let last = { celsius: 20, table: AT_20 };

function specificVolumes(celsius: number): Table {
  if (celsius === 20) return AT_20;
  if (celsius !== last.celsius) last = { celsius, table: tableAt(celsius) };
  return last.table;
}

/** mL filled by `grams` of each component at `celsius`: volumes add. */
export function volumeOf(grams: Composition, celsius: number): number {
  const v = specificVolumes(celsius);
  return (
    grams.water * v.water +
    grams.protein * v.protein +
    grams.fat * v.fat +
    grams.starch * v.starch +
    grams.sugars * v.sugars +
    grams.fibre * v.fibre +
    grams.ash * v.ash +
    grams.alcohol * v.alcohol
  );
}

/** W/(m·K) of a mixture given in grams: components conduct side by side, weighted by volume. */
export function mixtureConductivity(grams: Composition, celsius: number): number {
  const volume = volumeOf(grams, celsius);
  let sum = 0;
  for (const c of COMPONENTS) {
    sum += ((grams[c] * 1000) / componentDensity(c, celsius) / volume) * conductivityOf(c, celsius);
  }
  return sum;
}
