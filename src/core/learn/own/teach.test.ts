import { dot } from '../../maths/matrix';
import { lawOf } from './gaussian';
import { type Knowledge, NOTHING_LEARNED } from './knowledge';
import { keyOf, type NumberKey } from './laws';
import { knownNumbers, standingLaw } from './standing';
import { ownNumbers, remembered, teach, teachAll, withoutNumbers } from './teach';
import { aWeek, batchIn, houseFrom, numberIn, seededNormals, soup } from './testKit';
import { tiedIn } from './tied';
import { worthReading } from './worth';

const week = aWeek();
const flour = keyOf('flour', 'plain-flour');
const chowder = keyOf('soup', 'cockle-and-leek-chowder');
const truth = houseFrom(week, seededNormals(12));
const is = (key: NumberKey) => numberIn(truth, key);
const lessons = (n: number, of = week) => {
  const normal = seededNormals(77);
  return Array.from({ length: n }, (_, k) => batchIn(of[k % of.length]!, is, { n: k, normal }));
};

test('a number left out of a lesson is summed over: what is learned of the others is what it was with it', () => {
  const [lesson] = lessons(1, [week[1]!]);
  const whole = teach(NOTHING_LEARNED, lesson!).knowledge;
  const part = teach(
    NOTHING_LEARNED,
    withoutNumbers(lesson!, (k) => k === flour),
  ).knowledge;
  const of = (k: Knowledge, key: NumberKey) => knownNumbers(k).find((n) => n.key === key)!;
  expect(of(part, chowder).by).toBeCloseTo(of(whole, chowder).by, 9);
  expect(of(part, chowder).spread).toBeCloseTo(of(whole, chowder).spread, 9);
  expect(knownNumbers(part).map((n) => n.key)).not.toContain(flour);
});

test('what is forgotten counts from then on and not before', () => {
  const [first, second] = lessons(2, [week[1]!]);
  const since = second!.at;
  expect(remembered(first!, { [flour]: since }).keys).not.toContain(flour);
  expect(remembered(second!, { [flour]: since }).keys).toContain(flour);
});

test('of one soup alone flour and soup are tied; once another soup has the flour they are less so', () => {
  const alone = teachAll(lessons(16, [week[1]!]));
  const group = tiedIn(alone).find((t) => t.keys.includes(flour))!;
  expect(group.keys).toContain(chowder);
  const apart = knownNumbers(alone).find((n) => n.key === flour)!;
  expect(group.spread).toBeLessThan(0.5 * apart.spread);
  // Together they are what they are in that house.
  expect(Math.abs(Math.log(group.by) - group.keys.reduce((s, k) => s + is(k), 0))).toBeLessThan(
    3 * group.spread,
  );
  // One set by hand, the other is no longer open.
  expect(tiedIn(alone, { [flour]: 1 }).some((t) => t.keys.includes(flour))).toBe(false);
});

test('what is worth reading shrinks the bracket, the less the more is known', () => {
  const end = week[1]!.heard.at(-1)!;
  const of = (k: Knowledge) => {
    const [lesson] = lessons(1, [week[1]!]);
    return worthReading(k, {
      ...lesson!,
      atEnd: end.slopes.map((s) => 3 * s),
      could: [{ what: 'cup', slopes: end.slopes }],
    })[0]!;
  };
  const [few, many] = [of(teachAll(lessons(1, [week[1]!]))), of(teachAll(lessons(20, [week[1]!])))];
  expect(few.after).toBeLessThan(0.8 * few.now);
  expect(many.now).toBeLessThan(0.5 * few.now);
  expect(many.after / many.now).toBeGreaterThan(few.after / few.now);
});

test('what a worth reading promises is what the next reading brings', () => {
  const end = week[1]!.heard.at(-1)!;
  const before = teachAll(lessons(3, [week[1]!]));
  const spreadOf = (k: Knowledge) => {
    const { keys, numbers, g } = standingLaw(k);
    const at = week[1]!.keys.map((key) => numbers[keys.indexOf(key)]!);
    const law = lawOf(g, at);
    const slopes = end.slopes.map((s) => 3 * s);
    return Math.sqrt(
      dot(
        slopes,
        law.covariance.map((row) => dot(row, slopes)),
      ),
    );
  };
  const [next] = lessons(1, [{ ...week[1]!, heard: [end] }]);
  const promised = worthReading(before, {
    ...next!,
    atEnd: end.slopes.map((s) => 3 * s),
    could: [{ what: 'cup', slopes: end.slopes }],
  })[0]!;
  const after = spreadOf(teach(before, next!).knowledge);
  expect(promised.now).toBeCloseTo(spreadOf(before), 6);
  expect(after / promised.after).toBeGreaterThan(0.85);
  expect(after / promised.after).toBeLessThan(1.15);
});

test('the plan goes by what was moved, and carries nothing about that was not', () => {
  const { pot, pace } = ownNumbers(teachAll(lessons(10)));
  expect(pot.flour?.['plain-flour']?.readings).toBeGreaterThan(0);
  expect(Object.keys(pace)).toEqual([]);
  expect(ownNumbers(NOTHING_LEARNED)).toEqual({ pot: {}, pace: {} });
  const set = ownNumbers(NOTHING_LEARNED, { [keyOf('burner', 'front-left')]: 0.8 });
  expect(set.pot.burner?.['front-left']?.by).toBeCloseTo(0.8, 3);
  expect(ownNumbers(NOTHING_LEARNED, { [keyOf('work', 'weighing')]: 1.5 }).pace.weighing).toBeCloseTo(1.5, 2);
});

test('what one vegetable teaches of purée, another is told in part', () => {
  // Parsnip alone was read; carrot never.
  const parsnip = soup('smoked-parsnip-veloute', 8, 'middle-28', 'front-right');
  const normal = seededNormals(3);
  const strong = Array.from({ length: 25 }, (_, n) =>
    batchIn(parsnip, (k) => (k === keyOf('puree', 'smoked-parsnip') ? 0.5 : 0), { n, normal }),
  );
  const k = teachAll(strong);
  const carrot = knownNumbers(k, {}).find((n) => n.key === keyOf('puree', 'onion'))!;
  expect(carrot.by).toBeGreaterThan(1.02);
  expect(carrot.by).toBeLessThan(knownNumbers(k).find((n) => n.key === keyOf('puree', 'smoked-parsnip'))!.by);
});
