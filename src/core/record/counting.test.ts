import fc from 'fast-check';
import { counting, takenBack } from './counting';

const at = (minute: number): string => new Date(Date.UTC(2026, 0, 1, 0, minute)).toISOString();
const line = (id: string, minute: number, event?: string) => ({
  id,
  at: at(minute),
  body: event === undefined ? { kind: 'note' } : { kind: 'withdrawn', event },
});

test('a line taken back does not count, nor does what took it back', () => {
  expect(counting([line('a', 0), line('b', 1), line('w', 2, 'a')]).map((l) => l.id)).toEqual(['b']);
});

test('a taking back that was taken back makes what it named count again, with its old time', () => {
  const lines = [line('a', 0), line('b', 1), line('w', 2, 'a'), line('v', 3, 'w')];
  expect(counting(lines).map((l) => l.id)).toEqual(['a', 'b']);
  expect([...takenBack([...lines, line('u', 4, 'v')])].toSorted()).toEqual(['a', 'v']);
  // Taken back by one that counts, it is gone, whatever another says.
  expect(takenBack([...lines, line('x', 5, 'a')]).has('a')).toBe(true);
});

test('of one moment the later received is looked at first', () => {
  expect(counting([line('a', 0), line('w', 1, 'a'), line('v', 1, 'w')]).map((l) => l.id)).toEqual(['a']);
});

test('by time, as received where that is the same, whatever order they came in', () => {
  expect(counting([line('c', 2), line('a', 1), line('b', 1)]).map((l) => l.id)).toEqual(['a', 'b', 'c']);
});

test('twenty thousand that name each other end, and a ring takes back by its latest only', () => {
  const chain = Array.from({ length: 20_000 }, (_, n) =>
    line(String(n), n, n === 0 ? undefined : String(n - 1)),
  );
  expect(takenBack(chain).has('0')).toBe(true);
  expect([...takenBack([line('a', 1, 'b'), line('b', 2, 'a')])]).toEqual(['a']);
});

test('what is taken back again an even number of times counts', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 60 }), (times) => {
      const lines = [
        line('0', 0),
        ...Array.from({ length: times }, (_, n) => line(String(n + 1), n + 1, String(n))),
      ];
      expect(counting(lines).length).toBe(times % 2 === 0 ? 1 : 0);
    }),
  );
});
