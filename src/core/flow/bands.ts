import { chanceWithin } from '../maths/logNormal';
import { SOUP_DENSITY } from './readings/cups';
import { filmThickness } from './readings/film';

export const BANDS = ['Thin', 'Light', 'Coating', 'Hearty', 'Stiff'] as const;
export type Band = (typeof BANDS)[number];

/** Upper limits of Thin, Light, Coating and Hearty, mPa·s in the bowl at 50 s⁻¹. The house may move them. */
export type BandLimits = readonly [number, number, number, number];
export const DEFAULT_LIMITS: BandLimits = [25, 90, 260, 800];

/** The ladder shows from here to here. */
export const LADDER_RANGE = [5, 2500] as const;

/** The band a viscosity, mPa·s in the bowl, lies in. */
export function bandOf(viscosity: number, limits: BandLimits = DEFAULT_LIMITS): Band {
  const i = limits.findIndex((limit) => viscosity < limit);
  return BANDS[i === -1 ? 4 : i] ?? 'Stiff';
}

/** Lower and upper limit of a band; the outer bands end where the ladder does. */
export function rangeOf(band: Band, limits: BandLimits = DEFAULT_LIMITS): readonly [number, number] {
  const i = BANDS.indexOf(band);
  return [limits[i - 1] ?? LADDER_RANGE[0], limits[i] ?? LADDER_RANGE[1]];
}

/** Lower and upper limit of a band, mPa·s; Thin begins at nothing, Stiff has no end. */
export function openRangeOf(band: Band, limits: BandLimits = DEFAULT_LIMITS): readonly [number, number] {
  const i = BANDS.indexOf(band);
  return [limits[i - 1] ?? 0, limits[i] ?? Number.POSITIVE_INFINITY];
}

/** Chance, 0–1, that a pot believed to be `viscosity` mPa·s, with `spread` as the standard deviation of its logarithm, is in `band`. */
export const chanceOfBand = (viscosity: number, spread: number, band: Band, limits: BandLimits): number =>
  chanceWithin(viscosity, spread, ...openRangeOf(band, limits));

/** The middle of a band on the ladder, which is logarithmic. */
export function middleOf(band: Band, limits: BandLimits = DEFAULT_LIMITS): number {
  const [low, high] = rangeOf(band, limits);
  return Math.sqrt(low * high);
}

/**
 * Thickness, mm, of the film left on the back of a spoon held upright and drained for `seconds`,
 * at `x` mm below its edge: Jeffreys (1930), h = √(ν x / (g t)). `viscosity` mPa·s, density 1.03 g/mL.
 */
export const spoonFilm = (viscosity: number, x = 30, seconds = 2): number =>
  filmThickness(viscosity / SOUP_DENSITY, x, seconds) * 1000;
