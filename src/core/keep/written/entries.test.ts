import { demoHouse } from '../../../../demo/demo';
import { inEnglish } from '../../text/inWords';
import type { KeepEvent } from '../events';
import { lotState } from '../safe/fold';
import { judge } from '../safe/judged';
import { rulesIn } from '../standing';
import { line, lotOf, PUT, pansTo, putBy, read, START, WELL } from '../testKit';
import { entriesOf, type StoveReading } from './entries';

const house = demoHouse();
const at = (minutes: number) => START + minutes * 60_000;
const entries = (now: number, ...events: KeepEvent[]) =>
  entriesOf([lotOf(...events)], [], [], house, at(now));
const said = (e: ReturnType<typeof entries>[number]) => inEnglish(e.says);

/** The deviation of a lot's last line, by its id. */
function judgeOf(events: readonly KeepEvent[], minutes: number): string {
  const state = lotState(lotOf(...events), house.keeping);
  const found = state && judge(state, rulesIn(house), at(minutes)).deviations.at(-1);
  if (!found) throw new Error('it went against nothing');
  return found.id;
}

test('every line stands in it by its time, with who and which probe', () => {
  const found = entries(
    20,
    line(0, putBy({ place: 'bath' })),
    line(
      10,
      { kind: 'temperature', celsius: 71.4, from: 'Probe 1', correction: -0.3 },
      { station: 'Opener' },
    ),
  );
  expect(found.map(said)).toEqual(['Stored: 8.0 L, Hot bath', 'Read 71.4 °C, put right by −0.3 °C']);
  expect(found[1]).toMatchObject({ by: 'Opener', probe: 'Probe 1', celsius: 71.4, marks: [] });
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
          station: 'Opener',
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
    'Stored: 8.0 L, Fridge',
  ]);
});

const BATH = line(0, putBy({ place: 'bath' }));
/** The one entry of a line. */
const of = (found: ReturnType<typeof entries>, event: KeepEvent) => {
  const entry = found.find((e) => e.id === event.id);
  if (!entry) throw new Error('not in the record');
  return entry;
};

test('the minute a line is late, a clock off and a probing missed: on it nothing is, over it each', () => {
  const received = (ms: number) => {
    const note = line(1, { kind: 'note', text: 'x' }, { receivedAt: new Date(at(1) + ms).toISOString() });
    return of(entries(30, BATH, note), note).marks;
  };
  expect([received(60_000), received(120_000), received(120_001)]).toEqual([[], [], ['late']]);
  const off = (clockMs: number) => {
    const note = line(1, { kind: 'note', text: 'x' }, { clockMs });
    return of(entries(30, BATH, note), note).marks;
  };
  expect([off(300_000), off(-300_000), off(300_001), off(-300_001)]).toEqual([[], [], ['clock'], ['clock']]);
  // The demo kitchen probes each hour; a quarter of it over is let be.
  const missed = (minutes: number) =>
    entries(minutes, BATH, read(minutes, 70)).some((e) => e.marks.includes('gap'));
  expect([house.keeping.probeEvery, missed(75), missed(76)]).toEqual([60, false, true]);
});

test('what else is written down while it is not probed does not make it probed', () => {
  const found = entries(100, BATH, line(50, { kind: 'note', text: 'x' }), read(100, 70));
  expect(found.filter((e) => e.marks.includes('gap')).map(said)).toEqual(['Not probed for 100 min']);
  // Off the pass it is not missed, and what was missed before is said where it left.
  const left = line(90, {
    kind: 'set to cool',
    way: { into: { kind: 'pot', vessel: 'middle-28' }, place: 'fridge' },
  });
  const gone = entries(400, BATH, left).filter((e) => e.marks.includes('gap'));
  expect(gone.map((e) => [said(e), e.at])).toEqual([['Not probed for 90 min', at(90)]]);
});

test('each line carries the name of what it is of, and its temperature where it has one', () => {
  const put = line(0, putBy({ place: 'bath', celsius: 82 }));
  const reading = read(10, 71);
  const note = line(11, { kind: 'note', text: 'x' });
  const back = line(20, { kind: 'reheated', celsius: 76, seconds: 20 });
  const found = entries(30, put, reading, note, back);
  expect(found.map((e) => e.name)).toEqual(['Leek', 'Leek', 'Leek', 'Leek']);
  expect([put, reading, note, back].map((e) => of(found, e).celsius)).toEqual([82, 71, null, 76]);
  // Only what was read can be put right with another figure.
  expect([put, reading, note, back].map((e) => of(found, e).reading)).toEqual([
    undefined,
    true,
    undefined,
    undefined,
  ]);
  expect([put, reading, note, back].map((e) => of(found, e).done)).toEqual([null, null, null, null]);
});

