import fc from 'fast-check';
import { spread } from './spread';

test('labels that have room stay at their marks', () => {
  expect(spread([{ at: 200 }, { at: 40 }], 40, 10, 300).map((l) => l.shown)).toEqual([40, 200]);
});

test('labels never overlap nor leave the drawing while there is room for all', () => {
  fc.assert(
    fc.property(
      fc.array(fc.double({ min: 0, max: 320, noNaN: true }), { minLength: 1, maxLength: 7 }),
      (marks) => {
        const shown = spread(
          marks.map((at) => ({ at })),
          40,
          10,
          310,
        ).map((l) => l.shown);
        for (const [i, y] of shown.entries()) {
          expect(y).toBeGreaterThanOrEqual(10 - 1e-9);
          expect(y).toBeLessThanOrEqual(310 + 1e-9);
          if (i > 0) expect(y - (shown[i - 1] ?? 0)).toBeGreaterThanOrEqual(40 - 1e-9);
        }
      },
    ),
    { seed: 2 },
  );
});
