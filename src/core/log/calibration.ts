import type { Judged } from '../learn/own/knowledge';
import { EIGHT_IN_TEN } from '../maths/normal';

/** How often brackets held, and how far off forecasts were: by what the house knew, and by nothing. */
export type BracketsHeld = {
  readonly n: number;
  /** Brackets meant to hold eight in ten that did. */
  readonly held: number;
  readonly heldUnlearned: number;
  /** Root of the mean square of ln read over foreseen. */
  readonly error: number;
  readonly errorUnlearned: number;
};

/** For brackets meant to hold so many, the share that did. */
export type CalibrationPoint = {
  readonly meant: number;
  readonly held: number;
  readonly heldUnlearned: number;
};

export type Calibration = {
  readonly viscosity: BracketsHeld;
  readonly litres: BracketsHeld;
  /** Of the minutes from the flame to the end; nothing learned goes into it but the pot’s. */
  readonly curve: readonly CalibrationPoint[];
};

const NONE: BracketsHeld = { n: 0, held: 0, heldUnlearned: 0, error: 0, errorUnlearned: 0 };

const rootMean = (all: readonly number[]): number =>
  Math.sqrt(all.reduce((s, x) => s + x * x, 0) / Math.max(1, all.length));

function heldBy(all: readonly Judged[]): BracketsHeld {
  if (all.length === 0) return NONE;
  const within = (miss: number, spread: number): boolean => Math.abs(miss) <= EIGHT_IN_TEN * spread;
  return {
    n: all.length,
    held: all.filter((j) => within(j.miss, j.spread)).length,
    heldUnlearned: all.filter((j) => within(j.missUnlearned, j.spreadUnlearned)).length,
    error: rootMean(all.map((j) => j.miss)),
    errorUnlearned: rootMean(all.map((j) => j.missUnlearned)),
  };
}

/** Half-widths, in standard deviations, of brackets that hold 20, 40, 50, 60, 80, 90 and 95 in a hundred. Handbook values. */
const WIDTHS: readonly (readonly [meant: number, z: number])[] = [
  [0.2, 0.2533],
  [0.4, 0.5244],
  [0.5, 0.6745],
  [0.6, 0.8416],
  [0.8, 1.2816],
  [0.9, 1.6449],
  [0.95, 1.96],
];

/** How well what was foreseen held. */
export function calibrationOf(all: readonly Judged[]): Calibration {
  const thick = all.filter((j) => j.what === 'viscosity');
  return {
    viscosity: heldBy(thick),
    litres: heldBy(all.filter((j) => j.what === 'litres')),
    curve:
      thick.length === 0
        ? []
        : WIDTHS.map(([meant, z]) => ({
            meant,
            held: thick.filter((j) => Math.abs(j.miss) <= z * j.spread).length / thick.length,
            heldUnlearned:
              thick.filter((j) => Math.abs(j.missUnlearned) <= z * j.spreadUnlearned).length / thick.length,
          })),
  };
}
