import { within } from '../units/range';
import { toKelvin } from '../units/temperature';

/** Soup serum against water at the same temperature: sugars, salts and proteins. Our assumption, see docs/model.md. */
const SERUM_TO_WATER = 1.5;

/** mPa·s added at 60 °C by this dose of flour, g/L, and the power it grows by. Our assumption, spread 0.35 in viscosity. */
export const DOSE_AT = 45;
export const THICK_AT = 70;
export const POWER = 3;

/** The consistency scale is read at this temperature (in the bowl), shear rate and reference. */
export const BOWL_CELSIUS = 65;
export const STIR_RATE = 50;
const REFERENCE_CELSIUS = 60;

/** Apparent activation energy of thickened soup, J/mol, and the gas constant. */
const ACTIVATION = 15000;
const R = 8.314;

/**
 * Viscosity of water, mPa·s, −5…150 °C: Vogel equation. Throws {@link OutOfRange}.
 *
 * @example
 * waterViscosity(20) // 1.002
 */
export const waterViscosity = (celsius: number): number =>
  Math.exp(-3.7188 + 578.919 / (toKelvin(within('temperature', celsius, -5, 150, '°C')) - 137.546));

/** mPa·s of soup serum at 60 °C: what is there before anything thickens. */
export const SERUM_AT_60 = SERUM_TO_WATER * waterViscosity(REFERENCE_CELSIUS);

/**
 * How much emulsified fat thickens: (1 − φ)^−3.5 with φ the volume fraction of fat, 0–1; held at 0.6,
 * where cream ends and butter begins. Throws {@link OutOfRange}.
 * Krieger–Dougherty with maximum packing 1, for droplets of many sizes that carry a protein
 * coat; fitted to published cream viscosities within 3 % (see docs/model.md).
 *
 * @example
 * fatFactor(0.2) // 2.184
 */
export const fatFactor = (phi: number): number =>
  (1 - Math.min(0.6, within('fat fraction', phi, 0, 1))) ** -3.5;

/**
 * Viscosity at `celsius` (−40…200) against that at 60 °C. Throws {@link OutOfRange}.
 *
 * @example
 * temperatureFactor(100) // 0.56
 */
export const temperatureFactor = (celsius: number): number =>
  Math.exp(
    (ACTIVATION / R) *
      (1 / toKelvin(within('temperature', celsius, -40, 200, '°C')) - 1 / toKelvin(REFERENCE_CELSIUS)),
  );

/** Flow index n: 1 for a thin liquid, down to 0.35 for a paste. */
export const flowIndex = (equivalents: number): number => Math.max(0.35, 1 - 0.0065 * equivalents);

/**
 * How much droplets thicken what itself shears thinner with flow index `n`: about them it is sheared faster, so that they
 * count for less than in milk. Power law by Chateau, Ovarlez & Trung (2008, J. Rheol. 52; from memory), g^((1+n)/2) ·
 * (1 − φ)^((1−n)/2) with g of {@link fatFactor}.
 */
function dropletFactor(phi: number, n: number): number {
  const water = 1 - Math.min(0.6, phi);
  return fatFactor(phi) ** ((1 + n) / 2) * water ** ((1 - n) / 2);
}

/**
 * Viscosity, mPa·s, of a liquid with `equivalents` g of flour equivalent a litre of its water and fat volume
 * fraction `phi` (0–1), at `celsius` (−40…200) and `shearRate` s⁻¹ (above 0). Throws {@link OutOfRange}.
 *
 * @example
 * viscosity(45, 0, 60) // 70.7
 */
export function viscosity(equivalents: number, phi: number, celsius: number, shearRate = STIR_RATE): number {
  const e = within('flour equivalent', equivalents, 0, 1e5, 'g/L');
  within('shear rate', shearRate, 1e-6, 1e6, 's⁻¹');
  const n = flowIndex(e);
  const at60 = (SERUM_AT_60 + THICK_AT * (e / DOSE_AT) ** POWER) * dropletFactor(phi, n);
  return at60 * temperatureFactor(celsius) * (shearRate / STIR_RATE) ** (n - 1);
}

/** Rounds after which the flow index of a dose and the dose of a flow index agree to the last digits. */
const ROUNDS = 14;

/**
 * The flour equivalent, g/L, that gives `target` mPa·s (above 0) in the bowl at fat fraction `phi` (0–1);
 * 0 if it is thicker without. Throws {@link OutOfRange}.
 *
 * @example
 * equivalentsFor(153, 0.05) // 57.2
 */
export function equivalentsFor(target: number, phi: number): number {
  within('target', target, 1e-3, 1e7, 'mPa·s');
  const at60 = target / temperatureFactor(BOWL_CELSIUS);
  let e = 0;
  for (let i = 0; i < ROUNDS; i++) {
    const starch = at60 / dropletFactor(phi, flowIndex(e)) - SERUM_AT_60;
    e = starch <= 0 ? 0 : DOSE_AT * (starch / THICK_AT) ** (1 / POWER);
  }
  return e;
}
