import { demoHouse } from '../../../../demo/demo';
import { RULES } from '../../safety/rules';
import { inEnglish } from '../../text/inWords';
import type { KeepEvent } from '../events';
import { lotState } from '../safe/fold';
import { line, lotOf, PUT, pansTo, putBy, read, START, WELL } from '../testKit';
import { dateMark, dateWords, daysBetween, ifColdWords } from './dates';

const { keeping } = demoHouse();
const at = (minutes: number) => START + minutes * 60_000;
const DAY = 24 * 60;

function mark(minutes: number, ...events: readonly KeepEvent[]) {
  const state = lotState(lotOf(...events), keeping);
  if (!state) throw new Error('nothing kept');
  return dateMark(state, RULES.fda, at(minutes));
}

test('a day is told in words, and that it is dated on no condition', () => {
  // 3-501.17: seven days, the day of making the first of them.
  const well = mark(300, ...WELL);
  expect(inEnglish(dateWords(well))).toBe('Sun 29 Nov');
  expect([well.used, well.left, ifColdWords(well)]).toEqual([1, 6, null]);
});

test('while it cools it is dated only if it is read cold by then; with its clock not begun, only once it is', () => {
  const cools = mark(40, PUT, read(1, 84), line(2, pansTo('blast')), read(30, 55));
  expect(cools.ifCold).toEqual({ to: 5, by: at(1) + 6 * 3_600_000 });
  expect(inEnglish(ifColdWords(cools) ?? { text: '' })).toMatch(
    /^only if it is read at 5 °C by .*\d\d:\d\d$/,
  );
  expect(inEnglish(ifColdWords({ ifCold: { to: 5, by: null } }) ?? { text: '' })).toBe(
    'only once it is read at 5 °C',
  );
});

test('frozen it has no day, and its days stand still for the whole days it is', () => {
  const frozen = [...WELL, line(300, { kind: 'moved', place: 'freezer' })];
  expect(inEnglish(dateWords(mark(300 + 3 * DAY, ...frozen)))).toBe('frozen');
  const thawed = [
    ...frozen,
    line(300 + 4 * DAY, { kind: 'moved', place: 'fridge' }),
    read(300 + 4 * DAY + 400, 3),
  ];
  const after = mark(300 + 4 * DAY + 500, ...thawed);
  // Four days later, of which three were wholly frozen.
  expect([after.used, after.left, after.why]).toEqual([2, 5, null]);
});

test('too slow it has no day, and says why', () => {
  const slow = mark(
    500,
    PUT,
    read(1, 84),
    line(2, pansTo('worktop')),
    read(30, 56),
    read(300, 40),
    read(400, 30),
  );
  expect([inEnglish(dateWords(slow)), slow.useBy]).toEqual(['not within the rule', null]);
  const unread = mark(380, PUT, read(1, 84), line(2, pansTo('worktop')), read(30, 56), read(350, 20));
  expect(inEnglish(dateWords(unread))).toBe('cannot be told to be safe');
});

test('a day somebody named is never overstepped; one that is later than the rule’s is not followed', () => {
  const cold = (useBy: string) => mark(10, line(0, putBy({ place: 'fridge', celsius: 4, useBy })));
  expect(cold('2026-11-25').useBy).toBe('2026-11-25');
  expect(cold('2026-12-25').useBy).toBe('2026-11-29');
  expect(cold('2026-11-29').useBy).toBe('2026-11-29');
});

test('whole days lie between two days, also where the clock is put on', () => {
  expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2);
  expect(daysBetween('2026-11-30', '2026-11-29')).toBe(-1);
});

test('made after midnight, before the kitchen’s day ends, it is of the evening before: its first day is that one', () => {
  const state = lotState(lotOf(...WELL), keeping)!;
  const night = { ...state, put: { ...state.put, madeAt: new Date(2026, 10, 24, 1, 30).toISOString() } };
  const noon = new Date(2026, 10, 24, 12).getTime();
  const of = (dayEnds: number, now = noon) => dateMark(night, { ...RULES.fda, dayEnds }, now);
  expect([of(4).used, of(4).last]).toEqual([2, '2026-11-29']);
  expect([of(0).used, of(0).last]).toEqual([1, '2026-11-30']);
  // And looked at in the same night it is its first day still.
  expect(of(4, new Date(2026, 10, 24, 3, 59).getTime()).used).toBe(1);
});
