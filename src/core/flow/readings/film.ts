import { within } from '../../units/range';

const GRAVITY = 9.81;

/**
 * Grams left on a plate or spoon `width` × `height` mm (both in the soup), hung upright and drained
 * for `seconds`: Jeffreys (1930), h(x) = √(ν x/(g t)), integrated over the height. `nu` mm²/s,
 * `density` g/mL.
 *
 * @example
 * drainedMass(150, 45, 65, 10) // 0.63
 */
export function drainedMass(
  nu: number,
  width: number,
  height: number,
  seconds: number,
  density = 1.03,
): number {
  within('viscosity', nu, 1, 1e6, 'mm²/s');
  within('width', width, 5, 300, 'mm');
  within('height', height, 5, 300, 'mm');
  within('time', seconds, 1, 120, 's');
  const metres = (2 / 3) * (height / 1000) ** 1.5 * Math.sqrt((nu * 1e-6) / (GRAVITY * seconds));
  return metres * (width / 1000) * 1e6 * density;
}

/** Kinematic viscosity, mm²/s, from the grams left. */
export function drainedViscosity(
  grams: number,
  width: number,
  height: number,
  seconds: number,
  density = 1.03,
): number {
  within('mass left', grams, 0.01, 200, 'g');
  const unit = drainedMass(1, width, height, seconds, density);
  return (grams / unit) ** 2;
}

/** m of film at `x` mm below the edge after `seconds` of draining: Jeffreys (1930). `nu` mm²/s. */
export const filmThickness = (nu: number, x: number, seconds: number): number =>
  Math.sqrt((nu * 1e-6 * (x / 1000)) / (GRAVITY * seconds));

/** Shear rate at the wall half-way down the draining film: g h/ν, s⁻¹. */
export function drainedShear(nu: number, height: number, seconds: number): number {
  const film = filmThickness(nu, height / 2, seconds);
  return (GRAVITY * film) / (nu * 1e-6);
}
