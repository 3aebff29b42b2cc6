import { Column, type Direction } from '../src/core/heat/conduct';
import { type Cooling, type CoolingSoup, cooled, thickSoup } from '../src/core/heat/cool/body';
import { secondsTo, warmestAt } from '../src/core/heat/cool/course';
import { FILM_UNKNOWN, forecast, type Phase, verdictOf } from '../src/core/keep/cool/forecast';
import { plank } from '../src/core/keep/soup/freeze';
import { alarmOf } from '../src/core/keep/standing';
import { USUAL_KEEPING } from '../src/core/kitchen/keeping';
import { median } from '../src/core/maths/median';
import { normals, seeded } from '../src/core/maths/random';
import { RULES } from '../src/core/safety/rules';
import { slabSeries } from './slab';

const K = 0.55;
const HEAT = 3.9e6;

/** The warmest and the mean of a direction with the same film on its faces, after `fourier` = a t / L². */
function after(of: Direction, biot: number, fourier: number, half: number) {
  const column = new Column(of);
  const film = (biot * K) / half;
  const seconds = (fourier * half ** 2 * HEAT) / K;
  for (let n = 0; n < 400; n++)
    column.step(seconds / 400, K, HEAT, { near: of.shape === 'slab' ? film : 0, far: film });
  return column;
}

/**
 * Heisler’s charts are the first term of the series: θ = C₁ exp(−ζ₁² Fo), with C₁ and ζ₁ as tabled in Incropera & DeWitt,
 * Fundamentals of Heat and Mass Transfer, table 5.1 (from memory).
 */
describe.each([
  ['slab', 0.5, 0.6533, 1.0701],
  ['slab', 1, 0.8603, 1.1191],
  ['slab', 5, 1.3138, 1.2403],
  ['slab', 10, 1.4289, 1.262],
  ['cylinder', 0.5, 0.9408, 1.1143],
  ['cylinder', 1, 1.2558, 1.2071],
  ['cylinder', 5, 1.9898, 1.5029],
  ['cylinder', 10, 2.1795, 1.5677],
] as const)('%s, Bi %d', (shape, biot, zeta, c1) => {
  test.each([0.3, 0.6, 1.2])('Fo %d: the middle within a hundredth of the start', (fourier) => {
    const half = 0.05;
    const column = after({ shape, length: shape === 'slab' ? 2 * half : half }, biot, fourier, half);
    expect(Math.abs(column.warmest() - c1 * Math.exp(-zeta * zeta * fourier))).toBeLessThan(0.01);
  });
});

/** A short cylinder is the product of a slab and a cylinder (Incropera & DeWitt, section 5.8): Bi 1 each, Fo 0.6. */
test('a short cylinder is the product of its two directions', () => {
  const half = 0.05;
  const slab = after({ shape: 'slab', length: 2 * half }, 1, 0.6, half).warmest();
  const round = after({ shape: 'cylinder', length: half }, 1, 0.6, half).warmest();
  const tabled = 1.1191 * Math.exp(-(0.8603 ** 2) * 0.6) * 1.2071 * Math.exp(-(1.2558 ** 2) * 0.6);
  expect(Math.abs(slab * round - tabled)).toBeLessThan(0.01);
});

/** The series with twelve terms (Carslaw & Jaeger) for a 60 mm layer in moving air. */
test('a layer by small steps and by its series agree within half a degree all the way down', () => {
  const column = new Column({ shape: 'slab', length: 0.06 });
  const series = { celsius: 3, film: 25, depthMm: 60, heatPerMl: 3.9, conductivity: K };
  for (let minutes = 1; minutes <= 360; minutes++) {
    column.step(60, K, HEAT, { near: 25, far: 25 });
    if (minutes % 30 === 0)
      expect(Math.abs(3 + (80 - 3) * column.warmest() - slabSeries(series, 80, minutes * 60))).toBeLessThan(
        0.5,
      );
  }
});

