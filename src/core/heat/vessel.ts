import { within } from '../units/range';
export const MATERIALS = {
  'stainless steel': { heatCapacity: 0.5 },
  aluminium: { heatCapacity: 0.9 },
  copper: { heatCapacity: 0.385 },
  'cast iron': { heatCapacity: 0.46 },
} as const;
type Material = keyof typeof MATERIALS;

/** A straight-sided pot, by its inside measures. */
export type Vessel = {
  readonly id: string;
  readonly name: string;
  readonly diameterMm: number;
  readonly heightMm: number;
  readonly material: Material;
  readonly massG: number;
  /** Water lost against the model's, by a water test; absent: not tested. */
  readonly lossFactor?: number | undefined;
};

/** Share of the rim volume that may be filled: a fifth is left for the ladle and the boil. Common practice. */
export const FILL_LIMIT = 0.8;

/** m² of open surface. */
export const surfaceArea = (v: Vessel): number => Math.PI * (v.diameterMm / 2000) ** 2;

/** mL when full to the rim. */
export const rimVolume = (v: Vessel): number => surfaceArea(v) * v.heightMm * 1000;

/** Those that hold `ml` under the headroom line, smallest first. */
export const holding = (vessels: readonly Vessel[], ml: number): readonly Vessel[] =>
  vessels.filter((v) => rimVolume(v) * FILL_LIMIT >= ml).toSorted((a, b) => rimVolume(a) - rimVolume(b));

/** mm of depth filled by `ml`, 0 and up. Throws {@link OutOfRange}. */
export const depthOf = (v: Vessel, ml: number): number =>
  within('volume', ml, 0, 1e9, 'mL') / (surfaceArea(v) * 1000);

/** mL at `mm` of depth, 0 and up. Throws {@link OutOfRange}. */
export const volumeAt = (v: Vessel, mm: number): number =>
  surfaceArea(v) * within('depth', mm, 0, 1e6, 'mm') * 1000;

/** m² of metal that gives heat to the room: the base and the wall as high as the pot is wet. */
export const losingArea = (v: Vessel, ml: number): number =>
  surfaceArea(v) + Math.PI * (v.diameterMm / 1000) * (Math.min(depthOf(v, ml), v.heightMm) / 1000);
