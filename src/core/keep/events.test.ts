import { KeepBody, KeepEvent } from './events';
import { line, putBy } from './testKit';

const ID = '00000000-0000-4000-8000-000000000009';
const long = (n: number) => 'x'.repeat(n);
const pot = { kind: 'pot', vessel: 'middle-28' };
const put = (more: object) => ({ ...putBy(), ...more });
const cool = (more: object) => ({ kind: 'set to cool', way: { into: pot, place: 'fridge', ...more } });
const pans = (count: number) => cool({ into: { kind: 'pans', pan: 'tub-2', count } });
const film = (more: object) => ({
  kind: 'cooled',
  place: 'fridge',
  film: { place: 'fridge', factor: 1, spread: 0.2, ...more },
});
const thrown = (more: object) => ({ kind: 'thrown away', ml: 1, why: 'spoilt', ...more });
const read = (more: object) => ({ kind: 'temperature', celsius: 4, ...more });
const checked = (more: object) => ({
  kind: 'probe checked',
  probe: 'P',
  point: 'ice',
  celsius: 0,
  expected: 0,
  ...more,
});
const signed = (more: object) => ({
  kind: 'signed',
  from: '2026-11-01',
  to: '2026-11-02',
  by: 'Lead',
  ...more,
});

/** What the record takes at its bounds, and what it does not just over them. The same for every station and every archive. */
test.each<
  [what: string, of: (value: never) => unknown, within: readonly unknown[], over: readonly unknown[]]
>([
  ['temperature, °C', (celsius) => read({ celsius }), [-45, 200], [-45.1, 200.1]],
  ['volume, mL', (ml) => put({ ml }), [1, 600_000], [0.9, 600_001]],
  ['place', (place) => put({ place }), ['x', long(60)], ['', long(61)]],
  ['name of it', (name) => put({ name }), ['x', long(80)], ['', long(81)]],
  ['allergens', (n) => put({ allergens: Array(n).fill('milk') }), [0, 40], [41]],
  ['days used', (daysUsed) => put({ daysUsed }), [0, 60], [-1, 61, 0.5]],
  ['cost of a litre', (costPerL) => put({ costPerL }), [0, 10_000], [-0.01, 10_001]],
  [
    'use by',
    (useBy) => put({ useBy, madeAt: '2026-11-23T10:00:00Z' }),
    ['2026-11-23', '2026-11-24'],
    ['2026-11-22', 'soon'],
  ],
  ['pans', (count) => pans(count), [1, 200], [0, 201, 1.5]],
  ['minutes between two stirrings', (stirEvery) => cool({ stirEvery }), [1, 120], [0.9, 121]],
  ['wands', (wands) => cool({ wands }), [0, 20], [-1, 21]],
  ['ice, g', (iceG) => cool({ iceG }), [0, 200_000], [-1, 200_001]],
  ['probe it was read from', (from) => read({ from }), [long(60)], [long(61)]],
  ['correction of a probe, K', (correction) => read({ correction }), [-5, 5], [-5.01, 5.01]],
  ['factor of a film', (factor) => film({ factor }), [0.05, 20], [0.049, 20.1]],
  ['spread of a film', (spread) => film({ spread }), [0, 2], [-0.01, 2.01]],
  ['note of what was taken', (note) => ({ kind: 'taken', ml: 1, note }), [long(200)], [long(201)]],
  ['seconds held', (seconds) => ({ kind: 'reheated', celsius: 74, seconds }), [0, 3600], [-1, 3601]],
  ['what was done', (what) => ({ kind: 'put right', what }), ['x', long(300)], ['', ' ', long(301)]],
  ['what it is about', (about) => ({ kind: 'put right', what: 'x', about }), ['x', long(80)], ['', long(81)]],
  ['note of what is thrown away', (note) => thrown({ note }), [long(300)], [long(301)]],
  ['cost of what is thrown away', (cost) => thrown({ cost }), [0, 100_000], [-0.01, 100_001]],
  ['labels', (count) => ({ kind: 'labelled', count, size: 'A4', again: false }), [1, 200], [0, 201]],
  ['size of labels', (size) => ({ kind: 'labelled', count: 1, size, again: false }), [long(20)], [long(21)]],
  ['device', (device) => ({ kind: 'paired', device }), ['x', long(60), null], ['', long(61)]],
  ['name of a device', (name) => ({ kind: 'paired', device: 'x', name }), [long(60)], [long(61)]],
  ['note', (text) => ({ kind: 'note', text }), ['x', long(1000)], ['', long(1001)]],
  [
    'why it is taken back',
    (why) => ({ kind: 'withdrawn', event: ID, why }),
    ['x', long(200)],
    ['', long(201)],
  ],
  ['probe checked', (probe) => checked({ probe }), ['x', long(60)], ['', long(61)]],
  ['what it should show, °C', (expected) => checked({ expected }), [-1, 110], [-1.05, 110.1]],
  [
    'probe put right',
    (probe) => ({ kind: 'probe put right', probe, how: 'x' }),
    ['x', long(60)],
    ['', long(61)],
  ],
  [
    'how it was put right',
    (how) => ({ kind: 'probe put right', probe: 'P', how }),
    ['x', long(200)],
    ['', long(201)],
  ],
  ['who signs', (by) => signed({ by }), ['x', long(60)], ['', long(61)]],
  ['note of who signs', (note) => signed({ note }), [long(500)], [long(501)]],
])('%s', (_what, of, within, over) => {
  const taken = (value: unknown) => KeepBody.safeParse(of(value as never)).success;
  expect(within.map((v) => [v, taken(v)])).toEqual(within.map((v) => [v, true]));
  expect(over.map((v) => [v, taken(v)])).toEqual(over.map((v) => [v, false]));
});

test('a line names its station, and how far its clock stood off, ms', () => {
  const taken = (more: object) => KeepEvent.safeParse({ ...line(0, putBy()), ...more }).success;
  expect(['x', long(60), '', long(61)].map((station) => taken({ station }))).toEqual([
    true,
    true,
    false,
    false,
  ]);
  expect([-2e12, 2e12, -2e12 - 1, 2e12 + 1, 0.5].map((clockMs) => taken({ clockMs }))).toEqual([
    true,
    true,
    false,
    false,
    false,
  ]);
});
