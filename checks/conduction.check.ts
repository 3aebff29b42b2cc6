import { advanceLag, centreTemperature, startLag } from '../src/core/heat/softening';
import { type Slab, slabSeries } from './slab';

/** Independent finite differences against our conduction series; nothing is shared but the constants. */
const ALPHA = 1.4e-7;

/** Centre of a cube, faces at `outside(t)`, by explicit differences on one eighth of it. */
function cubeCentre(edge: number, from: number, outside: (t: number) => number, seconds: number): number {
  const n = 10;
  const d = edge / 2 / n;
  const dt = (0.15 * d * d) / ALPHA;
  const id = (i: number, j: number, k: number) => (i * (n + 1) + j) * (n + 1) + k;
  let t = new Float64Array((n + 1) ** 3).fill(from);
  for (let time = 0; time < seconds; time += dt) {
    const next = new Float64Array(t.length);
    for (let i = 0; i <= n; i++) {
      for (let j = 0; j <= n; j++) {
        for (let k = 0; k <= n; k++) {
          if (i === n || j === n || k === n) {
            next[id(i, j, k)] = outside(time + dt);
            continue;
          }
          const here = t[id(i, j, k)]!;
          const side = (a: number, b: number) => t[a]! + t[b]! - 2 * here;
          const sum =
            side(id(Math.abs(i - 1), j, k), id(i + 1, j, k)) +
            side(id(i, Math.abs(j - 1), k), id(i, j + 1, k)) +
            side(id(i, j, Math.abs(k - 1)), id(i, j, k + 1));
          next[id(i, j, k)] = here + ((ALPHA * dt) / (d * d)) * sum;
        }
      }
    }
    t = next;
  }
  return t[0]!;
}

test.each([
  [12.7, 60],
  [12.7, 120],
  [27, 300],
])('a cube of %d mm after %d s in a steady simmer, within 1 °C', (edge, seconds) => {
  const cut = { shape: 'cube', edgeMm: edge } as const;
  const ours = centreTemperature(advanceLag(startLag(cut, 15, 95), cut, seconds, 0), cut, 95);
  expect(Math.abs(ours - cubeCentre(edge / 1000, 15, () => 95, seconds))).toBeLessThan(1);
});

test('a cube in a pot that recovers from 80 to 95 °C over five minutes, within 1 °C', () => {
  const cut = { shape: 'cube', edgeMm: 20 } as const;
  let lag = startLag(cut, 15, 80);
  for (let i = 0; i < 15; i++) lag = advanceLag(lag, cut, 20, 1);
  const theirs = cubeCentre(0.02, 15, (t) => 80 + Math.min(15, t / 20), 300);
  expect(Math.abs(centreTemperature(lag, cut, 95) - theirs)).toBeLessThan(1);
});

/** Centre of a slab that gives heat off through a film on both faces. */
function slabCentre(c: Slab, from: number, seconds: number): number {
  const { celsius, film } = c;
  const n = 40;
  const d = c.depthMm / 2000 / n;
  const alpha = c.conductivity / (c.heatPerMl * 1e6);
  const dt = (0.4 * d * d) / alpha;
  let t = new Float64Array(n + 1).fill(from);
  for (let time = 0; time < seconds; time += dt) {
    const next = new Float64Array(n + 1);
    for (let i = 0; i < n; i++)
      next[i] = t[i]! + ((alpha * dt) / (d * d)) * (t[Math.abs(i - 1)]! + t[i + 1]! - 2 * t[i]!);
    const flux = film * (t[n]! - celsius);
    next[n] =
      t[n]! + ((2 * dt) / (c.heatPerMl * 1e6 * d)) * ((c.conductivity * (t[n - 1]! - t[n]!)) / d - flux);
    t = next;
  }
  return t[0]!;
}

test.each([
  ['cold room', 3, 12, 50, 3600],
  ['cold room', 3, 12, 100, 4 * 3600],
  ['fan', 3, 25, 50, 2 * 3600],
  ['blast', -10, 50, 65, 3600],
])('%s, %d °C, a film of %d, %d mm deep, after %d s, within 0.5 °C', (_, celsius, film, depthMm, seconds) => {
  const c: Slab = { celsius, film, depthMm, heatPerMl: 3.95, conductivity: 0.56 };
  expect(Math.abs(slabSeries(c, 80, seconds) - slabCentre(c, 80, seconds))).toBeLessThan(0.5);
});
