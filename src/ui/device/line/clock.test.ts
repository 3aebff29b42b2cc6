import { measuredIn, type Offset } from './clock';

/** An exchange with a server whose clock this device is `ahead` of, `there` and `back` ms under way. */
const exchange = (at: number, ahead: number, there: number, back: number) => ({
  sent: at,
  got: at + there + back,
  server: at + there - ahead,
});

test('twenty minutes fast is measured to half the exchange', () => {
  const found = measuredIn(null, exchange(1e12, 1_200_000, 40, 60));
  expect(Math.abs((found?.ms ?? 0) - 1_200_000)).toBeLessThanOrEqual(50);
  expect(found?.error).toBe(50);
});

const known: Offset = { ms: 5000, error: 20, at: 1e12 };

test('the surer measurement stays; a less sure one within its doubt changes nothing', () => {
  expect(measuredIn(known, exchange(1e12 + 1000, 5100, 400, 400))).toBe(known);
  expect(measuredIn(known, exchange(1e12 + 1000, 5010, 5, 5))).toMatchObject({ ms: 5010, error: 5 });
});

test('a clock set in between is followed at once, and what is old gives way', () => {
  expect(measuredIn(known, exchange(1e12 + 1000, -60_000, 400, 400))).toMatchObject({ ms: -60_000 });
  expect(measuredIn(known, exchange(1e12 + 61_000, 5300, 400, 400))).toMatchObject({ ms: 5300, error: 400 });
  // Set back: the time of the last measurement is still to come.
  expect(measuredIn(known, exchange(1e12 - 9000, 5300, 400, 400))).toMatchObject({ ms: 5300 });
});

test.each([
  { sent: 10, got: 5, server: 0 },
  { sent: 0, got: 90_000, server: 0 },
  { sent: 0, got: 10, server: Number.NaN },
])('an exchange that says nothing changes nothing: %j', (nonsense) => {
  expect(measuredIn(known, nonsense)).toBe(known);
});
