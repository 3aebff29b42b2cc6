import { DOSE_AT, POWER, SERUM_AT_60, THICK_AT } from '../flow/viscosity';
import type { Make } from '../thickeners/row';
import { THICKENERS, type ThickenerKind } from '../thickeners/thickeners';
import { within } from '../units/range';
import type { Thickener } from './granules';

/** Pulp grows with about this power of what does not dissolve of it (Steffe 1996, fruit and vegetable products, from memory). */
const PULP_POWER = 2.5;

/** Of which make a thickener is. */
export const makeOf = (kind: ThickenerKind): Make => THICKENERS[kind].make ?? 'granules';

/** Thickeners at work by make: g of flour equivalent for granules and, where both laws meet, for pulp; mL of swollen protein. */
type AtWork = Readonly<Record<Make, number>>;

/** What thickens now, by make: swollen granules, pulp and protein, g of flour equivalent or of themselves. */
export function atWorkIn(thickeners: readonly Thickener[]): AtWork {
  const sum = { granules: 0, pulp: 0, protein: 0 };
  for (const t of thickeners) sum[makeOf(t.kind)] += t.equivalents * t.swollen * t.strength;
  return sum;
}

/** How crowded swollen casein may be; nothing a pot takes comes near. */
const MOST_PROTEIN = 0.5;

/**
 * How much a volume fraction `phi` of swollen protein (0 and up) thickens: Krieger–Dougherty with maximum packing
 * 0.7 and intrinsic viscosity 2.5, as for casein micelles; published form, from memory. Throws {@link OutOfRange}.
 *
 * @example
 * proteinFactor(0.1) // 1.31
 */
export const proteinFactor = (phi: number): number =>
  (1 - Math.min(MOST_PROTEIN, within('protein fraction', phi, 0, 1e3)) / 0.7) ** -1.75;

/** Pulp, g/L where both laws meet, as the granules that are as thick: alone it grows with its own power. */
const asGranules = (pulp: number): number => DOSE_AT * (pulp / DOSE_AT) ** (PULP_POWER / POWER);

/**
 * The flour, g/L in a plain roux soup, that is as thick as what is at work in `litres` of liquid. Granules and
 * pulp fill the same space, so what each is worth adds; each alone gives its own curve, and both meet at 45 g/L.
 */
export function equivalentsOf({ granules, pulp, protein }: AtWork, litres: number): number {
  const fill = granules / litres + asGranules(pulp / litres);
  const factor = proteinFactor(protein / (litres * 1000));
  if (factor === 1) return fill;
  const whole = (SERUM_AT_60 + THICK_AT * (fill / DOSE_AT) ** POWER) * factor;
  return DOSE_AT * ((whole - SERUM_AT_60) / THICK_AT) ** (1 / POWER);
}

/** How the ln of {@link equivalentsOf} goes with the ln of what is at work of granules and pulp in `litres`. */
export function steepnessOf({ granules, pulp }: AtWork, litres: number): number {
  const flour = granules / litres;
  const cells = asGranules(pulp / litres);
  return flour + cells > 0 ? (flour + cells * (PULP_POWER / POWER)) / (flour + cells) : 1;
}
