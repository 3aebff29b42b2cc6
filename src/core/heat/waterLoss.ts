import { within } from '../units/range';
import { toKelvin } from '../units/temperature';
import { latentHeat, saturationPressure } from './steam';

export type Air = {
  /** Pa */
  readonly pressure: number;
  readonly celsius: number;
  /** Relative, 0–1. */
  readonly humidity: number;
};

const M_WATER = 18.015;
const M_AIR = 28.966;
const R = 8.314;
const GRAVITY = 9.81;

/** Liquid-side film, W/(m²·K) for water-thin liquid; falls with viscosity^0.2. Our assumption, spread 0.25. */
const LIQUID_FILM = 900;

/** W/m² of imbalance at the surface that is near enough: a thousandth of what a simmer gives off. */
const SETTLED = 10;

/** Share of the open pot's loss that escapes. Our assumption; a water test replaces it. */
export const LID_ESCAPE = { on: 0.1, ajar: 0.5, off: 1 } as const;
export type Lid = keyof typeof LID_ESCAPE;

const massFraction = (moleFraction: number): number =>
  (moleFraction * M_WATER) / (moleFraction * M_WATER + (1 - moleFraction) * M_AIR);

/** kg/m³ of air with a mole fraction `x` of steam. */
const moistDensity = (x: number, celsius: number, pressure: number): number =>
  ((pressure * (x * M_WATER + (1 - x) * M_AIR)) / (R * toKelvin(celsius))) * 1e-3;

/**
 * Mass flux g/(m²·s) from a wet, horizontal surface at `surface` °C into `air`, by natural
 * convection: Sh = 0.54 Ra^¼ below Ra 10⁷ and 0.15 Ra^⅓ above, on the length D/4, with
 * high-flux (Stefan) correction ln(1 + B). Incropera & DeWitt, heat-transfer analogy. Throws {@link OutOfRange}.
 */
export function airSideFlux(surface: number, air: Air, diameterMm: number): number {
  within('surface', surface, -5, 150, '°C');
  return fluxOver(surface, roomSide(checked(air)), within('diameter', diameterMm, 50, 2000, 'mm'));
}

function checked(air: Air): Air {
  within('air', air.celsius, -20, 60, '°C');
  within('humidity', air.humidity, 0, 1);
  within('pressure', air.pressure, 50_000, 110_000, 'Pa');
  return air;
}

/** What of the air side depends on the room alone; kept for the last room asked about. */
type Room = { readonly air: Air; readonly xa: number; readonly far: number; readonly wa: number };
let lastRoom: Room | null = null;

function roomSide(air: Air): Room {
  if (
    lastRoom &&
    lastRoom.air.pressure === air.pressure &&
    lastRoom.air.celsius === air.celsius &&
    lastRoom.air.humidity === air.humidity
  ) {
    return lastRoom;
  }
  const xa = Math.min(0.98, (air.humidity * saturationPressure(air.celsius)) / air.pressure);
  lastRoom = { air, xa, far: moistDensity(xa, air.celsius, air.pressure), wa: massFraction(xa) };
  return lastRoom;
}

function fluxOver(surface: number, { air, xa, far, wa }: Room, diameterMm: number): number {
  const xs = Math.min(0.98, saturationPressure(surface) / air.pressure);
  if (xs <= xa) return 0;
  const atSurface = moistDensity(xs, surface, air.pressure);
  const film = Math.log(toKelvin((surface + air.celsius) / 2) / 273.15);
  const scale = 101325 / air.pressure;
  const viscosity = 1.35e-5 * Math.exp(1.75 * film) * scale;
  const diffusivity = 2.26e-5 * Math.exp(1.81 * film) * scale;
  const length = diameterMm / 4000;
  const mean = (atSurface + far) / 2;
  const buoyancy = Math.max(0, (far - atSurface) / mean);
  const rayleigh = (GRAVITY * buoyancy * length ** 3) / (viscosity * diffusivity);
  const sherwood = rayleigh < 1e7 ? 0.54 * Math.sqrt(Math.sqrt(rayleigh)) : 0.15 * Math.cbrt(rayleigh);
  const ws = massFraction(xs);
  return ((mean * sherwood * diffusivity) / length) * Math.log(1 + (ws - wa) / (1 - ws)) * 1000;
}

/**
 * Water leaving an open pot below the boil, g/(m²·s): heat reaches the surface through the liquid
 * film and leaves as vapour through the air film; the surface settles between bulk and air.
 * `bulk` °C, `viscosity` mPa·s at the bulk temperature, `diameterMm` of the open surface.
 * Throws {@link OutOfRange}.
 */
export function openSurfaceFlux(bulk: number, air: Air, diameterMm: number, viscosity: number): number {
  within('liquid', bulk, -5, 150, '°C');
  within('viscosity', viscosity, 0, 1e9, 'mPa·s');
  return surfaceFinder(checked(air), within('diameter', diameterMm, 50, 2000, 'mm'))(bulk, viscosity);
}

/**
 * {@link openSurfaceFlux} for one room and pot, asked again and again while the liquid warms: each
 * answer starts from how far the surface stood behind the liquid, and how stiff that was, last time.
 */
export function surfaceFinder(air: Air, diameterMm: number): (bulk: number, viscosity: number) => number {
  const room = roomSide(air);
  /** °C the surface stands behind the bulk, NaN before the first answer; and how the balance falls with it. */
  let behind = Number.NaN;
  let slope = 0;
  return (bulk, viscosity) => {
    if (bulk <= air.celsius) return fluxOver(bulk, room, diameterMm);
    const film = LIQUID_FILM * Math.max(0.3, viscosity) ** -0.2;
    if (!Number.isNaN(behind)) {
      let surface = Math.min(bulk, Math.max(air.celsius, bulk - behind));
      for (let i = 0; i < 4; i++) {
        const flux = fluxOver(surface, room, diameterMm);
        const f = film * (bulk - surface) - flux * latentHeat(surface);
        if (Math.abs(f) < SETTLED) {
          behind = bulk - surface;
          return flux;
        }
        surface = Math.min(bulk, Math.max(air.celsius, surface + f / slope));
      }
    }
    const atBulk = fluxOver(bulk, room, diameterMm) * latentHeat(bulk);
    // The surface cannot be cooler than if it gave off as much as at the bulk's temperature.
    let low = Math.max(air.celsius, bulk - atBulk / film);
    let high = bulk;
    let fLow = film * (bulk - low) - fluxOver(low, room, diameterMm) * latentHeat(low);
    let fHigh = -atBulk;
    slope = (fLow - fHigh) / (high - low);
    let flux = 0;
    // Illinois false position: keeps the bracket, and halves a stale end so it cannot stall.
    for (let i = 0; i < 40; i++) {
      const surface = high - (fHigh * (high - low)) / (fHigh - fLow);
      flux = fluxOver(surface, room, diameterMm);
      const f = film * (bulk - surface) - flux * latentHeat(surface);
      behind = bulk - surface;
      if (Math.abs(f) < SETTLED) break;
      if (f > 0) {
        low = surface;
        fLow = f;
        fHigh *= 0.5;
      } else {
        high = surface;
        fHigh = f;
        fLow *= 0.5;
      }
    }
    return flux;
  };
}
