import { demoHouse } from '../../../demo/demo';
import { thickSoup } from '../heat/cool/body';
import { RULES } from '../safety/rules';
import { inEnglish } from '../text/inWords';
import { FILM_UNKNOWN } from './cool/forecast';
import type { KeepEvent } from './events';
import { lotState } from './safe/fold';
import {
  alarmOf,
  alarmRead,
  coolingForecast,
  coolingNow,
  doingOf,
  filmsKnown,
  nextReading,
  rulesIn,
} from './standing';
import { line, lotOf, PUT, pansTo, putBy, read, START, WELL } from './testKit';
import { lotTicket } from './ticket';

const house = demoHouse();
const { keeping } = house;
const rule = rulesIn(house);
const at = (minutes: number) => START + minutes * 60_000;
const state = (...events: readonly KeepEvent[]) => {
  const found = lotState(lotOf(...events), keeping);
  if (!found) throw new Error('nothing kept');
  return found;
};
const soup = thickSoup(8000);
const means = { keeping, vessels: house.vessels, films: {} };
/** The phase it cools in: °C it begins at and whether that was read, and the readings from there, minute and °C. */
function phase(...events: readonly KeepEvent[]) {
  const found = coolingNow(state(...events), soup, means);
  return (
    found && {
      at: (found.at - START) / 60_000,
      from: found.phase.from,
      read: found.phase.fromRead,
      readings: found.phase.readings.map((r) => [r.seconds / 60, r.celsius]),
      began: found.began === null ? null : found.began / 60,
    }
  );
}

describe('what cools, as it is worked out', () => {
  test('begins where it was set so, at the reading just before, or within a minute and a half after', () => {
    const way = line(20, pansTo('blast'));
    expect(phase(PUT, read(12, 80), way, read(60, 40))).toEqual({
      at: 20,
      from: 80,
      read: true,
      readings: [[40, 40]],
      began: -8,
    });
    // Read as it was set: that is where it begins, and is not read again.
    expect(phase(PUT, way, read(21, 78), read(60, 40))).toMatchObject({
      from: 78,
      read: true,
      readings: [[40, 40]],
    });
    expect(phase(PUT, way, read(21.5, 78))).toMatchObject({ from: 85, read: false, readings: [[1.5, 78]] });
  });
  test('begins at what was read longer before, not as read; at 85 °C where nobody read it', () => {
    const way = line(60, pansTo('blast'));
    expect(phase(PUT, read(45, 80), way)).toMatchObject({ from: 80, read: false, readings: [] });
    expect(phase(PUT, way)).toEqual({ at: 60, from: 85, read: false, readings: [], began: null });
  });
  test('what was read after it was put away says nothing of how it cooled; what is not cooling has none', () => {
    const away = [
      PUT,
      line(1, pansTo('blast')),
      read(2, 80),
      read(90, 4),
      line(91, { kind: 'cooled', place: 'fridge' }),
    ] as const;
    expect(phase(...away, read(200, 3))).toMatchObject({ readings: [[89, 4]] });
    expect(phase(line(0, putBy({ place: 'bath' })))).toBeNull();
    expect(
      coolingNow({ ...state(PUT, line(1, pansTo('blast'))), coolingFrom: null }, soup, means),
    ).toBeNull();
    expect(coolingNow({ ...state(PUT, line(1, pansTo('blast'))), way: null }, soup, means)).toBeNull();
  });
  test('a room’s film counts where it is known', () => {
    const s = state(PUT, line(1, pansTo('blast')));
    expect(coolingNow(s, soup, means)?.phase.film).toEqual(FILM_UNKNOWN);
    const known = { factor: 1.4, spread: 0.1 };
    expect(coolingNow(s, soup, { ...means, films: { blast: known } })?.phase.film).toEqual(known);
    expect(coolingNow(s, soup, { ...means, films: { fridge: known } })?.phase.film).toEqual(FILM_UNKNOWN);
  });
  test('its forecast comes with its alarm, and is none where it does not cool', () => {
    const slow = state(PUT, line(1, pansTo('worktop')), read(2, 80), read(90, 60), read(150, 52));
    expect(coolingForecast(slow, soup, means, RULES.fda.cooling, at(160))?.alarm).toBe('will miss');
    expect(
      coolingForecast(state(line(0, putBy({ place: 'bath' }))), soup, means, RULES.fda.cooling, at(1)),
    ).toBeNull();
  });
});

