import { issued } from '../message/told';
import { inEnglish } from '../text/inWords';
import { merged, withMine } from './merge';
import { openService } from './openService';
import { Cycle, Day, Service } from './schema';
import {
  batchesOf,
  clockOf,
  copied,
  dayAfter,
  litresOf,
  minutesOf,
  orderOf,
  turnOf,
  weekdayOf,
  withCovers,
} from './service';
import { SERVICE, soup } from './testKit';

const problems = (input: unknown): readonly string[] => {
  const read = Service.safeParse(input);
  return read.success
    ? []
    : read.error.issues.map((i) => {
        const own = issued(i.message);
        return `${i.path.join('.')}: ${own ? inEnglish(own) : i.message}`;
      });
};

test('a time is minutes since midnight, and back', () => {
  expect(minutesOf('11:45')).toBe(705);
  expect(minutesOf(' 0:05 ')).toBe(5);
  expect(minutesOf('24:00')).toBeNull();
  expect(minutesOf('11:60')).toBeNull();
  expect(minutesOf('noon')).toBeNull();
  expect([705, 1445, -10].map(clockOf)).toEqual(['11:45', '00:05', '23:50']);
});

test('days are days of the calendar, Monday the first of a week', () => {
  expect(Day.safeParse('2026-12-03').success).toBe(true);
  expect(Day.safeParse('2026-02-30').success).toBe(false);
  expect(Day.safeParse('3.12.2026').success).toBe(false);
  expect(weekdayOf('2026-12-03')).toBe(3);
  expect(weekdayOf('2026-11-30')).toBe(0);
  expect(dayAfter('2026-12-31', 1)).toBe('2027-01-01');
});

test('a soup by covers is what its part of them eats, one by litres is that', () => {
  const byCovers = soup('roast-carrot-cream', { amount: { share: 0.25, ladleMl: 250 } });
  expect(litresOf(byCovers, 180)).toBe(11.3);
  expect(litresOf(byCovers, null)).toBe(0.2);
  expect(litresOf(soup('roast-carrot-cream', { amount: { litres: 8 } }), 180)).toBe(8);
});

test('draws cooked each for itself are batches of their own, by their parts; else it is one pot until the last', () => {
  const draws = [
    { at: 690, part: 3 },
    { at: 780, part: 1 },
  ];
  const of = (fresh: boolean) =>
    batchesOf({
      covers: null,
      soups: [soup('roast-carrot-cream', { amount: { litres: 16 }, draws, fresh })],
    }).map(({ key, litres, due, last }) => ({ key, litres, due, last }));
  expect(of(false)).toEqual([{ key: 'roast-carrot-cream', litres: 16, due: 690, last: 780 }]);
  expect(of(true)).toEqual([
    { key: 'roast-carrot-cream', litres: 12, due: 690, last: 690 },
    { key: 'roast-carrot-cream/2', litres: 4, due: 780, last: 780 },
  ]);
});

test('a batch is ordered where it stands, else where its soup was', () => {
  const [batch] = batchesOf({ covers: null, soups: [soup('roast-carrot-cream', { amount: { litres: 3 } })] });
  expect(orderOf(batch!)).toMatchObject({ litres: 3, burnerId: 'front-left', vesselId: 'middle-28' });
  expect(orderOf(batch!, { burnerId: 'floor-ring', vesselId: 'deep-42' })).toMatchObject({
    burnerId: 'floor-ring',
    vesselId: 'deep-42',
  });
});

test('a copied day begins anew: nothing started, each where it stood', () => {
  const day = { ...SERVICE, started: { x: '6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a01' } };
  expect(copied(day, 'another', '2026-12-10')).toMatchObject({
    id: 'another',
    day: '2026-12-10',
    started: {},
    placed: SERVICE.placed,
  });
});

describe('a menu that comes round', () => {
  const [a, b] = ['6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a01', '6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a02'];
  const week = (thursday: string[]) => [[], [], [], thursday, [], [], []];
  const cycle = Cycle.parse({ format: 'panache.cycle/1', from: '2026-11-30', weeks: [week([a]), week([b])] });
  test('brings each week its own, and begins again after the last', () => {
    const on = (day: string) => turnOf(cycle, day);
    expect(on('2026-12-03')).toEqual({ week: 0, services: [a] });
    expect(on('2026-12-10')).toEqual({ week: 1, services: [b] });
    expect(on('2026-12-17')).toEqual({ week: 0, services: [a] });
    expect(on('2026-12-04').services).toEqual([]);
    expect(on('2026-11-26').services).toEqual([]);
  });
  test('has 52 weeks at most, and begins on a Monday', () => {
    const weeks = (n: number) =>
      Cycle.safeParse({ ...cycle, weeks: Array.from({ length: n }, () => week([])) });
    expect(weeks(52).success).toBe(true);
    expect(inEnglish(issued(weeks(53).error!.issues[0]!.message)!)).toBe('a cycle has at most 52 weeks');
    expect(Cycle.safeParse({ ...cycle, from: '2026-12-01' }).success).toBe(false);
  });
});

