import { ingredient } from '../../food/catalogue';
import { advanceLag, SOFTEST } from '../../heat/softening';
import { volumeMl } from '../../pot/contents/contents';
import { tenderness } from '../../pot/cook';
import { BATCH_SPREAD, type Kitchen, soupSpread } from '../../pot/kitchen';
import { type Pot, potCelsius } from '../../pot/pot';
import { equivalentsAtWork } from '../../thicken/granules';
import { ASPECTS, type Aspect, type Evidence } from './readings';

type Aspects = Readonly<Record<Aspect, number>>;

/** A pot in the four figures readings speak of. */
export function aspectsOf(pot: Pot): Aspects {
  const soft = pot.pieces.filter((p) => ingredient(p.ingredient).softening).map(tenderness);
  return {
    heat: pot.celsius,
    water: Math.log(Math.max(1, volumeMl(pot))),
    thickness: Math.log(Math.max(1e-3, equivalentsAtWork(pot.thickeners))),
    softness: Math.log(Math.max(0.02, soft.length ? Math.min(...soft) : 1)),
  };
}

/** mL of liquid that a change may not go under: something is always left to correct. */
const LEAST_WATER = 10;

/** `pot` moved by `by`: °C, and logarithms of volume (as water), of thickening, of softening. */
export function shifted(pot: Pot, by: Aspects): Pot {
  const extra = volumeMl(pot) * Math.expm1(by.water) * 0.97;
  const water = Math.max(Math.min(pot.liquid.water, LEAST_WATER), pot.liquid.water + extra);
  const heat = potCelsius(pot.celsius + by.heat) - pot.celsius;
  return {
    ...pot,
    celsius: pot.celsius + heat,
    liquid: { ...pot.liquid, water },
    evaporated: pot.evaporated - (water - pot.liquid.water),
    thickeners: pot.thickeners.map((t) => ({ ...t, equivalents: t.equivalents * Math.exp(by.thickness) })),
    pieces: pot.pieces.map((p) => ({
      ...p,
      lag: advanceLag(p.lag, p.cut, 0, heat),
      softened: Math.min(SOFTEST, p.softened * Math.exp(by.softness)),
    })),
  };
}

/**
 * What is not known about a batch: the logarithms of its house factors, then an offset of each aspect for
 * whatever no factor explains (a flame turned down, a splash nobody wrote down). Means and covariance.
 */
export type Belief = {
  readonly mean: readonly number[];
  readonly covariance: readonly (readonly number[])[];
};

/** Standard deviations of what differs from batch to batch of one soup cooked alike in one kitchen. Our assumptions. */
export const SCATTER: Aspects = { heat: 3, water: 0.02, thickness: BATCH_SPREAD, softness: 0.15 };

/** Standard deviations of the offsets to begin with, the soup’s own in them; minutes after which each is forgotten. Our assumptions. */
const OFFSET: Aspects = { ...SCATTER, water: 0.05, thickness: 0.1 };
const FORGOTTEN: Aspects = { heat: 4, water: 45, thickness: 45, softness: 45 };

/** What is left of an offset after so long, 0–1. */
export const offsetLeft = (aspect: Aspect, minutes: number): number => Math.exp(-minutes / FORGOTTEN[aspect]);

/** The offsets of a batch in its kitchen: where that knows the soup, no more of it is open than that leaves. */
export const offsetsIn = ({ soup }: Pick<Kitchen, 'soup'>): Aspects =>
  soup ? { ...OFFSET, thickness: soupSpread({ soup }) } : OFFSET;

/** Nothing measured yet: factors as unsure as `spreads`, and `offsets` of what is of this batch. */
export function unmeasured(spreads: readonly number[], offsets: Aspects = OFFSET): Belief {
  const all = [...spreads, ...ASPECTS.map((a) => offsets[a])];
  return {
    mean: spreads.map(() => 0),
    covariance: all.map((s, i) => all.map((_, j) => (i === j ? s * s : 0))),
  };
}

/** Offsets grow back towards what they were while nobody measures. */
export function later({ mean, covariance }: Belief, minutes: number, offsets: Aspects = OFFSET): Belief {
  const n = mean.length;
  const keep = covariance.map((_, i) => {
    const aspect = ASPECTS[i - n];
    return aspect ? offsetLeft(aspect, minutes) : 1;
  });
  return {
    mean,
    covariance: covariance.map((row, i) =>
      row.map((c, j) => {
        const kept = c * (keep[i] ?? 1) * (keep[j] ?? 1);
        const aspect = ASPECTS[i - n];
        return i === j && aspect ? kept + offsets[aspect] ** 2 * (1 - (keep[i] ?? 1) ** 2) : kept;
      }),
    ),
  };
}

/** How one aspect answers to everything unknown: a slope for each factor, then 1 for its own offset. */
export type Slope = Readonly<Record<Aspect, readonly number[]>>;

const dot = (a: readonly number[], b: readonly number[]): number =>
  a.reduce((sum, x, i) => sum + x * (b[i] ?? 0), 0);

/** Variance of a combination `slope` of everything unknown. */
export const varianceAlong = ({ covariance }: Belief, slope: readonly number[]): number =>
  dot(
    covariance.map((row) => dot(row, slope)),
    slope,
  );

/** Beyond this many standard deviations a reading is a surprise: it is believed, but teaches nothing. Our assumption. */
const SURPRISE = 3;

/**
 * Takes in one reading (Kalman's update): what it teaches of the factors, and by how much the pot moves.
 * A surprise is laid to the offset of what it speaks of, so that the pot follows the reading.
 */
export function learnt(
  belief: Belief,
  said: Evidence,
  slopes: Slope,
): { readonly belief: Belief; readonly move: Aspects } {
  const n = belief.mean.length;
  const along = belief.covariance.map((_, i) =>
    ASPECTS.reduce((sum, a) => sum + (said.of[a] ?? 0) * (slopes[a][i] ?? 0), 0),
  );
  let { covariance } = belief;
  const noise = said.error ** 2;
  let variance = varianceAlong(belief, along) + noise;
  if (said.miss ** 2 > SURPRISE ** 2 * variance) {
    const k = n + ASPECTS.indexOf(said.speaksOf);
    const unexplained = said.miss ** 2;
    covariance = covariance.map((row, i) =>
      i === k ? row.map((c, j) => (j === k ? c + unexplained : c)) : row,
    );
    variance += unexplained;
  }
  const gain = covariance.map((row) => dot(row, along) / variance);
  const moved = gain.map((g) => g * said.miss);
  return {
    belief: {
      mean: belief.mean.map((m, i) => m + (moved[i] ?? 0)),
      covariance: covariance.map((row, i) =>
        row.map((c, j) => c - (gain[i] ?? 0) * (gain[j] ?? 0) * variance),
      ),
    },
    move: Object.fromEntries(ASPECTS.map((a) => [a, dot(slopes[a], moved)])) as Record<Aspect, number>,
  };
}
