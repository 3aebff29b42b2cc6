import { type Cooling, cooled, thickSoup } from '../../heat/cool/body';
import { warmestAt } from '../../heat/cool/course';
import type { Vessel } from '../../heat/vessel';
import type { Keeping, Pan, Place } from '../../kitchen/keeping';
import { USUAL_KEEPING } from '../../kitchen/keeping';
import { message } from '../../message/message';
import { RULES } from '../../safety/rules';
import { FILM_UNKNOWN, fitted, forecast, type Phase, verdictOf } from './forecast';
import { type CoolingMeans, rankedWays, SURE_ENOUGH, type ToCool, type Tried, waysToCool } from './ways';

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
    // With the film known, the depth’s 5 % is what is left: of a wide pan most heat goes by its base.
    const depth = unsure(of(SURE_FILM), 1);
    expect(depth).toBeGreaterThan(0.045);
    expect(depth).toBeLessThan(0.049);
  });

  test('a reading is as good as a probe 0.4 °C out, and as 0.012 of what is still to cool', () => {
    // At its very start only the start is in doubt, by 0.8 °C: what a reading 2 °C over it moves that by.
    const moved = (from: number) => {
      const { z } = fitted(phase({ from, readings: [{ seconds: 0, celsius: from + 2 }] }));
      return (z[4] ?? 0) * 0.8;
    };
    const expected = (from: number) => {
      const [start, read] = [0.8 ** 2, 0.4 ** 2 + (0.012 * (from - 4)) ** 2];
      return (2 * start) / (start + read);
    };
    for (const from of [84, 10]) expect(Math.abs(moved(from) / expected(from) - 1)).toBeLessThan(0.015);
  });

  test('a room nobody has read is taken to be ours: its forecast is that of our film', () => {
    const { points } = forecast(phase({}), FDA.cooling, null, 8);
    expect(warmestAt(points, 7200)).toBeCloseTo(warmestAt(cooled(base, 80, 7200), 7200), 1);
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
  const means = (more: Partial<Keeping> = {}): CoolingMeans => ({
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
    // 31 L over 0.15 m² is 103 mm in two pans: with no third there is no way by pans.
    const pans = (count: number) => ({ pans: [{ ...pan, depthMm: 200, count }] });
    expect(ways(pans(2), thickSoup(31_000)).filter((w) => w.into.kind === 'pans')).toEqual([]);
    expect(ways(pans(2), thickSoup(29_000)).filter((w) => w.into.kind === 'pans')).not.toEqual([]);
    const counts = ways({}, thickSoup(31_000)).flatMap((w) => (w.into.kind === 'pans' ? [w.into.count] : []));
    expect(Math.min(...counts)).toBeGreaterThanOrEqual(3);
  });

  test('of a list a chance is told to one in 32', () => {
    for (const { forecast: f } of waysToCool({ ...asked, soup: thickSoup(9000) }, means(), FDA.cooling))
      expect(f.chance * 32).toBeCloseTo(Math.round(f.chance * 32), 9);
    const some = [...waysToCool({ ...asked, soup: thickSoup(9000) }, means(), FDA.cooling)];
    expect(some.some((t) => t.forecast.chance > 0 && t.forecast.chance < 1)).toBe(true);
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
