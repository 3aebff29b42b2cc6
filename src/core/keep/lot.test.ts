import { demoHouse } from '../../../demo/demo';
import { KeepBody, type KeepEvent } from './events';
import { probeStanding, shouldShow } from './probes';
import { lotState } from './safe/fold';
import { filmsKnown, nextReading, rulesIn, underLimit } from './standing';
import { line, lotOf, putBy, read, START } from './testKit';
import { lotTicket } from './ticket';
import { dateMark } from './written/dates';

const house = demoHouse();
const { keeping } = house;
const state = (...events: KeepEvent[]) => lotState(lotOf(...events), keeping);
const at = (minutes: number) => START + minutes * 60_000;
const rule = rulesIn(house);

describe('something kept, by its lines', () => {
  test('out of a pot into pans, cold, frozen, thawed, reheated, used up', () => {
    const events = [
      line(0, putBy()),
      read(1, 84),
      line(2, {
        kind: 'set to cool',
        way: { into: { kind: 'pans', pan: 'full-65', count: 3 }, place: 'blast' },
      }),
      read(60, 4),
      line(61, { kind: 'cooled', place: 'fridge' }),
      line(100, { kind: 'moved', place: 'freezer', container: { kind: 'pans', pan: 'tub-2', count: 5 } }),
      line(3000, { kind: 'moved', place: 'fridge' }),
      read(4000, 2),
      line(4100, { kind: 'reheating', vessel: 'middle-28', burner: 'front-left' }),
      line(4130, { kind: 'reheated', celsius: 78, seconds: 20 }),
      line(4200, { kind: 'used up' }),
    ];
    const stages = events.map((_, i) => state(...events.slice(0, i + 1))?.stage);
    expect(stages).toEqual([
      'cooling',
      'cooling',
      'cooling',
      'cooling',
      'cold',
      'frozen',
      'thawing',
      'cold',
      'reheating',
      'hot',
      'over',
    ]);
    const last = state(...events);
    expect(last?.container).toEqual({ kind: 'pot', vessel: 'middle-28' });
    expect(last?.frozen).toEqual([{ from: at(100), to: at(3000) }]);
    expect(last?.reheats).toBe(1);
    expect(last?.readings.map((r) => r.celsius)).toEqual([84, 4, 2, 78]);
    expect(last?.over?.body?.kind).toBe('used up');
  });

  test('what is taken, parted and thrown away is counted off, and the last of it ends it', () => {
    const s = state(
      line(0, putBy({ place: 'fridge' })),
      line(1, { kind: 'taken', ml: 1500 }),
      line(2, { kind: 'parted', ml: 2500, into: '00000000-0000-4000-8000-000000000002' }),
      line(3, { kind: 'thrown away', ml: 1000, why: 'left over' }),
    );
    expect(s?.ml).toBe(3000);
    expect(s?.over).toBeNull();
    const all = state(line(0, putBy({ place: 'fridge' })), line(1, { kind: 'taken', ml: 8000 }));
    expect(all?.stage).toBe('over');
  });

  test('a line taken back counts for nothing, and a putting by taken back was never', () => {
    const first = line(0, putBy({ place: 'fridge' }));
    const slip = line(1, { kind: 'taken', ml: 4000 });
    expect(state(first, slip, line(2, { kind: 'withdrawn', event: slip.id }))?.ml).toBe(8000);
    expect(state(first, line(2, { kind: 'withdrawn', event: first.id }))).toBeNull();
  });

  test('lines count by when they happened, not by when they came', () => {
    const lines = [line(0, putBy()), line(30, { kind: 'cooled', place: 'fridge' }), read(10, 4)];
    expect(state(...lines)?.readings).toHaveLength(1);
    expect(state(...lines.toReversed())?.stage).toBe('cold');
  });

  test('reheated because it cooled too slowly, the clock of its cooling begins anew', () => {
    const way = { into: { kind: 'pot', vessel: 'middle-28' }, place: 'cold-room' } as const;
    const s = state(
      line(0, putBy()),
      line(1, { kind: 'set to cool', way }),
      line(60, { kind: 'reheating', vessel: 'middle-28', burner: 'front-left' }),
      line(80, { kind: 'reheated', celsius: 80, seconds: 20, place: 'ring' }),
      line(90, { kind: 'set to cool', way }),
    );
    expect(s?.coolingFrom).toBe(at(90));
    expect(
      state(line(0, putBy()), line(1, { kind: 'reheated', celsius: 80, seconds: 20, place: 'ring' }))?.place,
    ).toBe('ring');
  });

  test('warm into the fridge it still has to cool', () => {
    expect(state(line(0, putBy({ place: 'fridge', celsius: 62 })))?.stage).toBe('cooling');
    expect(state(line(0, putBy({ place: 'fridge', celsius: 4 })))?.stage).toBe('cold');
  });
});

