import { demoHouse } from '../../../demo/demo';
import { inEnglish } from '../say/inWords';
import { entriesOf } from './entries';
import type { KeepEvent } from './events';
import { line, lotOf, putBy, read, START } from './testKit';

const house = demoHouse();
const at = (minutes: number) => START + minutes * 60_000;
const entries = (now: number, ...events: KeepEvent[]) =>
  entriesOf([lotOf(...events)], [], [], house, at(now));
const said = (e: ReturnType<typeof entries>[number]) => inEnglish(e.says);

test('every line stands in it by its time, with who and which probe', () => {
  const found = entries(
    20,
    line(0, putBy({ place: 'bath' })),
    line(10, { kind: 'temperature', celsius: 71.4, from: 'Probe 1', correction: -0.3 }, { station: 'Early' }),
  );
  expect(found.map(said)).toEqual(['Put by: 8.0 L, Hot bath', 'Read 71.4 °C, put right by -0.3 °C']);
  expect(found[1]).toMatchObject({ by: 'Early', probe: 'Probe 1', celsius: 71.4, marks: [] });
});

test('a stretch on the pass that nobody probed is a gap, also the one that is still open', () => {
  const found = entries(300, line(0, putBy({ place: 'bath' })), read(50, 72), read(180, 70));
  expect(found.filter((e) => e.marks.includes('gap')).map(said)).toEqual([
    'Not probed for 130 min',
    'Not probed for 120 min',
  ]);
  // Within its interval and a quarter nothing is missing.
  expect(
    entries(100, line(0, putBy({ place: 'bath' })), read(74, 72)).some((e) => e.marks.includes('gap')),
  ).toBe(false);
});

test('a reading over what was allowed of it then is marked: hot too cold, cold too warm, cooling neither', () => {
  const marks = entries(
    200,
    line(0, putBy({ place: 'bath' })),
    read(5, 50),
    line(6, {
      kind: 'set to cool',
      way: { into: { kind: 'pans', pan: 'full-65', count: 4 }, place: 'blast' },
    }),
    read(30, 40),
    read(90, 4),
    line(100, { kind: 'cooled', place: 'fridge' }),
    read(110, 9),
  ).filter((e) => e.marks.includes('over the limit'));
  expect(marks.map((e) => e.celsius)).toEqual([50, 9]);
});

test('a limit of cooling that was missed is said, with how late; one that was met is not', () => {
  const slow = [line(0, putBy()), read(0, 60), read(30, 54), read(200, 30), read(260, 20)];
  const late = entries(300, ...slow).filter((e) => e.marks.includes('over the limit'));
  // Last read over 57 °C as it began, 21 °C due two hours later; under it after half an hour at the latest.
  expect(late.map(said)).toEqual([
    expect.stringMatching(/^21 °C was due by \d\d:\d\d: read 20\.0 °C only 140 min later$/),
  ]);
  const quick = [line(0, putBy()), read(0, 60), read(30, 54), read(60, 20), read(200, 4)];
  expect(entries(300, ...quick).some((e) => e.marks.includes('over the limit'))).toBe(false);
  const unread = [line(0, putBy()), read(0, 60), read(30, 54)];
  expect(
    entries(300, ...unread)
      .filter((e) => e.marks.includes('cannot be told'))
      .map(said),
  ).toEqual([expect.stringMatching(/^21 °C was due by \d\d:\d\d and was not read$/)]);
});

test('what was written late, by a clock an hour off, put right, thrown away or taken back is marked as that', () => {
  const slip = line(3, { kind: 'taken', ml: 100 });
  const found = entries(
    30,
    line(0, putBy({ place: 'fridge' })),
    line(1, { kind: 'note', text: 'late' }, { receivedAt: new Date(at(20)).toISOString() }),
    line(2, { kind: 'note', text: 'off' }, { clockMs: 3_600_000 }),
    slip,
    line(4, { kind: 'withdrawn', event: slip.id }),
    line(5, { kind: 'put right', what: 'door shut' }),
    line(6, { kind: 'thrown away', ml: 500, why: 'spoilt', note: 'sour' }),
  );
  expect(found.map((e) => e.marks)).toEqual([
    [],
    ['late'],
    ['clock'],
    ['taken back'],
    [],
    ['put right'],
    ['discarded'],
  ]);
  expect(said(found[6] as (typeof found)[number])).toBe('0.50 L thrown away, spoilt: sour');
});

test('lines of the kitchen, and temperatures of the stove, stand among the others', () => {
  const found = entriesOf(
    [lotOf(line(10, putBy({ place: 'fridge' })))],
    [line(5, { kind: 'probe checked', probe: 'Probe 2', point: 'boil', celsius: 99.1, expected: 100 })],
    [
      {
        event: {
          id: line(0, putBy()).id,
          at: new Date(at(0)).toISOString(),
          station: 'Early',
          body: { kind: 'temperature', celsius: 88 },
        },
        batch: 'b',
        name: 'Leek',
        gone: false,
      },
    ],
    house,
    at(20),
  );
  expect(found.map(said)).toEqual([
    'Read 88.0 °C on the stove',
    'Probe 2 in boiling water: 99.1 °C, should be 100.0 °C',
    'Put by: 8.0 L, Fridge',
  ]);
});
