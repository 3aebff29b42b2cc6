import { within } from '../../units/range';

const GRAVITY = 9.81;

/**
 * Line spread: `ml` let go from a ring spreads to this radius, mm, after `seconds`:
 * R = 0.894 (g V³/(3ν))^⅛ t^⅛. Huppert (1982), J. Fluid Mech. 121; `nu` mm²/s. Holds once it has
 * spread well past the ring. The eighth root makes it coarse: 5 % in radius is 40 % in viscosity.
 *
 * @example
 * lineSpreadRadius(150, 100, 30) // 150.8
 */
export function lineSpreadRadius(nu: number, ml: number, seconds: number): number {
  within('viscosity', nu, 1, 1e6, 'mm²/s');
  within('volume', ml, 5, 500, 'mL');
  within('time', seconds, 1, 600, 's');
  const volume = ml * 1e-6;
  return 894 * ((GRAVITY * volume ** 3 * seconds) / (3 * nu * 1e-6)) ** (1 / 8);
}

/** Kinematic viscosity, mm²/s, from a line spread of `radius` mm. */
export function lineSpreadViscosity(radius: number, ml: number, seconds: number): number {
  within('radius', radius, 10, 300, 'mm');
  within('volume', ml, 5, 500, 'mL');
  within('time', seconds, 1, 600, 's');
  const volume = ml * 1e-6;
  return ((GRAVITY * volume ** 3 * seconds) / (3 * (radius / 894) ** 8)) * 1e6;
}

/** Trough (Huppert 1982): `mm2` mm² of soup a width runs this far, mm, in `seconds`. L = 1.411 (g q³/(3ν))^⅕ t^⅕. */
export function troughLength(nu: number, mm2: number, seconds: number): number {
  within('viscosity', nu, 1, 1e6, 'mm²/s');
  within('cross-section', mm2, 50, 20_000, 'mm²');
  within('time', seconds, 1, 600, 's');
  return 1411 * ((GRAVITY * (mm2 * 1e-6) ** 3 * seconds) / (3 * nu * 1e-6)) ** (1 / 5);
}

/** Kinematic viscosity, mm²/s, from a run of `length` mm down the trough. */
export function troughViscosity(length: number, mm2: number, seconds: number): number {
  within('length', length, 20, 1000, 'mm');
  within('cross-section', mm2, 50, 20_000, 'mm²');
  within('time', seconds, 1, 600, 's');
  return ((GRAVITY * (mm2 * 1e-6) ** 3 * seconds) / (3 * (length / 1411) ** 5)) * 1e6;
}

/** Mean shear rate of a current late in its spread: its speed over half its thickness, s⁻¹. */
export function lineSpreadShear(radius: number, ml: number, seconds: number): number {
  const thickness = (ml * 1e3) / (Math.PI * radius ** 2);
  const speed = radius / (8 * seconds);
  return speed / (thickness / 2);
}