describe('the date mark', () => {
  const cold = line(0, putBy({ place: 'fridge' }));
  const five = { ...rule, keep: { ...rule.keep, days: 5 } };
  const day = 1440;
  const mark = (now: number, ...more: KeepEvent[]) => {
    const s = state(cold, ...more);
    return s && dateMark(s, five, at(now));
  };
  test('the day of making is the first', () => {
    expect(mark(0)).toMatchObject({ useBy: '2026-11-27', used: 1, left: 4 });
    expect(mark(4 * day)).toMatchObject({ useBy: '2026-11-27', used: 5, left: 0 });
    expect(mark(5 * day)?.left).toBe(-1);
  });
  test('days frozen stand still: three frozen whole days put it off by three', () => {
    const into = line(day, { kind: 'moved', place: 'freezer' });
    const out = line(5 * day, { kind: 'moved', place: 'fridge' });
    expect(mark(4 * day, into)?.useBy).toBeNull();
    // Made on the 23rd, frozen on the 24th, out on the 28th: the 25th to the 27th do not count.
    expect(mark(5 * day, into, out)).toMatchObject({ useBy: '2026-11-30', used: 3, left: 2 });
  });
  test('a day named is never overstepped, and days used before count', () => {
    const named = state(line(0, putBy({ place: 'fridge', useBy: '2026-11-25' })));
    expect(named && dateMark(named, five, at(0)).useBy).toBe('2026-11-25');
    const used = state(line(0, putBy({ place: 'fridge', daysUsed: 2 })));
    expect(used && dateMark(used, five, at(0)).useBy).toBe('2026-11-25');
  });
  test('a use-by before it was made is refused', () => {
    const bad = KeepBody.safeParse(putBy({ useBy: '2026-11-20' }));
    expect(bad.success).toBe(false);
    expect(bad.error?.issues[0]?.path).toEqual(['useBy']);
  });
});

describe('on the pass', () => {
  const hot = line(0, putBy({ place: 'bath' }));
  test('probed by the kitchen’s interval, from the last reading', () => {
    const s = state(hot, read(10, 72));
    expect(s && nextReading(s, rule, 60)).toBe(at(70));
  });
  test('under the limit: reheat while it may, then throw away, counted from the last reading that was not', () => {
    const s = state(hot, read(10, 72), read(70, 51));
    expect(s && underLimit(s, rule, at(80))).toEqual({
      celsius: 51,
      since: at(10),
      minutes: 70,
      does: 'reheat',
      by: at(130),
    });
    expect(s && underLimit(s, rule, at(131))?.does).toBe('throw away');
    // Hotter again it was under all the same: only a reheating to the rule's own figure ends it.
    const again = state(hot, read(10, 72), read(70, 51), read(75, 76));
    expect(again && underLimit(again, rule, at(80))?.does).toBe('reheat');
    const brought = line(76, { kind: 'reheated', celsius: 76, seconds: 15 });
    const ended = state(hot, read(10, 72), read(70, 51), brought);
    expect(ended && underLimit(ended, rule, at(80))).toBeNull();
  });
  test('where a rule gives it two hours once, it is served or cooled in them', () => {
    const british = { ...keeping, rules: 'uk', tightened: {} } as const;
    const uk = rulesIn({ keeping: british });
    const lines = [hot, read(10, 72), read(70, 60)];
    const there = lotState(lotOf(...lines), british);
    expect(there && underLimit(there, uk, at(80))?.does).toBe('serve or cool');
    const here = state(...lines);
    expect(here && underLimit(here, rule, at(80))).toBeNull();
  });
  test('its ticket says by when it is probed, and that it is too cold', () => {
    const s = state(hot, read(10, 72), read(70, 51));
    const ticket = s && lotTicket(s, rule, 60, at(75), null);
    expect(ticket).toMatchObject({
      kept: true,
      tooCold: true,
      celsius: 51,
      by: 'reading',
      until: new Date(at(130)).toISOString(),
    });
    const shelf = state(line(0, putBy({ place: 'fridge' })));
    expect(shelf && lotTicket(shelf, rule, 60, at(5), null)).toBeNull();
  });
});

