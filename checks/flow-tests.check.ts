import {
  calibrateFunnel,
  cupTime,
  cupViscosity,
  ISO_CUPS,
  type IsoCup,
} from '../src/core/flow/readings/cups';
import { lineSpreadRadius, troughLength } from '../src/core/flow/readings/currents';
import { drainedMass } from '../src/core/flow/readings/film';
import { syringeLevel } from '../src/core/flow/readings/syringe';

/** ISO 2431: range of each cup, mm²/s, as the standard tabulates it. From memory. */
test.each([
  [3, 7, 42],
  [4, 34, 135],
  [5, 91, 326],
  [6, 188, 684],
])('the %d mm cup covers %d to %d mm²/s', (cup, low, high) => {
  const size = cup as IsoCup;
  expect(ISO_CUPS[size]).toBeDefined();
  expect(Math.abs(cupViscosity(size, 30) - low)).toBeLessThan(0.6);
  expect(Math.abs(cupViscosity(size, 100) - high)).toBeLessThan(0.6);
});

/**
 * Huppert (1982), J. Fluid Mech. 121: the constants 0.894 and 1.411. Held against the lubrication
 * equation he starts from, h_t = (g/3ν) ∇·(h³∇h), solved here by finite volumes with no knowledge of
 * the similarity solution.
 */
function spread(radial: boolean, amount: number, coefficient: number, seconds: number): number {
  const n = 90;
  const reach =
    1.35 *
    (radial
      ? 0.894 * (coefficient * amount ** 3 * seconds) ** (1 / 8)
      : 1.411 * (coefficient * amount ** 3 * seconds) ** (1 / 5));
  const d = reach / n;
  const face = (i: number) => (radial ? 2 * Math.PI * i * d : 1);
  const size = (i: number) => (radial ? Math.PI * ((i + 1) ** 2 - i ** 2) * d * d : d);
  const start = Math.round(n / 5);
  let filled = 0;
  for (let i = 0; i < start; i++) filled += size(i);
  let h = Float64Array.from({ length: n }, (_, i) => (i < start ? amount / filled : 0));
  for (let t = 0; t < seconds; ) {
    const peak = Math.max(...h);
    const dt = Math.min(seconds - t, (0.12 * d * d) / (coefficient * peak ** 3 * 3));
    const next = Float64Array.from(h);
    for (let i = 1; i < n; i++) {
      const mean = (h[i]! ** 3 + h[i - 1]! ** 3) / 2;
      const flow = (coefficient * mean * (h[i - 1]! - h[i]!)) / d;
      next[i - 1]! -= (flow * face(i) * dt) / size(i - 1);
      next[i]! += (flow * face(i) * dt) / size(i);
    }
    h = next;
    t += dt;
  }
  let front = n;
  while (front > 0 && h[front - 1]! < 1e-3 * h[0]!) front--;
  return front * d;
}

test('a line spread’s radius, within 4 % of the equation itself', () => {
  const nu = 150;
  const numerical = spread(true, 60e-6, 9.81 / (3 * nu * 1e-6), 30) * 1000;
  expect(Math.abs(lineSpreadRadius(nu, 60, 30) / numerical - 1)).toBeLessThan(0.04);
});

test('a trough’s run, within 4 % of the equation itself', () => {
  const nu = 150;
  const numerical = spread(false, 2000e-6, 9.81 / (3 * nu * 1e-6), 30) * 1000;
  expect(Math.abs(troughLength(nu, 2000, 30) / numerical - 1)).toBeLessThan(0.04);
});

/** Jeffreys (1930): h = √(νx/(gt)) solves h_t + (g h²/ν) h_x = 0; the mass is its integral, here by Simpson's rule on x = s². */
test('a drained spoon', () => {
  const [nu, g, t, high] = [150e-6, 9.81, 5, 0.06];
  const h = (x: number, time: number) => Math.sqrt((nu * x) / (g * time));
  const step = 1e-6;
  const ht = (h(0.03, t + step) - h(0.03, t - step)) / (2 * step);
  const hx = (h(0.03 + step, t) - h(0.03 - step, t)) / (2 * step);
  expect(Math.abs(ht + ((g * h(0.03, t) ** 2) / nu) * hx)).toBeLessThan(1e-9);
  const n = 200;
  let area = 0;
  for (let i = 0; i <= n; i++) {
    const s = (i / n) * Math.sqrt(high);
    area += h(s * s, t) * 2 * s * (i === 0 || i === n ? 1 : i % 2 ? 4 : 2);
  }
  area *= Math.sqrt(high) / n / 3;
  expect(drainedMass(150, 40, 60, 5) / (area * 0.04 * 1e6 * 1.03)).toBeCloseTo(1, 6);
});

/** IDDSI flow test: levels by mL left after 10 s; from memory. */
test.each([
  [0.5, 0],
  [2, 1],
  [6, 2],
  [9, 3],
  [10, 4],
])('%d mL left in the syringe is level %d', (left, level) => {
  expect(syringeLevel(left)).toBe(level);
});

/** Sucrose 60 % w/w at 20 °C: 58.5 mPa·s and 1.287 g/mL; sugar-technology tables, from memory. */
test('a funnel calibrated with water and 60 % sucrose; the same syrup in the 4 mm cup', () => {
  const syrup = 58.5 / 1.287;
  const funnel = calibrateFunnel({ nu: 1.004, seconds: 5 }, { nu: syrup, seconds: 14 });
  expect(funnel.a * syrup + funnel.b).toBeCloseTo(14, 9);
  expect(cupTime(4, syrup)).toBeGreaterThan(30);
  expect(cupTime(4, syrup)).toBeLessThan(40);
});