const pan = (depthMm: number) => ({
  id: 'p',
  name: 'p',
  lengthMm: 510,
  widthMm: 305,
  depthMm: depthMm + 15,
  count: 9,
});
const place = (kind: 'cold room' | 'fridge' | 'blast', celsius: number) => ({
  id: 'x',
  name: 'x',
  kind,
  celsius,
});
const inPan = (mm: number, more: Partial<Cooling> = {}): Cooling => ({
  soup: thickSoup((510 * 305 * mm) / 1000),
  holder: { kind: 'pans', pan: pan(mm), count: 1 },
  place: place('cold room', 3),
  lid: false,
  ...more,
});
const hours = (c: Cooling, to: number): number => secondsTo(cooled(c, 80, 4 * 86_400), to) / 3600;

/**
 * What is published of cooling in pans, all from memory: 50 mm of thick food uncovered in a cold room reaches 5
 * °C in about 6 h, 100 mm takes
 * more than 10 h (extension bulletins on cooling); a 200 mm deep stock pot of soup takes about a day in a
 * refrigerator (USDA, consumer advice).
 */
test('depth is what counts: 50 mm in about six hours, 100 mm not in ten, a 200 mm pot about a day', () => {
  expect(hours(inPan(50), 5)).toBeGreaterThan(4.5);
  expect(hours(inPan(50), 5)).toBeLessThan(9);
  expect(hours(inPan(100), 5)).toBeGreaterThan(10);
  const vessel = {
    id: 'v',
    name: 'v',
    diameterMm: 300,
    heightMm: 260,
    material: 'stainless steel',
    massG: 4000,
  } as const;
  const pot: Cooling = {
    ...inPan(50),
    soup: thickSoup((Math.PI * 150 ** 2 * 200) / 1000),
    holder: { kind: 'pot', vessel },
    place: place('fridge', 3),
    lid: false,
  };
  expect(hours(pot, 5)).toBeGreaterThan(18);
  expect(hours(pot, 5)).toBeLessThan(40);
});

/** Common practice, no source. */
test('what cooks say of cooling holds', () => {
  const base = inPan(60);
  expect(hours({ ...base, lid: true }, 21)).toBeGreaterThan(hours(base, 21) * 1.3);
  expect(hours({ ...base, place: place('blast', -10) }, 5)).toBeLessThan(hours(base, 5) / 3);
  expect(hours({ ...base, stirEvery: 10 }, 21)).toBeLessThan(hours(base, 21));
  // A clear stock stirs itself, a thick soup does not.
  expect(hours({ ...base, soup: { ...base.soup, viscosity: 2 } }, 21)).toBeLessThan(hours(base, 21));
  const deep = inPan(120);
  expect(hours({ ...deep, soup: { ...deep.soup, viscosity: 2 } }, 21)).toBeLessThan(hours(deep, 21) * 0.8);
});

/**
 * Plank’s equation by the worked example of Singh & Heldman, Introduction to Food Engineering, chapter on
 * freezing (from memory): a sphere of
 * 70 mm at −1.25 °C in a blast of −40 °C, h 50, k 1.2, ρ 1000, 250 kJ/kg: 0.72 h. P 1/6 and R 1/24 are those of a cube too.
 */
test('Plank’s freezing time of the textbook’s example', () => {
  const seconds = plank({
    body: { shape: 'brick', mm: 70, beta: [1, 1] },
    density: 1000,
    latent: 250,
    conductivity: 1.2,
    freezes: -1.25,
    air: -40,
    film: 50,
  });
  expect(seconds / 3600).toBeCloseTo(0.72, 2);
});

/** The same equation’s limits: an endless slab is ½ and ⅛, a long rod ¼ and 1/16 (Plank 1913). */
test.each([
  [[1000, 1000] as const, 1 / 2, 1 / 8],
  [[1, 1000] as const, 1 / 4, 1 / 16],
  [[1, 1] as const, 1 / 6, 1 / 24],
])('a brick of %j has Plank’s P and R', (beta, p, r) => {
  const time = (film: number, conductivity: number) =>
    plank({
      body: { shape: 'brick', mm: 50, beta },
      density: 1,
      latent: 1,
      conductivity,
      freezes: 0,
      air: -1000,
      film,
    });
  // All of it in the film, and all of it in the body.
  expect(time(1, 9.9) - time(2, 9.9)).toBeCloseTo(p * 0.05 * 0.5, 3);
  expect((time(5000, 0.01) - time(5000, 0.02)) / (0.05 ** 2 * 50)).toBeCloseTo(r, 2);
});

const soupIn = (viscosity: number, ml: number): CoolingSoup => ({ ...thickSoup(ml), viscosity });

