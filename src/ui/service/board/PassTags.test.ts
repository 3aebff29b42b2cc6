import { service, soup } from '../../../core/service/testKit';
import { passId, passOf, timesOf, withPass } from './PassTags';

const LUNCH = service([
  soup('roast-carrot-cream', { draws: [{ at: 705, part: 1 }] }),
  soup('crab-shell-bisque', {
    draws: [
      { at: 705, part: 1 },
      { at: 780, part: 2 },
    ],
  }),
]);

test('times on the pass are counted over all soups', () => {
  expect(timesOf(LUNCH)).toEqual([
    { at: 705, count: 2 },
    { at: 780, count: 1 },
  ]);
  expect(passOf(passId(705))).toBe(705);
  expect(passOf('crab-shell-bisque')).toBeNull();
});

test('a time that is moved takes every soup of it along, and keeps their parts', () => {
  const moved = withPass(LUNCH, 705, 720);
  expect(moved?.soups.map((s) => s.draws)).toEqual([
    [{ at: 720, part: 1 }],
    [
      { at: 720, part: 1 },
      { at: 780, part: 2 },
    ],
  ]);
});

test('a time is not moved over another of the same soup, nor out of the day', () => {
  expect(withPass(LUNCH, 705, 780)).toBeNull();
  expect(withPass(LUNCH, 780, 700)).toBeNull();
  expect(withPass(LUNCH, 705, -5)).toBeNull();
});
