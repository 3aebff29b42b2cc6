import { message } from '../../message/message';
import { OutOfRange, within } from '../../units/range';

/** Soup's density for turning mm²/s into mPa·s, g/mL, when nothing better is known. */
export const SOUP_DENSITY = 1.03;

/** Orifice → ν = a·t − b/t, mm²/s from seconds. ISO 2431:2019, valid 30 to 100 s; coefficients from memory. */
export const ISO_CUPS = {
  3: { a: 0.443, b: 200 },
  4: { a: 1.37, b: 200 },
  5: { a: 3.28, b: 220 },
  6: { a: 6.9, b: 570 },
} as const;
export type IsoCup = keyof typeof ISO_CUPS;

/** Their orifices, mm, the finest first. */
export const ISO_ORIFICES = Object.keys(ISO_CUPS).map(Number) as readonly IsoCup[];

const VALID = [30, 100] as const;

/**
 * Kinematic viscosity, mm²/s, from an ISO 2431 flow cup's time; refuses times the standard does not cover.
 *
 * @example
 * cupViscosity(4, 50) // 64.5
 */
export function cupViscosity(cup: IsoCup, seconds: number): number {
  within('flow time', seconds, ...VALID, 's');
  const { a, b } = ISO_CUPS[cup];
  return a * seconds - b / seconds;
}

/**
 * Seconds the cup would run for `nu` mm²/s; refuses a viscosity it cannot tell (use a larger or smaller orifice).
 *
 * @example
 * cupTime(4, 64.5) // 50
 */
export function cupTime(cup: IsoCup, nu: number): number {
  const { a, b } = ISO_CUPS[cup];
  const seconds = (nu + Math.sqrt(nu * nu + 4 * a * b)) / (2 * a);
  if (seconds < VALID[0] || seconds > VALID[1]) {
    throw new OutOfRange(
      'viscosity',
      nu,
      [cupViscosity(cup, VALID[0]), cupViscosity(cup, VALID[1])],
      'mm²/s for this cup',
    );
  }
  return seconds;
}

/** A house funnel: t = a·ν + b, from two liquids of known kinematic viscosity. */
export type Funnel = { readonly a: number; readonly b: number };

/**
 * Liquids a kitchen can calibrate with, mm²/s at 20 °C: water (1.002 mPa·s, 0.998 g/mL) and a syrup of 60 %
 * sugar by weight (58.5 mPa·s, 1.287 g/mL). Sugar-technology tables, from memory.
 */
export const CALIBRATION_LIQUIDS = {
  water: { words: message('Water at {at}', { at: { celsius: 20 } }), nu: 1.002 / 0.998 },
  syrup: {
    words: message('Syrup, {sugar} of sugar to {water} of water, at {at}', {
      sugar: { g: 60 },
      water: { g: 40 },
      at: { celsius: 20 },
    }),
    nu: 58.5 / 1.287,
  },
} as const;

/** The field a second liquid too near the first is refused as. */
export const THICK_VISCOSITY = 'thick liquid’s viscosity';

/** Calibrates a funnel from two runs. Refuses runs that cannot tell the liquids apart. */
export function calibrateFunnel(
  thin: { nu: number; seconds: number },
  thick: { nu: number; seconds: number },
): Funnel {
  within('thin liquid’s time', thin.seconds, 0.5, 600, 's');
  within('thick liquid’s time', thick.seconds, thin.seconds * 1.05, 3600, 's');
  within(THICK_VISCOSITY, thick.nu, thin.nu * 1.5, 1e6, 'mm²/s');
  const a = (thick.seconds - thin.seconds) / (thick.nu - thin.nu);
  return { a, b: thin.seconds - a * thin.nu };
}

/** mm²/s of what ran out of a calibrated funnel in so many seconds. */
export const funnelViscosity = (f: Funnel, seconds: number): number =>
  (within('flow time', seconds, f.b, 3600, 's') - f.b) / f.a;
/** Seconds a liquid of `nu` mm²/s takes through a calibrated funnel. */
export const funnelTime = (f: Funnel, nu: number): number =>
  f.a * within('viscosity', nu, 0.1, 1e6, 'mm²/s') + f.b;

/**
 * Shear rate at the wall of a short orifice of `mm` that empties `ml` in `seconds`: 4Q/(πr³), a
 * nominal figure, good to a factor of two.
 */
export const orificeShear = (mm: number, ml: number, seconds: number): number =>
  (4 * (ml / seconds)) / (Math.PI * (mm / 20) ** 3);
