import { DECLARED } from './allergens';
import { Cycle, Service } from './schema';
import { SERVICE, soup } from './testKit';

const long = (n: number) => 'x'.repeat(n);
const ID = '00000000-0000-4000-8000-000000000009';
const day = (more: object) => Service.safeParse({ ...SERVICE, ...more }).success;
const one = (more: object) => day({ soups: [{ ...soup('roast-carrot-cream'), ...more }] });
const placed = (more: object) =>
  day({ placed: { a: { burnerId: 'b', vesselId: 'v', lightAt: 600, ...more } } });
const stock = (more: object) => placed({ stock: { burnerId: 'b', vesselId: 'v', lightAt: 600, ...more } });
const tools = (more: object) => day({ tools: { 'stick blender': 1, 'jug blender': 1, sieve: 1, ...more } });
const week = [[], [], [], [], [], [], []];
const menu = (more: object) =>
  Cycle.safeParse({ format: 'panache.cycle/1', from: '2026-11-30', weeks: [week], ...more }).success;

/** What a service takes at its bounds, and what it does not just over them: of a page, a file and another station alike. */
test.each<
  [what: string, of: (value: never) => boolean, within: readonly unknown[], over: readonly unknown[]]
>([
  ['on the pass, min', (at) => one({ draws: [{ at, part: 1 }] }), [0, 2160], [-1, 2161, 700.5]],
  ['the part of a time', (part) => one({ draws: [{ at: 700, part }] }), [0.01, 100], [0, 100.1]],
  [
    'times on the pass',
    (n: number) => one({ draws: Array.from({ length: n }, (_, i) => ({ at: 600 + i, part: 1 })) }),
    [1, 4],
    [0, 5],
  ],
  ['the share of the covers', (share) => one({ amount: { share, ladleMl: 250 } }), [0.01, 1], [0, 1.01]],
  ['whose it is', (role) => one({ role }), ['', long(30)], [long(31)]],
  ['id of a soup', (id) => one({ id }), ['a', 'a'.repeat(60)], ['', 'a'.repeat(61), 'Ä']],
  ['its burner', (burnerId) => placed({ burnerId }), ['b', long(60)], ['', long(61)]],
  ['its pot', (vesselId) => placed({ vesselId }), ['v', long(60)], ['', long(61)]],
  ['lit at, min', (lightAt) => placed({ lightAt }), [-1440, 2880], [-1441, 2881, 0.5]],
  ['weighed out at, min', (miseAt) => placed({ miseAt }), [-1440, 2880], [-1441, 2881]],
  ['its stock’s burner', (burnerId) => stock({ burnerId }), ['b', long(60)], ['', long(61)]],
  ['its stock’s pot', (vesselId) => stock({ vesselId }), ['v', long(60)], ['', long(61)]],
  ['its stock lit at, min', (lightAt) => stock({ lightAt }), [-1440, 2880], [-1441, 2881]],
  ['name', (name) => day({ name }), ['x', long(60)], ['', long(61)]],
  ['covers', (covers) => day({ covers }), [1, 20_000, null], [0, 20_001, 1.5]],
  ['hands', (hands) => day({ hands }), [1, 20], [0, 21, 1.5]],
  ['opens, min', (opens) => day({ opens }), [0, 2160], [-1, 2161]],
  ['a pot is washed in, min', (wash) => day({ wash }), [0, 120], [-1, 121]],
  ['stick blenders', (n) => tools({ 'stick blender': n }), [0, 12], [-1, 13, 0.5]],
  ['jug blenders', (n) => tools({ 'jug blender': n }), [0, 12], [-1, 13, 0.5]],
  ['sieves', (n) => tools({ sieve: n }), [0, 12], [-1, 13, 0.5]],
  ['weeks of a menu', (n: number) => menu({ weeks: Array(n).fill(week) }), [1, 52], [0, 53]],
  ['services of a day', (n: number) => menu({ weeks: [[Array(n).fill(ID), ...week.slice(1)]] }), [0, 6], [7]],
  ['days of a week', (n: number) => menu({ weeks: [Array(n).fill([])] }), [7], [6, 8]],
  ['the Monday it begins with', (from) => menu({ from }), ['2026-11-30'], ['2026-12-01', '2026-11-31']],
])('%s: what can be is taken, what cannot is not', (_what, of, within, over) => {
  for (const value of within) expect([value, of(value as never)]).toEqual([value, true]);
  for (const value of over) expect([value, of(value as never)]).toEqual([value, false]);
});

// From memory, as everywhere here: the nine of the United States (FALCPA with the FASTER Act), the fourteen of Regulation (EU)
// 1169/2011, annex II, Health Canada’s priority allergens, and Standard 1.2.3 of the Food Standards Code.
test('what has to be declared is what each rule names', () => {
  const without = (rule: keyof typeof DECLARED) =>
    DECLARED.eu.concat('wheat').filter((a) => !DECLARED[rule].includes(a));
  expect(DECLARED.fda).toHaveLength(9);
  expect(DECLARED.eu).toHaveLength(14);
  expect(DECLARED.uk).toEqual(DECLARED.eu);
  expect(without('canada').toSorted()).toEqual(['celery', 'lupin']);
  expect(without('anz').toSorted()).toEqual(['celery', 'mustard']);
  expect(without('fda').toSorted()).toEqual([
    'celery',
    'gluten',
    'lupin',
    'molluscs',
    'mustard',
    'sulphites',
  ]);
});
