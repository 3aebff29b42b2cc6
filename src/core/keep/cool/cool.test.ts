import { demoHouse } from '../../../../demo/demo';
import { Column } from '../../heat/conduct';
import { convects, cooled, FILM, icedTo, thickSoup } from '../../heat/cool/body';
import { secondsTo, warmestAt } from '../../heat/cool/course';
import { rulesIn } from '../standing';
import { FILM_UNKNOWN, fitted, forecast, type Phase } from './forecast';
import { type CoolingWay, coolingOf, rankedWays, SURE_ENOUGH, type ToCool, tried, waysToCool } from './ways';

const house = demoHouse();
const means = { keeping: house.keeping, vessels: house.vessels, films: {} };
const rule = rulesIn(house).cooling;
const vessel = house.vessels.find((v) => v.id === 'tall-steel-36') ?? null;
const asked: ToCool = { soup: thickSoup(12_000), from: 82, fromRead: true, vessel, began: null };
const pans: CoolingWay = { into: { kind: 'pans', pan: 'full-65', count: 4 }, place: 'blast' };

test('a way the kitchen has no pan, pot or place for is refused by name', () => {
  expect(() =>
    coolingOf({ ...pans, into: { kind: 'pans', pan: 'gone', count: 1 } }, asked.soup, means),
  ).toThrow(/gone/);
  expect(() => coolingOf({ ...pans, place: 'moon' }, asked.soup, means)).toThrow(/moon/);
  expect(() => coolingOf({ into: { kind: 'pot', vessel: 'x' }, place: 'blast' }, asked.soup, means)).toThrow(
    /x/,
  );
});

test('more than it holds does not go in', () => {
  const c = coolingOf({ ...pans, into: { kind: 'pans', pan: 'full-65', count: 1 } }, asked.soup, means);
  expect(() => cooled(c, 80, 60)).toThrow(/holds/);
});

test('left standing it comes to its room, and no nearer than that', () => {
  const c = coolingOf({ ...pans, place: 'fridge', lid: true }, asked.soup, means);
  const room = c.place.celsius;
  const days = cooled(c, 80, 6 * 86_400).at(-1)?.warmest ?? 0;
  expect(Math.abs(days - room)).toBeLessThan(0.02);
});

test('ice as part of its liquid takes the heat it melts by: energy before and after are the same', () => {
  const soup = thickSoup(10_000);
  const to = icedTo(soup, 90, 3000);
  const before = 7000 * soup.heatPerMl * 90 - 3000 * 334;
  expect((7000 * soup.heatPerMl + 3000 * 4.18) * to).toBeCloseTo(before, 3);
  expect(to).toBeGreaterThan(20);
  expect(to).toBeLessThan(45);
});

test('wands and stirring help, and wands only as long as their ice lasts', () => {
  const pot = coolingOf(
    { into: { kind: 'pot', vessel: 'tall-steel-36' }, place: 'cold-room' },
    asked.soup,
    means,
  );
  const plain = secondsTo(cooled(pot, 82, 86_400), 40);
  const two = cooled({ ...pot, wands: 2 }, 82, 86_400);
  expect(secondsTo(two, 40)).toBeLessThan(plain / 3);
  // 2 × 1.8 kg of ice take 1.2 MJ: of 12 L at 82 °C that is 25 degrees, never all.
  expect(warmestAt(two, 3600)).toBeGreaterThan(30);
});

test('what is thick lies still, what is thin stirs itself, and between they meet', () => {
  expect(convects(400, 100)).toBe(1);
  expect(convects(2, 100)).toBeGreaterThan(15);
  expect(convects(149, 100)).toBeLessThan(1.2);
});

const phase = (readings: Phase['readings']): Phase => ({
  cooling: coolingOf(
    { into: { kind: 'pans', pan: 'full-100', count: 2 }, place: 'cold-room' },
    thickSoup(12_000),
    means,
  ),
  from: 80,
  fromRead: true,
  readings,
  film: FILM_UNKNOWN,
});

