import { same } from './same';

test('what went to the server and came back is the same: keys in another order, and what was undefined gone', () => {
  const here = { lightAt: 623, pinned: true, miseAt: 576, stock: undefined };
  expect(same(here, { miseAt: 576, pinned: true, lightAt: 623 })).toBe(true);
  expect(same({ placed: { a: here } }, JSON.parse(JSON.stringify({ placed: { a: here } })))).toBe(true);
});

test.each([
  [{ a: 1 }, { a: 2 }],
  [{ a: 1 }, { a: 1, b: 0 }],
  [{ a: null }, {}],
  [
    [1, 2],
    [2, 1],
  ],
  [[1, 2], [1]],
  [[1], [1, undefined]],
  [[1], { 0: 1 }],
  [{ a: { b: [{ c: 1 }] } }, { a: { b: [{ c: '1' }] } }],
  [null, {}],
  [0, false],
])('%j and %j are not', (a, b) => {
  expect(same(a, b)).toBe(false);
  expect(same(b, a)).toBe(false);
});

test('a number that is none is the same as itself', () =>
  expect(same({ a: Number.NaN }, { a: Number.NaN })).toBe(true));