/** Coolings with a film, a conductivity and a room the forecast does not know, read by a probe that is never quite in the middle. */
function planted(count: number, seed: number) {
  const uniform = seeded(seed);
  const normal = normals(uniform);
  return Array.from({ length: count }, () => {
    const mm = 18 + uniform() * 62;
    const kind = (['cold room', 'fridge', 'blast'] as const)[Math.floor(uniform() * 3)] ?? 'fridge';
    const c: Cooling = {
      ...inPan(mm),
      soup: soupIn(uniform() < 0.8 ? 300 : 60, (510 * 305 * mm) / 1000),
      place: place(kind, kind === 'blast' ? -10 : 3),
      lid: uniform() < 0.3,
    };
    const from = 72 + uniform() * 16;
    const really = cooled(c, from, 30 * 3600, {
      film: Math.exp(0.35 * normal()),
      conductivity: Math.exp(0.08 * normal()),
      depth: Math.exp(0.04 * normal()),
      room: 0.8 * normal(),
    });
    const read = (seconds: number) => {
      const t = warmestAt(really, seconds);
      return t + 0.3 * normal() - Math.abs(normal()) * 0.008 * Math.max(0, t - c.place.celsius);
    };
    return { c, from, really, read };
  });
}

const RULE = RULES.fda.cooling;

test('after two readings the time to 21 °C is foreseen within a tenth, nine times of ten', () => {
  const off = planted(50, 11).map(({ c, really, read }) => {
    const truly = secondsTo(really, 21);
    // Read as it is set down, and when about a third and a half of the way is gone.
    const [a, b] = [truly * 0.3, truly * 0.5];
    const phase: Phase = {
      cooling: c,
      from: read(0),
      fromRead: true,
      readings: [
        { seconds: a, celsius: read(a) },
        { seconds: b, celsius: read(b) },
      ],
      film: FILM_UNKNOWN,
    };
    return Math.abs(secondsTo(forecast(phase, RULE, null, 1).points, 21) / truly - 1);
  });
  expect(off.filter((o) => o < 0.1).length / off.length).toBeGreaterThanOrEqual(0.9);
  expect(median(off)).toBeLessThan(0.05);
});

test('what will miss is warned of half an hour before in 95 of 100, and of what passes fewer than 5 in 100 are', () => {
  let missing = 0;
  let warned = 0;
  let passing = 0;
  let falsely = 0;
  for (const { c, really, read } of planted(200, 5)) {
    // Read every twenty minutes. The record counts from the last reading that was not under the rule's start.
    const all = Array.from({ length: 24 }, (_, n) => ({ seconds: n * 1200, celsius: read(n * 1200) }));
    const firstUnder = all.findIndex((r) => r.celsius < RULE.from);
    const truth = verdictOf(really, RULE, all[firstUnder - 1]?.seconds ?? 0);
    const first = truth.stages.find((s) => s.met > s.by);
    const last = (first?.by ?? truth.stages.at(-1)?.met ?? 0) - 1800;
    const from = all[0]?.celsius ?? 0;
    let alarm = false;
    // Until half an hour before it counts.
    for (let n = 1; n * 1200 <= last && !alarm; n++) {
      const readings = all.slice(1, n + 1);
      const began = firstUnder > n || firstUnder < 0 ? null : (all[firstUnder - 1]?.seconds ?? 0);
      const phase: Phase = { cooling: c, from, fromRead: true, readings, film: FILM_UNKNOWN };
      const found = forecast(phase, RULE, began, 24);
      if (alarmOf(found, [], readings) === 'will miss') alarm = true;
    }
    if (first) {
      missing += 1;
      if (alarm) warned += 1;
    } else {
      passing += 1;
      if (alarm) falsely += 1;
    }
  }
  expect(missing).toBeGreaterThan(20);
  expect(passing).toBeGreaterThan(20);
  expect(warned / missing).toBeGreaterThanOrEqual(0.95);
  expect(falsely / passing).toBeLessThan(0.05);
}, 120_000);

/** The kitchen that has said nothing has something to cool with. */
test('a usual kitchen has a place of each kind but the blast', () => {
  expect(new Set(USUAL_KEEPING.places.map((p) => p.kind)).size).toBe(7);
});
