import { OutOfRange, within } from '../../units/range';
import { type Band, type BandLimits, bandOf } from '../bands';
import { BOWL_CELSIUS, flowIndex, STIR_RATE, temperatureFactor } from '../viscosity';
import {
  cupTime,
  cupViscosity,
  type Funnel,
  funnelTime,
  funnelViscosity,
  type IsoCup,
  orificeShear,
  SOUP_DENSITY,
} from './cups';
import {
  lineSpreadRadius,
  lineSpreadShear,
  lineSpreadViscosity,
  troughLength,
  troughViscosity,
} from './currents';
import { drainedMass, drainedShear, drainedViscosity } from './film';

/** A flow test and its reading, in the units a cook reads: s, mm or g. */
export type FlowTest =
  | { readonly kind: 'cup'; readonly orifice: IsoCup }
  | { readonly kind: 'funnel'; readonly funnel: Funnel; readonly orificeMm: number; readonly ml: number }
  | { readonly kind: 'line spread'; readonly ml: number; readonly seconds: number }
  | { readonly kind: 'trough'; readonly mm2: number; readonly seconds: number }
  | { readonly kind: 'spoon'; readonly widthMm: number; readonly heightMm: number; readonly seconds: number };

const CUP_ML = 100;

/**
 * Standard deviation of ln(viscosity) from one careful reading. Cups by the standard's repeatability; the rest
 * follow from the power law of the test: our assumptions.
 */
export const TEST_ERROR: { readonly [K in FlowTest['kind']]: number } = {
  cup: 0.05,
  funnel: 0.1,
  'line spread': 0.35,
  trough: 0.2,
  spoon: 0.2,
};

const kinematic = (test: FlowTest, reading: number): number => {
  switch (test.kind) {
    case 'cup':
      return cupViscosity(test.orifice, reading);
    case 'funnel':
      return funnelViscosity(test.funnel, reading);
    case 'line spread':
      return lineSpreadViscosity(reading, test.ml, test.seconds);
    case 'trough':
      return troughViscosity(reading, test.mm2, test.seconds);
    case 'spoon':
      return drainedViscosity(reading, test.widthMm, test.heightMm, test.seconds);
  }
};

const wouldRead = (test: FlowTest, nu: number): number => {
  switch (test.kind) {
    case 'cup':
      return cupTime(test.orifice, nu);
    case 'funnel':
      return funnelTime(test.funnel, nu);
    case 'line spread':
      return lineSpreadRadius(nu, test.ml, test.seconds);
    case 'trough':
      return troughLength(nu, test.mm2, test.seconds);
    case 'spoon':
      return drainedMass(nu, test.widthMm, test.heightMm, test.seconds);
  }
};

/** Nominal shear rate of a test, s⁻¹, where it reads `reading`. */
export function shearOf(test: FlowTest, reading: number): number {
  switch (test.kind) {
    case 'cup':
      return orificeShear(test.orifice, CUP_ML, reading);
    case 'funnel':
      return orificeShear(test.orificeMm, test.ml, reading);
    case 'line spread':
      return lineSpreadShear(reading, test.ml, test.seconds);
    case 'trough':
      return reading / (5 * test.seconds) / (test.mm2 / reading / 2);
    case 'spoon':
      return drainedShear(kinematic(test, reading), test.heightMm, test.seconds);
  }
}

/** Where a soup stands by a flow test. */
export type Placed = {
  /** mPa·s as tested: at the test's own temperature and shear rate. */
  readonly asTested: number;
  readonly shearRate: number;
  /** mPa·s in the bowl at 65 °C and 50 s⁻¹, with the range of one standard error. */
  readonly bowl: number;
  readonly range: readonly [number, number];
  readonly band: Band;
};

/**
 * Turns a reading at `celsius` into viscosity in the bowl and its band. `equivalents` (g/L, by the
 * model or by {@link placeAlone}) sets how shear-thinning the soup is.
 */
export function place(
  test: FlowTest,
  reading: number,
  celsius: number,
  equivalents: number,
  limits: BandLimits,
  density = SOUP_DENSITY,
): Placed {
  within('temperature', celsius, 1, 100, '°C');
  const asTested = kinematic(test, reading) * density;
  const shearRate = shearOf(test, reading);
  const bowl =
    asTested *
    (temperatureFactor(BOWL_CELSIUS) / temperatureFactor(celsius)) *
    (STIR_RATE / shearRate) ** (flowIndex(equivalents) - 1);
  const error = TEST_ERROR[test.kind];
  return {
    asTested,
    shearRate,
    bowl,
    range: [bowl * Math.exp(-error), bowl * Math.exp(error)],
    band: bandOf(bowl, limits),
  };
}

/**
 * What the test should read at `celsius` for `bowl` mPa·s in the bowl; the inverse of {@link place}. Throws {@link
 * OutOfRange} when the test cannot tell it.
 */
export function readingFor(
  test: FlowTest,
  bowl: number,
  celsius: number,
  equivalents: number,
  density = SOUP_DENSITY,
): number {
  within('target', bowl, 1, 1e5, 'mPa·s');
  const n = flowIndex(equivalents);
  const atRest = (bowl * temperatureFactor(celsius)) / temperatureFactor(BOWL_CELSIUS);
  // The shear rate depends on the reading and the other way round; the loop contracts because n > 0.3.
  let nu = atRest / density;
  let reading = atEdge(test, nu);
  for (let i = 0; i < 60; i++) {
    const next = (atRest * (shearOf(test, reading) / STIR_RATE) ** (n - 1)) / density;
    nu = Math.sqrt(nu * next);
    const r = atEdge(test, nu);
    if (Math.abs(r - reading) < 1e-7 * reading) break;
    reading = r;
  }
  return wouldRead(test, nu);
}

/** What the test would read, at the end of its range for what lies beyond: where a loop may pass on its way in. */
function atEdge(test: FlowTest, nu: number): number {
  try {
    return wouldRead(test, nu);
  } catch (error) {
    if (!(error instanceof OutOfRange)) throw error;
    const [low, high] = error.allowed;
    // A hair inside, so that rounding does not put it out again.
    return wouldRead(test, Math.min(high * (1 - 1e-9), Math.max(low * (1 + 1e-9), nu)));
  }
}
