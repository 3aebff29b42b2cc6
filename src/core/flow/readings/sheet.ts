import { BANDS, type Band, type BandLimits, LADDER_RANGE } from '../bands';
import { equivalentsFor } from '../viscosity';
import { readingFor } from './reading';
import { USUAL_FAT } from './repeated';

/** What a line-spread sheet is drawn with. Lengths in mm. */
export type SpreadSheet = {
  readonly rings: readonly { readonly radius: number; readonly labelled: boolean }[];
  /** Radius at the limits of each band, the runnier the larger; null where the sheet ends. */
  readonly bands: readonly { readonly band: Band; readonly from: number; readonly to: number }[];
  readonly ml: number;
  readonly seconds: number;
  readonly celsius: number;
};

const RING_ML = 100;
const WAIT = 30;
const SMALLEST = 20;
const APART = 5;

/**
 * Rings every 5 mm up to `most` mm, and where 100 mL of soup at `celsius` stands after 30 s at the limits of
 * each band. Throws {@link OutOfRange}.
 */
export function spreadSheet(limits: BandLimits, celsius: number, most = 95): SpreadSheet {
  const test = { kind: 'line spread', ml: RING_ML, seconds: WAIT } as const;
  const edge = (viscosity: number): number =>
    Math.round(readingFor(test, viscosity, celsius, equivalentsFor(viscosity, USUAL_FAT)));
  const edges = [LADDER_RANGE[0], ...limits, LADDER_RANGE[1]].map(edge);
  const count = Math.floor((most - SMALLEST) / APART) + 1;
  return {
    rings: Array.from({ length: count }, (_, n) => ({
      radius: SMALLEST + n * APART,
      labelled: (SMALLEST + n * APART) % 10 === 0,
    })),
    bands: BANDS.map((band, n) => ({ band, from: edges[n + 1] ?? 0, to: edges[n] ?? 0 })),
    ml: RING_ML,
    seconds: WAIT,
    celsius,
  };
}