test('what cannot be is said by its field: no hands, 300 soups, times out of order, two soups of one id', () => {
  expect(problems({ ...SERVICE, hands: 0 })).toEqual(['hands: hands is a number from 1 to 20']);
  const many = Array.from({ length: 300 }, (_, i) => soup('roast-carrot-cream', { id: `s${i}` }));
  expect(problems({ ...SERVICE, soups: many })).toEqual(['soups: a service has at most 24 soups']);
  const back = soup('roast-carrot-cream', {
    draws: [
      { at: 780, part: 1 },
      { at: 700, part: 1 },
    ],
  });
  expect(problems({ ...SERVICE, soups: [back] })).toEqual([
    'soups.0.draws: each time on the pass is after the one before',
  ]);
  expect(problems({ ...SERVICE, soups: [soup('roast-carrot-cream'), soup('roast-carrot-cream')] })).toEqual([
    'soups: two soups have one id',
  ]);
  expect(problems({ ...SERVICE, day: '2026-13-01' })[0]).toMatch(/^day: a day is written 2026-12-03/);
});

describe('two who change a service at once', () => {
  const base = {
    ...SERVICE,
    soups: [soup('roast-carrot-cream'), soup('crab-shell-bisque')],
    placed: { 'roast-carrot-cream': { burnerId: 'front-left', vesselId: 'middle-28', lightAt: 600 } },
  };
  test('keep what only one of them changed', () => {
    const mine = { ...base, hands: 3, soups: [...base.soups, soup('jacket-potato-soup')] };
    const theirs = { ...base, covers: 200, soups: base.soups.slice(0, 1) };
    const { service, told } = merged(base, mine, theirs);
    expect(told).toEqual([]);
    expect(service).toMatchObject({ hands: 3, covers: 200 });
    expect(service.soups.map((s) => s.id)).toEqual(['roast-carrot-cream', 'jacket-potato-soup']);
  });
  test('keep what was changed again while the first change was under way, however the server writes what it kept', () => {
    const place = { burnerId: 'front-left', vesselId: 'middle-28', lightAt: 605, miseAt: 590 };
    const sent = { ...base, placed: { 'roast-carrot-cream': place } };
    const now = { ...sent, placed: { 'roast-carrot-cream': { ...place, lightAt: 606 } } };
    const kept = {
      ...sent,
      placed: {
        'roast-carrot-cream': { miseAt: 590, lightAt: 605, vesselId: 'middle-28', burnerId: 'front-left' },
      },
    };
    const { service, told } = merged(sent, now, kept);
    expect(service.placed['roast-carrot-cream']?.lightAt).toBe(606);
    expect(told).toEqual([]);
  });
  test('are told what both did, and it stands as the other has it; what was started stays started', () => {
    const at = (lightAt: number) => ({
      'roast-carrot-cream': { ...base.placed['roast-carrot-cream'], lightAt },
    });
    const id = '6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a01';
    const { service, told } = merged(
      base,
      { ...base, placed: at(610), hands: 3, started: { a: id } },
      { ...base, placed: at(620), hands: 4, started: { b: id } },
    );
    expect(service.placed['roast-carrot-cream']?.lightAt).toBe(620);
    expect(service.hands).toBe(4);
    expect(service.started).toEqual({ a: id, b: id });
    expect(told).toEqual([
      { what: 'setting', name: 'hands' },
      { what: 'place', key: 'roast-carrot-cream' },
    ]);
  });
});

test('what was told is put back as I had it, and what else the other changed stays', () => {
  const place = { burnerId: 'front-left', vesselId: 'middle-28', lightAt: 600 };
  const base = { ...SERVICE, soups: [soup('roast-carrot-cream')], placed: { 'roast-carrot-cream': place } };
  const mine = { ...base, hands: 3, placed: { 'roast-carrot-cream': { ...place, lightAt: 610 } } };
  const theirs = {
    ...base,
    hands: 4,
    covers: 77,
    placed: { 'roast-carrot-cream': { ...place, lightAt: 620 } },
    soups: [...base.soups, soup('crab-shell-bisque')],
  };
  const { service, told } = merged(base, mine, theirs);
  expect(withMine(service, mine, told)).toEqual({ ...theirs, hands: 3, placed: mine.placed });
  expect(withMine(service, mine, [])).toEqual(service);
});

