import { BANDS, type Band, bandOf } from '../flow/bands';
import { normals, seeded } from '../maths/random';
import type { Dosing } from '../plan/solve/resolve';
import type { Setup } from '../plan/solve/simulate';
import { FACTORS, type Factor } from '../pot/kitchen';
import type { Recipe } from '../recipe/recipe';
import { within } from '../units/range';
import { type Doubtful, doubtfulIn, doubtWords, spreadOfDoubt, viscosityWith } from './uncertainty';

const NAMES: readonly Doubtful[] = [...(Object.keys(FACTORS) as Factor[]), 'soup', 'hand'];

/** Bins of ln(viscosity), from 0.1 to 100 000 mPa·s: 1.4 % each. */
const BINS = 1000;
const LOW = Math.log(0.1);
const HIGH = Math.log(1e5);

/**
 * What a run of samples has found, in sums that add: two runs merge by adding, and memory does not
 * grow with the number of samples.
 */
export type Tally = {
  readonly samples: number;
  readonly sum: number;
  readonly squares: number;
  readonly bins: Uint32Array;
  readonly bands: Readonly<Record<Band, number>>;
  /** Σ z·y of each factor's standard normal z with y = ln(viscosity), and Σ z. */
  readonly products: Readonly<Record<Doubtful, number>>;
  readonly factorSums: Readonly<Record<Doubtful, number>>;
};

export type Spread = {
  readonly samples: number;
  readonly median: number;
  /** 80 % interval, mPa·s. */
  readonly interval: readonly [number, number];
  readonly chance: Readonly<Record<Band, number>>;
  /** Share of the variance each factor explains, largest first; the rest is their interplay. */
  readonly contributions: readonly {
    readonly factor: Doubtful;
    readonly words: string;
    readonly share: number;
  }[];
};

const zeros = <K extends string>(keys: readonly K[]): Record<K, number> =>
  Object.fromEntries(keys.map((k) => [k, 0])) as Record<K, number>;

/**
 * Cooks the plan `samples` times in thought, each time with every house factor drawn from its
 * log-normal, seeded: the same seed gives the same answer.
 */
export function sample(recipe: Recipe, dosing: Dosing, setup: Setup, seed: number, samples: number): Tally {
  within('samples', samples, 1, 1e7);
  const normal = normals(seeded(seed));
  const drawn = doubtfulIn(recipe).map((name) => ({ name, spread: spreadOfDoubt(name, recipe, setup) }));
  const bins = new Uint32Array(BINS);
  const bands = zeros(BANDS);
  const products = zeros(NAMES);
  const factorSums = zeros(NAMES);
  let sum = 0;
  let squares = 0;
  for (let n = 0; n < samples; n++) {
    const z = zeros(NAMES);
    const moved = zeros(NAMES);
    for (const { name, spread } of drawn) {
      z[name] = normal();
      moved[name] = z[name] * spread;
    }
    const bowlViscosity = viscosityWith(moved, recipe, dosing, setup);
    const y = Math.log(bowlViscosity);
    sum += y;
    squares += y * y;
    const bin = Math.min(BINS - 1, Math.max(0, Math.floor(((y - LOW) / (HIGH - LOW)) * BINS)));
    bins[bin] = (bins[bin] ?? 0) + 1;
    bands[bandOf(bowlViscosity, setup.kitchen.bandLimits)]++;
    for (const name of NAMES) {
      products[name] += z[name] * y;
      factorSums[name] += z[name];
    }
  }
  return { samples, sum, squares, bins, bands, products, factorSums };
}

const added = <K extends string>(
  a: Readonly<Record<K, number>>,
  b: Readonly<Record<K, number>>,
  keys: readonly K[],
): Record<K, number> => {
  const total = zeros(keys);
  for (const k of keys) total[k] = a[k] + b[k];
  return total;
};

/** Two runs as one. They must have had different seeds. */
export const merge = (a: Tally, b: Tally): Tally => ({
  samples: a.samples + b.samples,
  sum: a.sum + b.sum,
  squares: a.squares + b.squares,
  bins: a.bins.map((n, i) => n + (b.bins[i] ?? 0)),
  bands: added(a.bands, b.bands, BANDS),
  products: added(a.products, b.products, NAMES),
  factorSums: added(a.factorSums, b.factorSums, NAMES),
});

function quantile(t: Tally, share: number): number {
  const wanted = share * t.samples;
  let seen = 0;
  for (const [i, count] of t.bins.entries()) {
    if (count > 0 && seen + count >= wanted) {
      const inside = (wanted - seen) / count;
      return Math.exp(LOW + ((i + inside) / BINS) * (HIGH - LOW));
    }
    seen += count;
  }
  return Math.exp(HIGH);
}

/** Variance of ln(viscosity) the samples found. */
export const varianceOf = (t: Tally): number =>
  Math.max(1e-12, t.squares / t.samples - (t.sum / t.samples) ** 2);

/** What the samples say: median, 80 % interval, chance of each band, and what contributes most. */
export function summarise(t: Tally): Spread {
  const n = t.samples;
  const mean = t.sum / n;
  const variance = varianceOf(t);
  const chance = zeros(BANDS);
  for (const band of BANDS) chance[band] = t.bands[band] / n;
  const contributions = NAMES.map((factor) => {
    const slope = t.products[factor] / n - (t.factorSums[factor] / n) * mean;
    return { factor, words: doubtWords(factor), share: Math.min(1, (slope * slope) / variance) };
  }).sort((a, b) => b.share - a.share);
  return {
    samples: n,
    median: quantile(t, 0.5),
    interval: [quantile(t, 0.1), quantile(t, 0.9)],
    chance,
    contributions,
  };
}
