import { MASS_UNITS, VOLUME_UNITS } from '../quantity';
import { toCelsius, toFahrenheit } from '../temperature';
import { typedNumber } from '../typed/parse';
import type { Show } from './show';

/** A unit figures are typed and shown in: what it is called, and both ways from what is kept inside. */
export type UnitHere = {
  readonly unit: string;
  /** As it is shown, of what is kept. */
  readonly shown: (inner: number) => number;
  /** What is kept, of what is typed. */
  readonly inner: (shown: number) => number;
  /** As it stands in a field: no more decimals than are read. */
  readonly text: (inner: number) => string;
};

const linear = (unit: string, per: number, decimals: number): UnitHere => ({
  unit,
  shown: (inner) => inner / per,
  inner: (shown) => shown * per,
  text: (inner) => String(Number((inner / per).toFixed(decimals))),
});

/** Significant figures of what is kept of something typed in another unit: none of them is of the conversion. */
const KEPT = 5;

/**
 * A number typed in one unit as it stands in another: what is no number stays as it was typed.
 *
 * @example
 * retyped('24', ...['C', 'F'].map((temperature) => unitsFor({ volume: 'L', temperature }).of('celsius'))) // '75.2'
 */
export function retyped(typed: string, from: UnitHere, to: UnitHere): string {
  const n = typedNumber(typed);
  if (typeof n === 'string' || from.unit === to.unit) return typed;
  return String(Number(to.shown(keptOf(n, from)).toPrecision(6)));
}

/** What is kept of a number typed in `unit`. */
export const keptOf = (typed: number, unit: UnitHere): number => Number(unit.inner(typed).toPrecision(KEPT));

/**
 * What is asked in each: temperatures and differences of them, volumes large and small, weights large and small,
 * what is counted by them, lengths.
 */
export type ReadUnit =
  | 'celsius'
  | 'kelvin'
  | 'litres'
  | 'ml'
  | 'jug'
  | 'g'
  | 'kg'
  | 'kilos'
  | 'perKg'
  | 'percent'
  | 'mm';

const FAHRENHEIT: UnitHere = {
  unit: '°F',
  shown: toFahrenheit,
  inner: (f) => Math.round(toCelsius(f) * 100) / 100,
  text: (c) => String(Number(toFahrenheit(c).toFixed(1))),
};

/** The units a kitchen reads: litres are of litres and kilos of kilograms, `ml` and `jug` of mL, `kg` and `g` of g. */
export function unitsFor({ volume, temperature }: Show): { readonly of: (what: ReadUnit) => UnitHere } {
  const us = volume === 'gal';
  const table: Readonly<Record<ReadUnit, UnitHere>> = {
    celsius: temperature === 'F' ? FAHRENHEIT : linear('°C', 1, 1),
    kelvin: temperature === 'F' ? linear('°F', 1 / 1.8, 1) : linear('°C', 1, 1),
    litres: us ? linear('qt', VOLUME_UNITS.quart / 1000, 2) : linear('L', 1, 2),
    ml: us ? linear('qt', VOLUME_UNITS.quart, 2) : linear('L', 1000, 2),
    jug: us ? linear('fl oz', VOLUME_UNITS['fl oz'], 1) : linear('mL', 1, 0),
    g: us ? linear('oz', MASS_UNITS.oz, 2) : linear('g', 1, 1),
    kilos: us ? linear('lb', MASS_UNITS.lb / 1000, 2) : linear('kg', 1, 2),
    kg: us ? linear('lb', MASS_UNITS.lb, 2) : linear('kg', 1000, 2),
    /** A price of a kilogram. */
    perKg: us ? linear('lb', 1000 / MASS_UNITS.lb, 4) : linear('kg', 1, 4),
    percent: linear('%', 1, 1),
    mm: linear('mm', 1, 1),
  };
  return { of: (what) => table[what] };
}
