import { bisect } from '../maths/bisect';
import { within } from '../units/range';

/** Terms worth keeping of the series. */
const MODES = 12;

/**
 * Where a pan cools: °C of the air or ice, and W/(m²·K) at its faces. Our assumptions; the ice bath
 * is stirred, so the soup is one well-mixed body.
 */
export const COOLING = {
  'cold room': { celsius: 3, film: 9, stirred: false },
  fan: { celsius: 3, film: 25, stirred: false },
  blast: { celsius: -10, film: 50, stirred: false },
  'ice bath': { celsius: 1, film: 350, stirred: true },
} as const;

export const COOLING_METHODS = ['cold room', 'fan', 'blast', 'ice bath'] as const;
export type CoolingMethod = (typeof COOLING_METHODS)[number];

/** What cools: depth in mm, J/(K·mL) of soup, W/(m·K). Gel of starch hardly convects, so it is a slab. */
export type Cooling = {
  readonly method: CoolingMethod;
  readonly depthMm: number;
  /** J/(mL·K), about 3.9. */
  readonly heatPerMl: number;
  /** W/(m·K), about 0.55. */
  readonly conductivity: number;
};

/** Roots ζ of ζ tan ζ = Bi, for a slab cooled on both faces. */
function roots(biot: number, count: number): readonly number[] {
  return Array.from({ length: count }, (_, n) =>
    bisect((z) => z * Math.tan(z) < biot, n * Math.PI + 1e-9, (n + 0.5) * Math.PI - 1e-9),
  );
}

function checked(c: Cooling, from: number): void {
  within('depth', c.depthMm, 1, 1000, 'mm');
  within('heat capacity', c.heatPerMl, 0.1, 10, 'J/(mL·K)');
  within('conductivity', c.conductivity, 0.01, 10, 'W/(m·K)');
  within('from', from, -20, 200, '°C');
}

/**
 * °C of the warmest part, `seconds` after being set to cool from `from` °C evenly. A slab with a film
 * on both faces (Carslaw & Jaeger), the centre read; an ice bath is one exponential. Throws {@link OutOfRange}.
 */
export function coolingTemperature(c: Cooling, from: number, seconds: number): number {
  checked(c, from);
  within('time', seconds, 0, 1e9, 's');
  const { celsius, film, stirred } = COOLING[c.method];
  const half = c.depthMm / 2000;
  const perM3 = c.heatPerMl * 1e6;
  if (stirred) {
    // Cooled through base and wall: as much area as a body of this depth has on two faces.
    return celsius + (from - celsius) * Math.exp((-film * seconds) / (perM3 * half));
  }
  const biot = (film * half) / c.conductivity;
  const fourier = (c.conductivity / perM3) * (seconds / half ** 2);
  const sum = roots(biot, MODES).reduce((total, z) => {
    const weight = (4 * Math.sin(z)) / (2 * z + Math.sin(2 * z));
    return total + weight * Math.exp(-z * z * fourier);
  }, 0);
  return celsius + (from - celsius) * Math.min(1, sum);
}

/**
 * Seconds until the warmest part is at `to` °C; Infinity where it never gets there. Throws {@link OutOfRange}.
 *
 * @example
 * coolingTime({ method: 'ice bath', depthMm: 150, heatPerMl: 3.9, conductivity: 0.55 }, 57, 21) // 860
 */
export function coolingTime(c: Cooling, from: number, to: number): number {
  checked(c, from);
  within('to', to, -20, 150, '°C');
  if (from <= to) return 0;
  if (COOLING[c.method].celsius >= to) return Number.POSITIVE_INFINITY;
  let high = 60;
  while (coolingTemperature(c, from, high) > to) high *= 2;
  return bisect((seconds) => coolingTemperature(c, from, seconds) > to, 0, high);
}
