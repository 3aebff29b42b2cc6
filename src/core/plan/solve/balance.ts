import { equivalentsFor } from '../../flow/viscosity';
import type { Aim } from '../../order/order';
import type { Observation } from '../../pot/observe';

/** Change of (thickness, volume) misses with (dose, liquid), as [[t/dose, t/liquid], [v/dose, v/liquid]] in the solver's units. */
export type Slopes = readonly [readonly [number, number], readonly [number, number]];

/** One try: the pot cooked with this dose and this much liquid, and by what shares it missed. */
export type Attempt = {
  readonly dose: number;
  readonly liquid: number;
  readonly thickness: number;
  readonly volume: number;
};

/**
 * By what shares a pot misses what is wanted of it, thickness in flour equivalents and volume, in which both are nearly
 * straight lines of dose and liquid; 0 of what is left as it is.
 */
export function missesOf(
  found: Pick<Observation, 'equivalents' | 'fatFraction' | 'volumeMl'>,
  { litres, target }: Aim,
  counts: { readonly thickness: boolean; readonly volume: boolean },
): Pick<Attempt, 'thickness' | 'volume'> {
  const wanted = equivalentsFor(target, found.fatFraction);
  return {
    thickness: counts.thickness ? (found.equivalents - wanted) / Math.max(LEAST_WANTED, wanted) : 0,
    volume: counts.volume ? found.volumeMl / (litres * 1000) - 1 : 0,
  };
}

/** g/L of flour a miss is a share of at least: of next to nothing anything would be a great share. */
const LEAST_WANTED = 10;

/** What there is to turn: a step of each unknown that matters, and how far it may go; null when it stands fast. */
export type Unknowns = {
  readonly dose: { readonly unit: number; readonly most: number } | null;
  readonly liquid: { readonly unit: number; readonly most: number } | null;
};

/** Misses below this share are done. */
export const CLOSE = 0.001;
const MOST_TRIES = 14;

/** Slopes nobody has measured. */
const UNKNOWN: Slopes = [
  [1, 0],
  [0, 1],
];

/** How far to step when measuring slopes, in the solver's units. */
const NUDGE = 0.05;

/**
 * Closes the misses in thickness and volume by turning the dose and the liquid: Broyden's method, kept
 * within what each may be. Misses are counted so that they are nearly straight lines. `known` are the slopes
 * of a nearby answer, to start from; `close` is the miss that will do. The last try and its slopes, which
 * are level ones when the start was close enough already.
 */
export function balance(
  start: { readonly dose: number; readonly liquid: number },
  { dose: byDose, liquid: byLiquid }: Unknowns,
  attempt: (dose: number, liquid: number) => Attempt,
  { known, close = CLOSE }: { readonly known?: Slopes | undefined; readonly close?: number } = {},
): { readonly found: Attempt; readonly slopes: Slopes } {
  const doseUnit = byDose?.unit ?? 1;
  const liquidUnit = byLiquid?.unit ?? 1;
  const mostDose = byDose?.most ?? start.dose;
  const mostLiquid = byLiquid?.most ?? start.liquid;
  const within = (x: number, most: number): number => Math.min(most, Math.max(0, x));

  const measureSlopes = (at: Attempt): Slopes => {
    const nudge = at.dose > 0.9 * mostDose ? -NUDGE : NUDGE;
    const more = byDose ? attempt(at.dose + nudge * doseUnit, at.liquid) : null;
    const wetter = byLiquid ? attempt(at.dose, at.liquid + NUDGE * liquidUnit) : null;
    return [
      [
        more ? (more.thickness - at.thickness) / nudge : 1,
        wetter ? (wetter.thickness - at.thickness) / NUDGE : 0,
      ],
      [more ? (more.volume - at.volume) / nudge : 0, wetter ? (wetter.volume - at.volume) / NUDGE : 1],
    ];
  };

  const there = (t: Attempt): boolean => Math.abs(t.thickness) < close && Math.abs(t.volume) < close;
  let now = attempt(start.dose, start.liquid);
  let slopes = known ?? (there(now) ? UNKNOWN : measureSlopes(now));
  for (let i = 0; i < MOST_TRIES; i++) {
    if (there(now)) break;
    const [[a, b], [c, d]] = slopes;
    const det = a * d - b * c;
    if (Math.abs(det) < 1e-9) break;
    const dose = byDose
      ? within(now.dose + ((b * now.volume - d * now.thickness) / det) * doseUnit, mostDose)
      : now.dose;
    // With the dose against its limit, only the volume is left to solve for.
    const turn = dose === now.dose ? -now.volume / d : (c * now.thickness - a * now.volume) / det;
    const liquid = byLiquid ? within(now.liquid + turn * liquidUnit, mostLiquid) : now.liquid;
    const x = (dose - now.dose) / doseUnit;
    const y = (liquid - now.liquid) / liquidUnit;
    const moved = x * x + y * y;
    if (moved < 1e-12) break;
    const next = attempt(dose, liquid);
    const missedT = (next.thickness - now.thickness - (a * x + b * y)) / moved;
    const missedV = (next.volume - now.volume - (c * x + d * y)) / moved;
    slopes = [
      [a + missedT * x, b + missedT * y],
      [c + missedV * x, d + missedV * y],
    ];
    now = next;
  }
  return { found: now, slopes };
}
