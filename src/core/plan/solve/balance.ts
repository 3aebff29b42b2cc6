import { equivalentsFor } from '../../flow/viscosity';
import { linear } from '../../maths/linear';
import type { Aim } from '../../order/order';
import type { Observation } from '../../pot/observe';

/** What is turned, and in the same order what each is turned for. */
const TURNED = ['dose', 'liquid', 'dairy'] as const;
const MISSED = ['thickness', 'volume', 'richness'] as const;

/** The dose, the made-up liquid and the dairy, each as the caller counts it. */
export type Turned = Readonly<Record<(typeof TURNED)[number], number>>;
/** By what shares a pot missed each of its aims. */
export type Misses = Readonly<Record<(typeof MISSED)[number], number>>;

/** Change of each miss (down) with each thing turned (across), in the solver's units. */
export type Slopes = readonly (readonly number[])[];

/** One try: the pot cooked with these, and by what shares it missed. */
export type Attempt = Turned & Misses;

/** What of a pot is to be met; the rest is left as it is. */
export type Wanted = Readonly<Record<(typeof MISSED)[number], boolean>>;

/**
 * By what shares a pot misses what is wanted of it: thickness in flour equivalents, volume, and the fat of its liquid,
 * in which all three are nearly straight lines of dose, liquid and dairy; 0 of what is left as it is. Where
 * `spreads` says so, what thickens is
 * counted as if it were spread over the litres wanted: more liquid alone then changes nothing of it, and it is straighter still.
 */
export function missesOf(
  found: Pick<Observation, 'equivalents' | 'fatFraction' | 'volumeMl'>,
  { litres, target, rich = 0 }: Aim,
  counts: Wanted,
  spreads = false,
): Misses {
  const wanted = equivalentsFor(target, found.fatFraction);
  const spread = spreads && counts.volume ? found.volumeMl / (litres * 1000) : 1;
  return {
    thickness: counts.thickness ? (found.equivalents * spread - wanted) / Math.max(LEAST_WANTED, wanted) : 0,
    volume: counts.volume ? found.volumeMl / (litres * 1000) - 1 : 0,
    richness: counts.richness ? (found.fatFraction * 100) / Math.max(LEAST_RICH, rich) - 1 : 0,
  };
}

/** % of fat a miss of richness is a share of at least. */
const LEAST_RICH = 0.2;

/** g/L of flour a miss is a share of at least: of next to nothing anything would be a great share. */
export const LEAST_WANTED = 10;

/** A step of something that is turned, and how far it may go. */
type Unknown = { readonly unit: number; readonly most: number };
/** What there is to turn; null of what stands fast. */
export type Unknowns = Readonly<Record<(typeof TURNED)[number], Unknown | null>>;

/** Misses below this share are done. */
export const CLOSE = 0.0002;
const MOST_TRIES = 14;

/** How far to step when measuring slopes, in the solver's units. */
const NUDGE = 0.05;

/** Slopes nobody has measured: each thing turned closes its own miss. */
export const LEVEL: Slopes = TURNED.map((_, n) => MISSED.map((_miss, m) => (n === m ? 1 : 0)));

const NO_MISS: Misses = { thickness: 0, volume: 0, richness: 0 };

const moved = (turned: Turned, n: number, to: number): Turned => {
  const name = TURNED[n] ?? 'dose';
  return { ...turned, [name]: to };
};
const amountOf = (turned: Turned, n: number): number => turned[TURNED[n] ?? 'dose'];
const missOf = (misses: Misses, n: number): number => misses[MISSED[n] ?? 'thickness'];

/**
 * Closes the misses by turning the dose, the liquid and the dairy, as far as each is open: Broyden's method, kept
 * within what each may be; one that stands at its limit leaves the others to be solved. Misses are counted so
 * that they are nearly straight lines. `known` are the slopes of a nearby answer, or what the first try lets one expect, to
 * start from; measured where there are none. `begun` is a try made before, that need not be made again; `close` the
 * miss that will do; a miss below `trusted` is closed by the slopes without being tried again. The last try and
 * its slopes, which are level ones when the start was close enough already.
 */
