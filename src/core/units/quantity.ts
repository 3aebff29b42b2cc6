/** US customary unless marked; metric spoons and cup hold 5, 15 and 250 mL. */
export const MASS_UNITS = { g: 1, kg: 1000, oz: 28.349523125, lb: 453.59237 } as const;

/** Millilitres in one unit. US values: 1 gal = 231 in³ exactly (NIST Handbook 44). */
export const VOLUME_UNITS = {
  mL: 1,
  L: 1000,
  tsp: 4.92892159375,
  tbsp: 14.78676478125,
  'fl oz': 29.5735295625,
  cup: 236.5882365,
  pint: 473.176473,
  quart: 946.352946,
  gal: 3785.411784,
  'metric tsp': 5,
  'metric tbsp': 15,
  'metric cup': 250,
} as const;

type MassUnit = keyof typeof MASS_UNITS;
type VolumeUnit = keyof typeof VOLUME_UNITS;
export type Unit = MassUnit | VolumeUnit;

export const UNITS = [...Object.keys(MASS_UNITS), ...Object.keys(VOLUME_UNITS)] as [Unit, ...Unit[]];

/** How a dry measure was filled: dipped and swept, spooned in and swept, or sifted into. */
export const FILLINGS = ['scooped', 'spooned', 'sifted'] as const;
export type Filling = (typeof FILLINGS)[number];

/** An amount as measured, its value above zero. */
export type Quantity = { readonly value: number; readonly unit: Unit; readonly filled?: Filling };

/** Whether a unit weighs, and does not measure. */
export const isMass = (unit: Unit): unit is MassUnit => unit in MASS_UNITS;

/** Grams in `value` of a unit of mass. */
export const gramsIn = (value: number, unit: MassUnit): number => value * MASS_UNITS[unit];
/** Millilitres in `value` of a unit of volume. */
export const millilitresIn = (value: number, unit: VolumeUnit): number => value * VOLUME_UNITS[unit];