test('readings re-base the forecast and find the room’s film: of a draughtier room than thought', () => {
  const really = cooled(phase([]).cooling, 80, 86_400, { film: 1.7, conductivity: 1, depth: 1, room: 0 });
  const at = [1800, 3600, 5400].map((seconds) => ({ seconds, celsius: warmestAt(really, seconds) }));
  const fit = fitted(phase(at));
  expect(fit.film.factor).toBeGreaterThan(1.4);
  expect(fit.film.factor).toBeLessThan(2.1);
  expect(fit.film.spread).toBeLessThan(FILM_UNKNOWN.spread / 2);
  const [before, after] = [forecast(phase([]), rule, null, 20), forecast(phase(at), rule, null, 20)];
  expect(Math.abs(secondsTo(after.points, 21) / secondsTo(really, 21) - 1)).toBeLessThan(0.05);
  const width = (f: typeof before) => (f.band[18]?.high ?? 0) - (f.band[18]?.low ?? 0);
  expect(width(after)).toBeLessThan(width(before) / 2);
});

test('the same question has the same answer', () => {
  expect(forecast(phase([]), rule, null, 20)).toEqual(forecast(phase([]), rule, null, 20));
});

test('the rule’s clock that began before the phase counts against it', () => {
  const fresh = forecast(phase([]), rule, null, 20).verdict;
  const late = forecast(phase([]), rule, -7000, 20).verdict;
  expect(late.stages[0]?.by).toBe(-7000 + 7200);
  expect(late.passes).toBe(false);
  expect(fresh.began).toBeGreaterThan(0);
});

test('the ways of the kitchen: the pot as it is fails, the cheapest that passes stands first', () => {
  const ways = rankedWays([...waysToCool(asked, means, rule)]);
  const asIs = ways.find((t) => t.way.into.kind === 'pot' && !t.way.stirEvery && t.way.place === 'cold-room');
  expect(asIs?.forecast.chance).toBeLessThan(0.05);
  const [first, ...rest] = ways;
  expect(first?.forecast.chance).toBeGreaterThanOrEqual(SURE_ENOUGH);
  for (const t of rest.filter((r) => r.forecast.chance >= SURE_ENOUGH))
    expect(t.effort).toBeGreaterThanOrEqual(first?.effort ?? 99);
  expect(ways.some((t) => t.way.stirEvery && t.way.place === 'ice')).toBe(true);
});

test('of one kind no more pans are named than it takes', () => {
  const ways = [...waysToCool(asked, means, rule)].filter(
    (t) => t.way.place === 'blast' && t.way.into.kind === 'pans' && t.way.into.pan === 'full-65',
  );
  const into = ways[0]?.way.into;
  expect(ways).toHaveLength(1);
  if (into?.kind === 'pans' && into.count > 2)
    expect(
      tried({ ...pans, into: { ...into, count: into.count - 1 } }, asked, means, rule).forecast.chance,
    ).toBeLessThan(SURE_ENOUGH);
});

test('a pan loses heat by its walls, by four fifths of its bottom, and through the still air under its lid', () => {
  const c = { ...coolingOf(pans, thickSoup(12_000), means), lid: true };
  const film = FILM.blast;
  // 3 L in each, 19 mm deep.
  const up = new Column({ shape: 'slab', length: 3 / (510 * 305 * 1e-3) });
  const long = new Column({ shape: 'slab', length: 0.51 });
  const wide = new Column({ shape: 'slab', length: 0.305 });
  for (let n = 0; n < 600; n++) {
    up.step(2, 0.55, 3.9e6, { near: 1 / (1 / film + 1 / 6), far: film * 0.8 });
    long.step(2, 0.55, 3.9e6, { near: film, far: film });
    wide.step(2, 0.55, 3.9e6, { near: film, far: film });
  }
  const expected = -10 + 90 * up.warmest() * long.warmest() * wide.warmest();
  expect(Math.abs(warmestAt(cooled(c, 80, 1200), 1200) - expected)).toBeLessThan(0.5);
});
