import { bisect } from '../src/core/maths/bisect';

/** A slab that cools through a film on both faces: mm deep, J/(mL·K), W/(m·K), W/(m²·K), °C around it. */
export type Slab = {
  readonly depthMm: number;
  readonly heatPerMl: number;
  readonly conductivity: number;
  readonly film: number;
  readonly celsius: number;
};

/** Roots ζ of ζ tan ζ = Bi. */
const roots = (biot: number, count: number): readonly number[] =>
  Array.from({ length: count }, (_, n) =>
    bisect((z) => z * Math.tan(z) < biot, n * Math.PI + 1e-9, (n + 0.5) * Math.PI - 1e-9),
  );

/** °C of its centre `seconds` after it was evenly at `from` °C: the series with twelve terms (Carslaw & Jaeger). */
export function slabSeries(c: Slab, from: number, seconds: number): number {
  const half = c.depthMm / 2000;
  const fourier = (c.conductivity / (c.heatPerMl * 1e6)) * (seconds / half ** 2);
  const sum = roots((c.film * half) / c.conductivity, 12).reduce((total, z) => {
    const weight = (4 * Math.sin(z)) / (2 * z + Math.sin(2 * z));
    return total + weight * Math.exp(-z * z * fourier);
  }, 0);
  return c.celsius + (from - c.celsius) * Math.min(1, sum);
}
