import { within } from '../units/range';
import { toKelvin } from '../units/temperature';

/**
 * Latent heat of vaporisation of water, J/g at `celsius` (−5…200): linear fit to steam tables, within
 * 0.5 % up to 130 °C, 1 % at 150 and 4 % beyond. Throws {@link OutOfRange}.
 *
 * @example
 * latentHeat(100) // 2256.7
 */
export const latentHeat = (celsius: number): number =>
  2501.7 - 2.45 * within('temperature', celsius, -5, 200, '°C');

/**
 * Saturation pressure over liquid water, Pa, `celsius` 0–200; supercooled to −20. Throws {@link OutOfRange}.
 * Hyland & Wexler (1983), as in ASHRAE Handbook — Fundamentals, "Psychrometrics", eq. 6.
 *
 * @example
 * Math.round(saturationPressure(60)) // 19944
 */
export function saturationPressure(celsius: number): number {
  const t = toKelvin(within('temperature', celsius, -20, 200, '°C'));
  return Math.exp(
    -5.8002206e3 / t +
      1.3914993 -
      4.8640239e-2 * t +
      4.1764768e-5 * t * t -
      1.4452093e-8 * t * t * t +
      6.5459673 * Math.log(t),
  );
}

/**
 * Standard-atmosphere pressure, Pa, at `metres` above the sea (−500…5000): ASHRAE Fundamentals eq. 3. Throws {@link OutOfRange}.
 *
 * @example
 * Math.round(pressureAt(1600)) // 83523
 */
export const pressureAt = (metres: number): number =>
  101325 * (1 - 2.25577e-5 * within('altitude', metres, -500, 5000, 'm')) ** 5.2559;

/**
 * Boiling point of water, °C, under `pressure` Pa (50 000…110 000): where the saturation pressure equals
 * it. Throws {@link OutOfRange}.
 *
 * @example
 * boilingPoint(101_325) // 99.97
 */
export function boilingPoint(pressure: number): number {
  within('pressure', pressure, 50_000, 110_000, 'Pa');
  let t = 100;
  for (let i = 0; i < 20; i++) {
    const p = saturationPressure(t);
    const slope = (saturationPressure(t + 0.01) - p) / 0.01;
    const next = t - (p - pressure) / slope;
    if (Math.abs(next - t) < 1e-6) return next;
    t = next;
  }
  return t;
}
