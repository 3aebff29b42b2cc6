import { beginIn, headIn, headsKept, keepHead } from './heads';

const store = new Map<string, string>();
beforeEach(() => {
  store.clear();
  Object.assign(globalThis, {
    localStorage: {
      getItem: (k: string) => store.get(k) ?? null,
      setItem: (k: string, v: string) => store.set(k, v),
      removeItem: (k: string) => store.delete(k),
    },
  });
});
const head = (n: number) => ({ n, hash: 'a'.repeat(64) });

test('a head is read as it is told, and nonsense is none', () => {
  expect(headIn(`12:${'b'.repeat(64)}`)).toEqual({ n: 12, hash: 'b'.repeat(64) });
  for (const bad of [null, '', '12', '12:xyz', 'x:'.padEnd(66, 'a')])
    expect(headIn(bad)).toEqual({ n: 0, hash: '' });
});

test('only later heads are kept: a record that was cut short cannot push an old head out', () => {
  for (const n of [5, 9, 9, 3, 0, 12]) keepHead(head(n));
  expect(headsKept().map((h) => h.n)).toEqual([5, 9, 12]);
});

test('of very many the first and the last stay', () => {
  for (let n = 1; n <= 500; n++) keepHead(head(n));
  const kept = headsKept().map((h) => h.n);
  expect(kept.length).toBeLessThanOrEqual(61);
  expect(kept[0]).toBe(1);
  expect(kept.at(-1)).toBe(500);
});

test('what cannot be read on the device is nothing', () => {
  store.set('panache.heads', '{broken');
  expect(headsKept()).toEqual([]);
});

test('let in anew by the same kitchen it keeps its heads; of another’s it has none yet', () => {
  beginIn('quay');
  keepHead(head(5));
  beginIn('quay');
  expect(headsKept().map((h) => h.n)).toEqual([5]);
  beginIn('harbour');
  expect(headsKept()).toEqual([]);
  keepHead(head(2));
  expect(headsKept().map((h) => h.n)).toEqual([2]);
});