describe('a file for the board', () => {
  const why = (text: string) => {
    const opened = openService(text);
    return opened.kind === 'refused'
      ? opened.problems.map((p) => `${p.place}: ${inEnglish(p.says)}`)
      : opened.kind;
  };
  test('is a service of our own, as it left', () => {
    expect(openService(JSON.stringify(SERVICE))).toEqual({ kind: 'service', service: SERVICE });
  });
  test('is covers as CSV, whatever the order of its columns', () => {
    expect(openService('name,covers,day\r\nLunch,180,2026-12-03\r\n,90,2026-12-04\r\n')).toEqual({
      kind: 'covers',
      covers: [
        { day: '2026-12-03', name: 'Lunch', covers: 180 },
        { day: '2026-12-04', name: '', covers: 90 },
      ],
    });
  });
  test('is a calendar: its events with a time', () => {
    const ics = [
      'BEGIN:VCALENDAR',
      'VERSION:2.0',
      'PRODID:-//made up//EN',
      'BEGIN:VEVENT',
      'UID:1',
      'DTSTAMP:20261101T000000Z',
      'DTSTART:20261203T114500',
      'SUMMARY:Yard lunch',
      'END:VEVENT',
      'END:VCALENDAR',
    ].join('\r\n');
    expect(openService(ics)).toEqual({
      kind: 'calendar',
      dates: [{ day: '2026-12-03', name: 'Yard lunch', at: 705 }],
    });
  });
  test('that is none of these says where and why, and changes nothing', () => {
    expect(why('')).toEqual(['file: it is empty']);
    expect(why('{"format":')).toEqual(['file: it begins as JSON and does not end as it']);
    expect(why('{"format":"panache.recipe/1"}')[0]).toBe('format: this is not a panache.service/1 file');
    expect(why('BEGIN:VCALENDAR\nrubbish')).toEqual([
      'file: it begins as a calendar (RFC 5545) and cannot be read as one',
    ]);
    expect(why('BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR')).toEqual([
      'file: no event of the calendar has a day and a time',
    ]);
    expect(why('a,b\n1,2')).toEqual([
      'line 1: no column is headed day: wanted are day, covers and, if you like, name',
    ]);
    expect(why('day,covers\n2026-12-03,0\n3 December,80')).toEqual([
      'line 2: “0” is not a number of covers from 1 to 20000',
      'line 3: “3 December” is not a day such as 2026-12-03',
    ]);
  });
});

describe('covers', () => {
  const soup = (id: string, litres: number) => ({
    id,
    order: { recipeId: id, target: 150, vesselId: 'p', burnerId: 'b' },
    amount: { litres },
    draws: [{ at: 700, part: 1 }],
    fresh: false,
  });
  const service = {
    covers: null,
    started: {},
    soups: [soup('a', 12), soup('b', 4), soup('c', 4)],
  } as unknown as Service;

  test('typed where soups stand in litres, they share them in proportion, and a share comes to litres', () => {
    const by = withCovers(service, 200);
    expect(by.covers).toBe(200);
    expect(by.soups.map((s) => s.amount)).toEqual([
      { share: 0.6, ladleMl: 250 },
      { share: 0.2, ladleMl: 250 },
      { share: 0.2, ladleMl: 250 },
    ]);
    expect(by.soups.map((s) => litresOf(s, 200))).toEqual([30, 10, 10]);
    // More covers are more litres; nothing is shared anew.
    expect(withCovers(by, 300).soups).toEqual(by.soups);
  });
  test('shares come to the whole, and what is under way stays as it is', () => {
    const thirds = withCovers(
      { ...service, soups: [soup('a', 5), soup('b', 5), soup('c', 5)] } as unknown as Service,
      90,
    );
    const shares = thirds.soups.map((s) => ('share' in s.amount ? s.amount.share : 0));
    expect(shares.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 9);
    const lit = withCovers({ ...service, started: { a: 'x' } } as unknown as Service, 200);
    expect(lit.soups[0]?.amount).toEqual({ litres: 12 });
    expect(lit.soups[1]?.amount).toEqual({ share: 0.5, ladleMl: 250 });
  });
  test('taken back, each soup keeps the litres it had; set by hand, nobody’s share is moved', () => {
    expect(withCovers(withCovers(service, 200), null).soups.map((s) => s.amount)).toEqual([
      { litres: 30 },
      { litres: 10 },
      { litres: 10 },
    ]);
    const mixed = {
      ...service,
      soups: [soup('a', 12), { ...soup('b', 4), amount: { share: 0.5, ladleMl: 200 } }],
    } as unknown as Service;
    expect(withCovers(mixed, 100).soups).toEqual(mixed.soups);
  });
});
