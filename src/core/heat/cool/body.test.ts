import { type Cooling, type CoolingPlaceKind, convects, cooled, panHolds, thickSoup } from './body';
import { type Point, warmestAt } from './course';

/** The figures of docs/model.md on cooling, each by what a soup does because of it. */
const pan = { lengthMm: 500, widthMm: 300, depthMm: 65 };
const place = (kind: CoolingPlaceKind, celsius: number) => ({ kind, celsius });
const base: Cooling = {
  soup: thickSoup(3000),
  holder: { kind: 'pans', pan, count: 1 },
  place: place('fridge', 4),
  lid: true,
};

test('a litre of pan takes 920 mL, and what is under a millilitre is refused', () => {
  expect(panHolds({ ...pan, lengthMm: 100, widthMm: 100, depthMm: 100 })).toBeCloseTo(920, 9);
  expect(() => cooled({ ...base, soup: thickSoup(1) }, 60, 60)).not.toThrow();
  expect(() => cooled({ ...base, soup: thickSoup(0.99) }, 60, 60)).toThrow(/volume/);
});

test('up to 40 mPa·s it stirs itself as Globe & Dropkin have it over 5 K, at 150 not at all, half at their middle', () => {
  const nu = 40e-6;
  const rayleigh = (9.81 * 3e-4 * 5 * 0.1 ** 3) / (nu * 1.4e-7);
  const whole = 0.069 * rayleigh ** (1 / 3) * (nu / 1.4e-7) ** 0.074;
  expect(convects(40, 100)).toBeCloseTo(whole, 6);
  // Nu falls with the viscosity to the 0.259th; of what is left half counts in the middle.
  const middle = Math.sqrt(40 * 150);
  const there = whole * (middle / 40) ** (0.074 - 1 / 3);
  expect(convects(middle, 100)).toBeCloseTo(1 + (there - 1) / 2, 6);
  expect(convects(150, 100)).toBe(1);
});

test('an open pan gives off steam while it is hot: faster than its lid, and than a bare film would', () => {
  const at = (lid: boolean, from: number) => warmestAt(cooled({ ...base, lid }, from, 1800), 1800);
  // A bare film in place of the lid’s share of it is 9 against 3.6: that alone is no more than 7 K here.
  expect(at(true, 80) - at(false, 80)).toBeGreaterThan(10);
  expect(at(true, 20) - at(false, 20)).toBeLessThan(2);
});

test('a point every 20 s at first, then every 24th of the time gone by, 400 s at the most', () => {
  const seconds = cooled(base, 80, 20_000).map((p) => p.seconds);
  const gaps = seconds.slice(1).map((s, n) => s - (seconds[n] ?? 0));
  expect(gaps.slice(0, 5)).toEqual([20, 20, 20, 20, 20]);
  const n = seconds.findIndex((s) => s > 4800);
  expect(gaps[n]).toBeCloseTo((seconds[n] ?? 0) / 24, 6);
  expect(Math.max(...gaps.slice(0, -1))).toBeCloseTo(400, 6);
});

test('stirred through it is one temperature at that moment, and not between', () => {
  const points = cooled({ ...base, soup: thickSoup(8000), stirEvery: 10 }, 80, 3600);
  const apart = (p: Point) => p.warmest - p.mean;
  const stirred = points.filter((p) => p.seconds > 0 && apart(p) < 1e-9).map((p) => p.seconds);
  expect(stirred.length).toBeGreaterThan(4);
  for (const [n, seconds] of stirred.entries()) {
    const gap = seconds - (stirred[n - 1] ?? 0);
    expect(gap).toBeGreaterThanOrEqual(599);
    expect(gap).toBeLessThan(750);
  }
  const between = points.filter((p) => stirred.every((t) => p.seconds < t || p.seconds - t > 100));
  for (const p of between.filter((q) => q.seconds > 100)) expect(apart(p)).toBeGreaterThan(0.3);
  // Never stirred: it is never one temperature again.
  for (const p of cooled({ ...base, soup: thickSoup(8000) }, 80, 3600).slice(2))
    expect(p.warmest).toBeGreaterThan(p.mean);
});

test('before the first point it is as at the first, after the last as at the last, between in a straight line', () => {
  const points: readonly Point[] = [
    { seconds: 10, warmest: 80, mean: 80 },
    { seconds: 20, warmest: 70, mean: 70 },
    { seconds: 40, warmest: 60, mean: 60 },
  ];
  expect([0, 10, 15, 20, 30, 40, 900].map((s) => warmestAt(points, s))).toEqual([80, 80, 75, 70, 65, 60, 60]);
});