describe('what is said of it', () => {
  const limit = (answer: 'open' | 'holds' | 'will not' | 'cannot be told') => ({
    to: 21,
    by: 0,
    met: null,
    answer,
  });
  const chance = (c: number) => ({ chance: c }) as Parameters<typeof alarmOf>[0];
  const twice = [{ celsius: 60 }, { celsius: 50 }];
  test('what was read comes before what is forecast: missed before untold', () => {
    expect(alarmRead([limit('open'), limit('holds')])).toBeNull();
    expect(alarmRead([limit('cannot be told'), limit('will not')])).toBe('lost');
    expect(alarmRead([limit('holds'), limit('cannot be told')])).toBe('unread');
    expect(alarmOf(chance(1), [limit('will not')], twice)).toBe('lost');
    expect(alarmOf(chance(1), [limit('cannot be told')], twice)).toBe('unread');
  });
  test('by its chance: under 35 in 100 it will miss, under 85 it is watched; read less than twice, only where it is hopeless', () => {
    const said = [0.34, 0.35, 0.84, 0.85].map((c) => alarmOf(chance(c), [limit('open')], twice));
    expect(said).toEqual(['will miss', 'watch', 'watch', 'none']);
    const once = [0.07, 0.08, 0.34, 0.85].map((c) => alarmOf(chance(c), [limit('open')], twice.slice(1)));
    expect(once).toEqual(['will miss', 'watch', 'watch', 'none']);
  });
});

describe('when it wants a probe next', () => {
  const next = (...events: readonly KeepEvent[]) => {
    const found = nextReading(state(...events), rule, 60);
    return found === null ? null : (found - START) / 60_000;
  };
  const hot = line(0, putBy({ place: 'bath' }));
  test('hot, each hour from when it stands there; cooling, each twenty minutes to the first limit, then each hour', () => {
    expect([next(hot), next(hot, read(30, 70))]).toEqual([60, 90]);
    expect([next(PUT), next(PUT, read(30, 70)), next(PUT, read(30, 21)), next(PUT, read(30, 21.1))]).toEqual([
      20, 50, 90, 50,
    ]);
  });
  test('not of what was read before it stood there, but as it came; on the shelf never', () => {
    expect(next(PUT, read(10, 70), line(40, { kind: 'kept hot', place: 'bath', lid: true }))).toBe(100);
    expect(next(PUT, read(39.5, 70), line(40, { kind: 'kept hot', place: 'bath', lid: true }))).toBe(99.5);
    expect(next(...WELL)).toBeNull();
  });
});

test('what it is doing is said by its stage, and to which limit it cools', () => {
  const doing = (...events: readonly KeepEvent[]) => inEnglish(doingOf(state(...events), rule));
  expect(doing(line(0, putBy({ place: 'bath' })))).toBe('Kept hot: probe by');
  expect([doing(PUT), doing(PUT, read(30, 21.1)), doing(PUT, read(30, 21)), doing(PUT, read(30, 5))]).toEqual(
    [
      'Cooling to 21 °C: probe by',
      'Cooling to 21 °C: probe by',
      'Cooling to 5 °C: probe by',
      'Cooling to 5 °C: probe by',
    ],
  );
  const reheating = line(400, { kind: 'reheating', vessel: 'middle-28', burner: 'front-left' });
  expect(doing(...WELL, reheating)).toBe('Reheating to 74 °C by');
  expect(doing(line(0, putBy({ place: 'freezer' })), line(5, { kind: 'moved', place: 'fridge' }))).toBe(
    'Thawing',
  );
  expect(doing(...WELL)).toBe('Kept');
});