export function balance(
  start: Turned,
  unknowns: Unknowns,
  attempt: (turned: Turned) => Attempt,
  {
    known,
    begun,
    close = CLOSE,
    tries = MOST_TRIES,
    trusted = 0,
  }: {
    readonly known?: Slopes | (() => Slopes | undefined) | undefined;
    readonly begun?: Attempt | undefined;
    readonly close?: number;
    readonly tries?: number;
    readonly trusted?: number;
  } = {},
): { readonly found: Attempt; readonly slopes: Slopes; readonly closed: boolean } {
  const open = TURNED.flatMap((name, n) => (unknowns[name] ? [n] : []));
  const unitOf = (n: number): number => unknowns[TURNED[n] ?? 'dose']?.unit ?? 1;
  const mostOf = (n: number): number => unknowns[TURNED[n] ?? 'dose']?.most ?? 0;
  const there = (t: Attempt): boolean => MISSED.every((name) => Math.abs(t[name]) < close);

  const measureSlopes = (at: Attempt): Slopes => {
    const slopes = LEVEL.map((row) => [...row]);
    for (const u of open) {
      const nudge = amountOf(at, u) > 0.9 * mostOf(u) ? -NUDGE : NUDGE;
      const tried = attempt(moved(at, u, amountOf(at, u) + nudge * unitOf(u)));
      for (const m of slopes.keys()) {
        const row = slopes[m];
        if (row) row[u] = (missOf(tried, m) - missOf(at, m)) / nudge;
      }
    }
    return slopes;
  };
  const slope = (slopes: Slopes, m: number, u: number): number => slopes[m]?.[u] ?? 0;

  /** Where the slopes say the misses close, each within what it may be; null where they do not say. */
  const stepFrom = (now: Attempt, slopes: Slopes): Turned | null => {
    let free = open;
    for (;;) {
      const turns = linear(
        free.map((m) => free.map((u) => slope(slopes, m, u))),
        free.map((m) => -missOf(now, m)),
      );
      if (!turns) return null;
      let to: Turned = now;
      const stuck: number[] = [];
      for (const [k, u] of free.entries()) {
        const was = amountOf(now, u);
        const value = Math.min(mostOf(u), Math.max(0, was + (turns[k] ?? 0) * unitOf(u)));
        if (value === was && turns[k] !== 0) stuck.push(u);
        to = moved(to, u, value);
      }
      if (stuck.length === 0 || stuck.length === free.length) return to;
      free = free.filter((u) => !stuck.includes(u));
    }
  };

  let now = begun ?? attempt(start);
  const expected = typeof known === 'function' ? known() : known;
  let slopes = expected ?? (there(now) ? LEVEL : measureSlopes(now));
  for (let i = 0; i < tries && !there(now); i++) {
    const to = stepFrom(now, slopes);
    if (!to) break;
    const before = now;
    const by = TURNED.map((_, u) => (amountOf(to, u) - amountOf(before, u)) / unitOf(u));
    const length = by.reduce((sum, x) => sum + x * x, 0);
    if (length < 1e-12) break;
    const near = MISSED.every((name) => Math.abs(now[name]) < trusted);
    if (near && i > 0) return { found: { ...now, ...to, ...NO_MISS }, slopes, closed: true };
    now = attempt(to);
    const next = now;
    slopes = slopes.map((row, m) => {
      const foreseen = row.reduce((sum, s, u) => sum + s * (by[u] ?? 0), 0);
      const off = (missOf(next, m) - missOf(before, m) - foreseen) / length;
      return row.map((s, u) => s + off * (by[u] ?? 0));
    });
  }
  return { found: now, slopes, closed: there(now) };
}
