import { later } from './later';

const turn = () => new Promise((resolve) => setImmediate(resolve));

test('a few at a time, in the order they came; what else waits comes between', async () => {
  const done: string[] = [];
  for (let n = 0; n < 20; n++) later(() => done.push(`${n}`));
  expect(done).toEqual([]);
  await turn();
  done.push('a tap');
  while (done.length < 21) await turn();
  expect(done.filter((d) => d !== 'a tap')).toEqual(Array.from({ length: 20 }, (_, n) => `${n}`));
  expect(done.indexOf('a tap')).toBeLessThan(20);
  // And again, when all of it is over.
  later(() => done.push('after'));
  while (done.length < 22) await turn();
  expect(done.at(-1)).toBe('after');
});