test('rooms are learned from what cooled in them: between what was thought and what was found, surer each time', () => {
  const cooled = (factor: number) =>
    line(0, { kind: 'cooled', place: 'fridge', film: { place: 'blast', factor, spread: 0.1 } });
  expect(filmsKnown([])).toEqual({});
  const once = filmsKnown([cooled(1.6)]).blast;
  const often = filmsKnown([1.6, 1.7, 1.5, 1.6].map(cooled)).blast;
  expect(once?.factor).toBeGreaterThan(1.3);
  expect(once?.factor).toBeLessThan(1.6);
  expect(often?.factor).toBeGreaterThan(once?.factor ?? 9);
  expect(often?.spread).toBeLessThan(once?.spread ?? 0);
});

describe('probes', () => {
  const check = (minutes: number, celsius: number, point: 'ice' | 'boil' = 'ice') =>
    line(minutes, {
      kind: 'probe checked',
      probe: 'Probe 1',
      point,
      celsius,
      expected: point === 'ice' ? 0 : 100,
    });
  const standing = (...events: KeepEvent[]) => probeStanding('Probe 1', events, at(100));
  test('a little off is put right; the mean of ice and boil counts', () => {
    expect(standing(check(0, 0.4))).toMatchObject({ correction: -0.4, out: false, due: false });
    expect(standing(check(0, 0.4), check(1, 99.8, 'boil')).correction).toBeCloseTo(-0.1);
    // The last of a kind counts.
    expect(standing(check(0, 0.9), check(1, 0.2)).correction).toBe(-0.2);
  });
  test('more than a degree off is not used until it was put right, and is not put right by a sum', () => {
    expect(standing(check(0, 1.3))).toMatchObject({ out: true, correction: 0 });
    expect(standing(check(0, 1)).out).toBe(false);
    expect(standing(check(0, 1.05)).out).toBe(true);
    // Neither another probe’s check nor its repair is this one’s.
    const other = line(1, { kind: 'probe put right', probe: 'Probe 2', how: 'battery' });
    expect(standing(check(0, 1.3), other).out).toBe(true);
    expect(
      standing(check(0, 1.3), line(1, { kind: 'probe put right', probe: 'Probe 1', how: 'battery' })).out,
    ).toBe(false);
  });
  test('never checked, or a week ago, it is due', () => {
    expect(standing().due).toBe(true);
    const due = (minutes: number) => probeStanding('Probe 1', [check(0, 0)], at(minutes)).due;
    expect([due(7 * 1440), due(7 * 1440 + 1)]).toEqual([false, true]);
  });
  test('water boils lower up a hill', () => {
    expect(shouldShow('ice', house.kitchen)).toBe(0);
    // Handbook: 95.0 °C at 1 500 m, within half a degree (standard atmosphere).
    expect(Math.abs(shouldShow('boil', { ...house.kitchen, altitudeM: 1500 }) - 95)).toBeLessThan(0.5);
  });
});
