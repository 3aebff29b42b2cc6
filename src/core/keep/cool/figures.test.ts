import type { Vessel } from '../../heat/vessel';
import type { Keeping, Pan, Place } from '../../house/keeping';
import { USUAL_KEEPING } from '../../house/keeping';
import { message } from '../../message/message';
import { RULES } from '../../safety/rules';
import {
  type Cooling,
  convects,
  cooled,
  FILM,
  LID,
  panHolds,
  RADIATION,
  thickSoup,
  UNDER,
  WAND,
} from './body';
import { type Point, warmestAt } from './course';
import { FILM_UNKNOWN, forecast, type Phase, verdictOf } from './forecast';
import { type Means, rankedWays, SURE_ENOUGH, type ToCool, type Tried, waysToCool } from './ways';

const FDA = RULES.fda;

/** The figures of docs/model.md on cooling, each by what a soup does because of it. */
const pan: Pan = { id: 'p', name: 'P', lengthMm: 500, widthMm: 300, depthMm: 65, count: 6 };
const place = (kind: Place['kind'], celsius: number): Place => ({ id: kind, name: kind, kind, celsius });
const base: Cooling = {
  soup: thickSoup(3000),
  holder: { kind: 'pans', pan, count: 1 },
  place: place('fridge', 4),
  lid: true,
};

test('films of places, W/(m²·K), and what of a face lid and shelf leave', () => {
  expect(FILM).toEqual({
    bath: 9,
    ring: 9,
    worktop: 9,
    fridge: 9,
    'cold room': 12,
    freezer: 10,
    blast: 50,
    'ice bath': 250,
  });
  expect([RADIATION, LID, UNDER, WAND]).toEqual([5, 6, { pans: 0.8, pot: 0.5 }, { intoIt: 36, ice: 1800 }]);
});

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
  // A bare film in place of the lid’s share of it is 9 against 3.6: that alone is no more than 3 K here.
  expect(at(true, 80) - at(false, 80)).toBeGreaterThan(4);
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

describe('how unsure a forecast is', () => {
  const phase = (more: Partial<Phase>): Phase => ({
    cooling: base,
    from: 80,
    fromRead: true,
    readings: [],
    film: FILM_UNKNOWN,
    ...more,
  });
  const SURE_FILM = { factor: 1, spread: 1e-9 };
  /** °C between which 8 in 10 lie, and the normal law’s 2.56 spreads between them. */
  const width = (of: Phase, at: number, draws = 800): number => {
    const { band } = forecast(of, FDA.cooling, null, draws);
    const there = band[Math.round(at * (band.length - 1))];
    return ((there?.high ?? 0) - (there?.low ?? 0)) / 2.5631;
  };

  test('its start by 0.8 °C where it was read, by 4 where it was only supposed', () => {
    const read = width(phase({}), 0);
    const supposed = width(phase({ fromRead: false }), 0);
    expect(read).toBeGreaterThan(0.75);
    expect(read).toBeLessThan(0.85);
    expect(supposed / read).toBeCloseTo(5, 1);
  });

  test('the room by 1 °C: all that is left where it has come to its room', () => {
    const soon = {
      ...base,
      soup: { ...thickSoup(1000), viscosity: 2 },
      place: place('blast', 2),
      lid: false,
    };
    const last = width(phase({ cooling: soon, film: SURE_FILM }), 1);
    expect(last).toBeGreaterThan(0.94);
    expect(last).toBeLessThan(1.06);
  });

  test('an unread room’s film by 35 %: of what is thin, the logarithm of what is left to cool is as unsure', () => {
    // A thin soup that conducts at once: its course is one exponential, by film over depth.
    const thin = {
      ...base,
      soup: { ...thickSoup(9000), conductivity: 200, viscosity: 2 },
      holder: { kind: 'pans', pan: { ...pan, depthMm: 100 }, count: 1 } as const,
      place: place('ice bath', 4),
    };
    const of = (film: Phase['film']) => forecast(phase({ cooling: thin, film }), FDA.cooling, null, 800).band;
    const unsure = (band: ReturnType<typeof of>, n: number) => {
      const rate = (celsius: number) => Math.log((80 - 4) / (celsius - 4));
      const { low = 0, high = 0 } = band[n] ?? {};
      return Math.log(rate(low) / rate(high)) / 2.5631;
    };
    const film = unsure(of(FILM_UNKNOWN), 1);
    expect(film).toBeGreaterThan(0.335);
    expect(film).toBeLessThan(0.37);
    // With the film known, the depth’s 5 % is what is left, and the start’s 0.8 °C.
    const depth = unsure(of(SURE_FILM), 1);
    expect(depth).toBeGreaterThan(0.045);
    expect(depth).toBeLessThan(0.075);
  });

  test('the film of a house that was read is taken as it is: the middle of the forecast moves with it', () => {
    const mid = (factor: number) =>
      warmestAt(forecast(phase({ film: { factor, spread: 0.1 } }), FDA.cooling, null, 8).points, 7200);
    expect(mid(1.5)).toBeLessThan(mid(1) - 3);
    expect(mid(1)).toBeCloseTo(warmestAt(cooled(base, 80, 7200), 7200), 1);
  });

  test('it looks an hour past the last limit, in 36 parts, by a hundred draws where nothing else is said', () => {
    const { band, chance } = forecast(phase({}), FDA.cooling, 0);
    const last = FDA.cooling.stages.at(-1)?.seconds ?? 0;
    expect(band).toHaveLength(37);
    expect(band.at(-1)?.seconds).toBe(last + 3600);
    expect(Math.abs(chance * 100 - Math.round(chance * 100))).toBeLessThan(1e-9);
  });
});