test('a room is known by what cooled in it last, surer with each; other lines say nothing of it', () => {
  const cooled = (factor: number, place = 'blast'): KeepEvent =>
    line(1, { kind: 'cooled', place, film: { place, factor, spread: 0.1 } });
  const none = line(1, { kind: 'cooled', place: 'blast' });
  expect(filmsKnown([none, line(2, { kind: 'used up' })])).toEqual({});
  const rooms = filmsKnown([cooled(2), cooled(0.5, 'fridge'), none]);
  expect(Object.keys(rooms)).toEqual(['blast', 'fridge']);
  // One reading of a room counts, the prior of a room nobody knows beside it.
  expect(rooms.blast?.factor).toBeGreaterThan(1.3);
  expect(rooms.blast?.factor).toBeLessThan(2);
  expect(filmsKnown(Array(6).fill(cooled(2))).blast?.spread).toBeLessThan(rooms.blast?.spread ?? 0);
});

describe('its ticket', () => {
  const ticket = (minutes: number, by: Parameters<typeof lotTicket>[4], ...events: readonly KeepEvent[]) =>
    lotTicket(state(...events), rule, 60, at(minutes), by);
  const cooling = [PUT, line(1, pansTo('blast')), read(10, 70)] as const;
  test('a reading speaks for ten minutes, then the model does', () => {
    const by = { celsius: 61, alarm: 'none' } as const;
    expect(ticket(19, by, ...cooling)).toMatchObject({ celsius: 70, by: 'reading' });
    expect(ticket(20, by, ...cooling)).toMatchObject({ celsius: 61, by: 'model' });
    expect(ticket(20, null, ...cooling)).toMatchObject({ celsius: 70, by: 'plan' });
    expect(ticket(5, null, line(0, putBy({ place: 'bath' })))).toMatchObject({ celsius: 57, by: 'plan' });
    expect(ticket(5, null, PUT)).toMatchObject({ celsius: 20, by: 'plan' });
  });
  test('says what is amiss, each alarm its own', () => {
    const amiss = (alarm: 'none' | 'watch' | 'will miss' | 'unread' | 'lost') => {
      const trouble = ticket(20, { celsius: 60, alarm }, ...cooling)?.trouble;
      return trouble ? inEnglish(trouble) : trouble;
    };
    expect((['none', 'watch', 'will miss', 'unread', 'lost'] as const).map(amiss)).toEqual([
      null,
      null,
      'Cools too slowly',
      'Not read in time',
      'Not cold in time',
    ]);
    const cold = [line(0, putBy({ place: 'bath' })), read(10, 70), read(20, 50)] as const;
    expect(ticket(25, null, ...cold)).toMatchObject({ tooCold: true, trouble: null });
    expect(inEnglish(ticket(200, null, ...cold)?.trouble ?? { text: '' })).toBe('Too cold too long');
  });
  test('stands until it has to be read, or be hot again', () => {
    expect(ticket(11, null, ...cooling)?.until).toBe(new Date(at(30)).toISOString());
    const reheating = line(400, { kind: 'reheating', vessel: 'middle-28', burner: 'front-left' });
    expect(ticket(401, null, ...WELL, reheating)?.until).toBe(new Date(at(520)).toISOString());
    const thaws = [
      line(0, putBy({ place: 'freezer' })),
      line(5, { kind: 'moved', place: 'fridge' }),
    ] as const;
    expect(ticket(6, null, ...thaws)?.until).toBe(new Date(at(5) + 86_400_000).toISOString());
    expect(ticket(300, null, ...WELL)).toBeNull();
  });
  test('names the probe that is in it', () => {
    const paired = line(11, { kind: 'paired', device: 'probe-2', name: 'Probe 2' });
    expect(ticket(12, null, ...cooling, paired)?.probe).toBe('probe-2');
    expect(ticket(12, null, ...cooling)?.probe).toBeUndefined();
  });
});
