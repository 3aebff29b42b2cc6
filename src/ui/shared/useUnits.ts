'use client';

import { useMemo } from 'react';
import { MASS_UNITS, VOLUME_UNITS } from '../../core/units/quantity';
import type { Show } from '../../core/units/show';
import { toCelsius, toFahrenheit } from '../../core/units/temperature';
import { useShow } from './useShow';

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

/** What is asked in each: temperatures and differences of them, volumes large and small, weights large and small, lengths. */
export type Unit = 'celsius' | 'kelvin' | 'litres' | 'ml' | 'jug' | 'g' | 'kg' | 'mm';

const FAHRENHEIT: UnitHere = {
  unit: '°F',
  shown: toFahrenheit,
  inner: (f) => Math.round(toCelsius(f) * 100) / 100,
  text: (c) => String(Number(toFahrenheit(c).toFixed(1))),
};

/** The units a kitchen reads: litres are of litres, `ml` and `jug` of mL, `kg` and `g` of g. */
export function unitsFor({ volume, temperature }: Show): { readonly of: (what: Unit) => UnitHere } {
  const us = volume === 'gal';
  const table: Readonly<Record<Unit, UnitHere>> = {
    celsius: temperature === 'F' ? FAHRENHEIT : linear('°C', 1, 1),
    kelvin: temperature === 'F' ? linear('°F', 1 / 1.8, 1) : linear('°C', 1, 1),
    litres: us ? linear('qt', VOLUME_UNITS.quart / 1000, 2) : linear('L', 1, 2),
    ml: us ? linear('qt', VOLUME_UNITS.quart, 2) : linear('L', 1000, 2),
    jug: us ? linear('fl oz', VOLUME_UNITS['fl oz'], 1) : linear('mL', 1, 0),
    g: us ? linear('oz', MASS_UNITS.oz, 2) : linear('g', 1, 1),
    kg: us ? linear('lb', MASS_UNITS.lb, 2) : linear('kg', 1000, 2),
    mm: linear('mm', 1, 1),
  };
  return { of: (what) => table[what] };
}

/** The units of this station. */
export function useUnits() {
  const show = useShow();
  return useMemo(() => unitsFor(show), [show]);
}
