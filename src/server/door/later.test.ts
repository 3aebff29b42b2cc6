import { later } from './later';

test('a few at a time, in the order they came; what else waits comes between', async () => {
  const done: string[] = [];
  for (let n = 0; n < 20; n++) later(() => done.push(`${n}`));
  expect(done).toEqual([]);
  await new Promise((resolve) => setImmediate(resolve));
  done.push('a tap');
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(done.filter((d) => d !== 'a tap')).toEqual(Array.from({ length: 20 }, (_, n) => `${n}`));
  expect(done.indexOf('a tap')).toBeLessThan(20);
  // And again, when all of it is over.
  later(() => done.push('after'));
  await new Promise((resolve) => setTimeout(resolve, 20));
  expect(done.at(-1)).toBe('after');
});