test('how it is set to cool is said: in its pot, or in so many of which pan', () => {
  const inPot = line(5, {
    kind: 'set to cool',
    way: { into: { kind: 'pot', vessel: 'middle-28' }, place: 'fridge' },
  });
  const inPans = line(6, {
    kind: 'set to cool',
    way: { into: { kind: 'pans', pan: 'full-65', count: 4 }, place: 'blast' },
  });
  const found = entries(7, BATH, inPot, inPans);
  expect(said(of(found, inPot))).toBe('Set to cool in its pot, Fridge');
  expect(said(of(found, inPans))).toBe('Set to cool in 4 × Full pan 65, Blast');
});

test('at the limit it is within it, under it on the pass and over it in the cold it is not; taken back it never was', () => {
  // 3-501.16: 57 °C and over hot, 5 °C and under cold.
  const hot = (celsius: number) => {
    const reading = read(5, celsius);
    return of(entries(6, BATH, reading), reading).marks.includes('over the limit');
  };
  expect([hot(57), hot(56.9), hot(71)]).toEqual([false, true, false]);
  const cold = (celsius: number) => {
    const reading = read(300, celsius);
    return of(entries(301, ...WELL, reading), reading).marks.includes('over the limit');
  };
  expect([cold(5), cold(5.1), cold(2)]).toEqual([false, true, false]);
  // As it was put by there, too; brought back short of its figure is against another rule, and said by that.
  const put = line(0, putBy({ place: 'bath', celsius: 50 }));
  expect(of(entries(1, put), put).marks).toEqual(['over the limit']);
  const short = line(9, { kind: 'reheated', celsius: 50, seconds: 20 });
  expect(said(of(entries(10, BATH, short), short))).toMatch(
    /: reheated to 50\.0 °C for 20 s, not to 74 °C for 15 s$/,
  );
  const slip = read(5, 40);
  const found = entries(7, BATH, slip, line(6, { kind: 'withdrawn', event: slip.id }));
  expect(of(found, slip).marks).toEqual(['taken back']);
});

test('what a line went against stands in it, with what was done, or that nobody has said', () => {
  const warm = [PUT, read(1, 80), line(2, pansTo('fridge')), read(30, 60)] as const;
  const away = line(40, { kind: 'cooled', place: 'fridge' });
  const open = of(entries(50, ...warm, away), away);
  expect(open.done).toMatchObject({ what: '', by: '' });
  expect(said(open)).toMatch(/^Cold, to Fridge: .*60/);
  const about = judgeOf([...warm, away], 50);
  const right = line(45, { kind: 'put right', what: 'back out', about });
  const done = of(entries(50, ...warm, away, right), away).done;
  expect(done).toMatchObject({ what: 'back out', by: 'Closer', at: at(45) });
});

test('of the stove a temperature stands in it with its probe, and what took one back; of the kitchen a check, no other figure', () => {
  const stove = (body: StoveReading['event']['body'], gone = false): StoveReading => ({
    event: { id: line(0, putBy()).id, at: new Date(at(1)).toISOString(), station: 'Opener', body },
    batch: 'b',
    name: 'Leek',
    gone,
  });
  const [read_, slip, back, ...others] = [
    stove({ kind: 'temperature', celsius: 88, from: 'Probe 2' }),
    stove({ kind: 'temperature', celsius: 8 }, true),
    stove({ kind: 'withdrawn', event: line(0, putBy()).id, why: 'misread' }),
    stove({ kind: 'note', text: 'salted' }),
  ] as const;
  const found = entriesOf([], [], [read_, slip, back, ...others], house, at(9));
  const by = (r: StoveReading) => of(found, r.event as unknown as KeepEvent);
  expect(found).toHaveLength(3);
  expect(by(read_)).toMatchObject({ celsius: 88, reading: true, probe: 'Probe 2', marks: [], done: null });
  expect(by(slip)).toMatchObject({ celsius: 8, probe: null, marks: ['taken back'] });
  expect(by(back)).toMatchObject({ celsius: null, probe: null, says: { values: { why: 'misread' } } });
  expect(by(back).reading).toBeUndefined();

  const checked = line(5, {
    kind: 'probe checked',
    probe: 'Probe 2',
    point: 'ice',
    celsius: 0.4,
    expected: 0,
  });
  const right = line(6, { kind: 'probe put right', probe: 'Probe 2', how: 'new battery' });
  const kitchen = entriesOf([], [checked, right], [], house, at(9));
  expect(of(kitchen, checked)).toMatchObject({ celsius: 0.4, probe: 'Probe 2', lot: null, done: null });
  expect(of(kitchen, right)).toMatchObject({ celsius: null, probe: null, marks: ['put right'] });
});