test('a stage that is never met fails, whatever its limit; one that is met on the limit is met', () => {
  const points = [0, 3600, 7200].map((seconds, n) => ({ seconds, warmest: 70 - 30 * n, mean: 0 }));
  const rule = { from: 70, stages: [{ to: 10, seconds: 7200 }], source: message('made up') };
  expect(verdictOf(points, rule, 0).passes).toBe(true);
  expect(verdictOf(points, rule, -1).passes).toBe(false);
  const never = {
    from: 70,
    stages: [{ to: 5, seconds: Number.POSITIVE_INFINITY }],
    source: message('made up'),
  };
  expect(verdictOf(points, never, 0).passes).toBe(false);
});

describe('the ways there are', () => {
  const vessel: Vessel = {
    id: 'v',
    name: 'V',
    diameterMm: 300,
    heightMm: 300,
    material: 'stainless steel',
    massG: 4000,
  };
  const keeping: Keeping = {
    ...USUAL_KEEPING,
    pans: [{ ...pan, depthMm: 200 }],
    places: [place('fridge', 4), place('ice bath', 1)],
    wands: 0,
  };
  const asked: ToCool = { soup: thickSoup(20_000), from: 80, fromRead: true, vessel, began: 0 };
  const means = (more: Partial<Keeping> = {}): Means => ({
    keeping: { ...keeping, ...more },
    vessels: [vessel],
    films: {},
  });
  const ways = (more: Partial<Keeping> = {}, soup = asked.soup) =>
    [...waysToCool({ ...asked, soup }, means(more), FDA.cooling)].map((t) => t.way);

  test('in ice it is stirred every ten minutes; wands are named where the house has some', () => {
    const iced = ways().find((w) => w.place === 'ice bath');
    expect(iced).toEqual({ into: { kind: 'pot', vessel: 'v' }, place: 'ice bath', stirEvery: 10 });
    expect(ways({ wands: 1 }).some((w) => w.wands === 1)).toBe(true);
    expect(ways().some((w) => w.wands !== undefined)).toBe(false);
  });

  test('a pot it does not go into is no way; nor are pans over ten centimetres deep in it', () => {
    expect(ways({}, thickSoup(21_300)).some((w) => w.into.kind === 'pot')).toBe(false);
    const counts = ways({}, thickSoup(31_000)).flatMap((w) => (w.into.kind === 'pans' ? [w.into.count] : []));
    // 31 L over 0.15 m² is 103 mm in two pans, 69 in three.
    expect(Math.min(...counts)).toBeGreaterThanOrEqual(3);
  });

  test('the surest first; of those that are sure the least trouble; of those that are not the better chance', () => {
    const t = (chance: number, effort: number): Tried =>
      ({ forecast: { chance, verdict: { stages: [] } }, effort }) as never;
    const order = rankedWays([t(0.5, 1), t(0.95, 9), t(0.7, 5), t(0.92, 3), t(0.7, 2)]);
    expect(order.map((o) => [o.forecast.chance, o.effort])).toEqual([
      [0.92, 3],
      [0.95, 9],
      [0.7, 2],
      [0.7, 5],
      [0.5, 1],
    ]);
    expect(SURE_ENOUGH).toBe(0.9);
  });
});
