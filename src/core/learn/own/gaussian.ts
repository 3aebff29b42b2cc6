import {
  dot,
  factored,
  identity,
  type Matrix,
  product,
  sum,
  times,
  transposed,
  type Vector,
} from '../../maths/matrix';
import type { NumberPart } from './laws';

/** A normal law over parts of numbers, by name; logarithms. */
export type Gaussian = {
  readonly names: readonly string[];
  readonly mean: Vector;
  readonly covariance: Matrix;
};

export const NOTHING_KNOWN: Gaussian = { names: [], mean: [], covariance: [] };

/**
 * What readings say of numbers, each the sum of some parts: a normal likelihood, exp(shift·x − x·precision·x / 2) of the
 * numbers' logarithms x.
 */
export type Likelihood = { readonly precision: Matrix; readonly shift: Vector };

/** `g` with those of `parts` it does not know yet, each as unsure as it is. */
export function withParts(g: Gaussian, parts: readonly NumberPart[]): Gaussian {
  const known = new Set(g.names);
  const fresh = parts.filter((p) => !known.has(p.name) && known.add(p.name));
  if (fresh.length === 0) return g;
  const size = g.names.length + fresh.length;
  return {
    names: [...g.names, ...fresh.map((p) => p.name)],
    mean: [...g.mean, ...fresh.map(() => 0)],
    covariance: Array.from({ length: size }, (_, r) =>
      Array.from({ length: size }, (_, c) =>
        r < g.names.length && c < g.names.length
          ? (g.covariance[r]?.[c] as number)
          : r === c
            ? (fresh[r - g.names.length]?.variance as number)
            : 0,
      ),
    ),
  };
}

/** `g` without the parts `gone` names: what they have taught of the others stays. */
export function without(g: Gaussian, gone: (name: string) => boolean): Gaussian {
  const kept = g.names.flatMap((name, n) => (gone(name) ? [] : [n]));
  if (kept.length === g.names.length) return g;
  return {
    names: kept.map((n) => g.names[n] as string),
    mean: kept.map((n) => g.mean[n] as number),
    covariance: kept.map((r) => kept.map((c) => g.covariance[r]?.[c] as number)),
  };
}

/** Where the parts of each number stand in `g`. */
const placesIn = (g: Gaussian, numbers: readonly (readonly string[])[]): readonly (readonly number[])[] => {
  const at = new Map(g.names.map((name, n) => [name, n]));
  return numbers.map((parts) =>
    parts.map((p) => {
      const n = at.get(p);
      if (n === undefined) throw new RangeError(`no part ${p}`);
      return n;
    }),
  );
};

/** Covariances of all parts with each number: rows of parts. */
const withNumbers = (g: Gaussian, places: readonly (readonly number[])[]): number[][] =>
  g.covariance.map((row) =>
    places.map((parts) => {
      let all = 0;
      for (const n of parts) all += row[n] as number;
      return all;
    }),
  );

/** Mean and covariance of numbers, each the sum of the parts named. */
export function lawOf(
  g: Gaussian,
  numbers: readonly (readonly string[])[],
): { readonly mean: number[]; readonly covariance: number[][] } {
  const places = placesIn(g, numbers);
  const across = withNumbers(g, places);
  return {
    mean: places.map((parts) => parts.reduce((s, n) => s + (g.mean[n] as number), 0)),
    covariance: places.map((parts) =>
      places.map((_, c) => parts.reduce((s, n) => s + (across[n]?.[c] as number), 0)),
    ),
  };
}

/** `covariance` less `gained` times `across`, which is as even as it is. */
function lessBy(covariance: Matrix, gained: Matrix, across: Matrix): number[][] {
  const out = covariance.map((row) => [...row]);
  for (let r = 0; r < out.length; r++) {
    const row = out[r] as number[];
    for (let c = 0; c <= r; c++) {
      const v = (row[c] as number) - dot(gained[r] as Vector, across[c] as Vector);
      row[c] = v;
      (out[c] as number[])[r] = v;
    }
  }
  return out;
}

/** `g` once what `said` says of `numbers` is taken in: Bayes' rule, exact for normal laws. */
export function learnt(g: Gaussian, numbers: readonly (readonly string[])[], said: Likelihood): Gaussian {
  const places = placesIn(g, numbers);
  const across = withNumbers(g, places);
  const { mean, covariance } = lawOf(g, numbers);
  // (I + ΛP)⁻¹ is there for any P and Λ that are none under nothing, singular or not.
  const inner = factored(sum(identity(mean.length), product(said.precision, covariance)));
  const pull = inner.solve(said.shift.map((s, n) => s - dot(said.precision[n] as Vector, mean)));
  const holds = transposed(transposed(said.precision).map((column) => inner.solve(column)));
  const gained = product(across, holds);
  return {
    names: g.names,
    mean: g.mean.map((m, n) => m + dot(across[n] as Vector, pull)),
    covariance: lessBy(g.covariance, gained, across),
  };
}

/** How readings agree with what was believed of their numbers. */
export type Agreement = {
  /** ln of how likely they were, up to what is the same for any belief. */
  readonly evidence: number;
  /** How far off, as χ² of as many degrees as readings say different things. */
  readonly chi2: number;
  /** Of each number, how many standard deviations they pull at it. */
  readonly pulls: readonly number[];
};

/** Against a normal law of the numbers. */
export function agreement(
  { mean, covariance }: { readonly mean: Vector; readonly covariance: Matrix },
  { precision, shift }: Likelihood,
): Agreement {
  const pull = shift.map((s, n) => s - dot(precision[n] as Vector, mean));
  const inner = factored(sum(identity(mean.length), product(precision, covariance)));
  const gain = times(covariance, inner.solve(pull));
  const apart = sum(precision, product(product(precision, covariance), precision));
  // What nothing was read of has no pull: a grain of variance lets the rest be solved.
  const grain = 1e-9 * Math.max(1e-300, ...apart.map((row, n) => row[n] as number));
  const chi2 = dot(
    pull,
    factored(apart.map((row, r) => row.map((v, c) => v + (r === c ? grain : 0)))).solve(pull),
  );
  return {
    evidence:
      dot(shift, mean) -
      dot(mean, times(precision, mean)) / 2 +
      dot(pull, gain) / 2 -
      inner.logDeterminant / 2,
    chi2,
    pulls: pull.map((p, n) => p / Math.sqrt(Math.max(1e-12, apart[n]?.[n] as number))),
  };
}

/** The same said with less weight, 0–1. */
export const weaker = ({ precision, shift }: Likelihood, weight: number): Likelihood => ({
  precision: precision.map((row) => row.map((v) => v * weight)),
  shift: shift.map((s) => s * weight),
});

/** Standard deviations. */
export const spreadsOf = (law: { readonly covariance: Matrix }): readonly number[] =>
  law.covariance.map((row, n) => Math.sqrt(Math.max(0, row[n] as number)));
