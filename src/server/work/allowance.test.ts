import { allow, clocksOf } from './allowance';
import { ThreadTime } from './threadTime';

/** A processor of which this process has a `share`, and what was said of a job that may take `ms` of it. */
function trying(ms: number, share: number) {
  const began = Date.now();
  const now = () => Date.now() - began;
  const said: { at: number; starved: boolean }[] = [];
  const stop = allow(ms, (starved) => said.push({ at: now(), starved }), { now, had: () => now() * share });
  return { said, stop };
}

beforeEach(() => jest.useFakeTimers());
afterEach(() => jest.useRealTimers());

test.each([1, 1.9])('a job that works all its time is over when it is, on %s processors', (share) => {
  const { said } = trying(8000, share);
  jest.advanceTimersByTime(7999);
  expect(said).toEqual([]);
  jest.advanceTimersByTime(60_000);
  expect(said).toEqual([{ at: 8000, starved: false }]);
});

test('with a third of the processor it has three times as long, and is not taken for too much before', () => {
  const { said } = trying(8000, 1 / 3);
  jest.advanceTimersByTime(23_900);
  expect(said).toEqual([]);
  jest.advanceTimersByTime(400);
  expect(said).toMatchObject([{ starved: false }]);
});

test.each([
  [8000, 40_000],
  [30_000, 90_000],
  [600_000, 660_000],
])('one of %d ms that is given nothing at all is starved after %d, said once', (ms, latest) => {
  const { said } = trying(ms, 0);
  jest.advanceTimersByTime(latest - 1);
  expect(said).toEqual([]);
  jest.advanceTimersByTime(10 * latest);
  expect(said).toHaveLength(1);
  expect(said[0]).toMatchObject({ starved: true });
  expect(said[0]?.at).toBeLessThanOrEqual(latest + 100);
});

test('of what was answered in time nothing is said', () => {
  const { said, stop } = trying(8000, 0.5);
  jest.advanceTimersByTime(9000);
  stop();
  jest.advanceTimersByTime(100_000);
  expect(said).toEqual([]);
});

test('a job’s own thread is asked once it has begun, the whole process before', () => {
  jest.useRealTimers();
  const thread = new ThreadTime();
  const { had } = clocksOf(thread);
  const from = process.cpuUsage();
  while (process.cpuUsage(from).user < 200_000);
  expect(had()).toBeGreaterThanOrEqual(200);
  thread.begins();
  expect(had()).toBeLessThan(100);
});
