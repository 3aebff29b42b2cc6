import { type Cooling, coolingTime } from '../src/core/heat/cooling';
import { LIMITS } from '../src/core/safety/cautions';

/** FDA Food Code 2022, from memory: sections and limits in °C and seconds. */
test('limits', () => {
  expect(LIMITS.cooling).toEqual({
    from: 57,
    through: 21,
    firstSeconds: 7200,
    to: 5,
    allSeconds: 21_600,
    section: '3-501.14',
  });
  expect(LIMITS.hotHold).toEqual({ atLeast: 57, section: '3-501.16' });
  expect(LIMITS.coldHold.atMost).toBe(5);
  expect(LIMITS.reheat).toEqual({ to: 74, forSeconds: 15, withinSeconds: 7200, section: '3-403.11' });
  expect(LIMITS.dateMark).toEqual({ days: 7, atMost: 5, section: '3-501.17' });
  expect(LIMITS.fish.centre).toBe(63);
});

/** Common practice, no source: shallow pans in a blast chiller or an ice bath make it, a deep pot in a cold room does not. */
test.each([
  ['blast', 50, true],
  ['ice bath', 150, true],
  ['cold room', 200, false],
] as const)('%s, %d mm deep', (method, depthMm, inTime) => {
  const c: Cooling = { method, depthMm, heatPerMl: 3.95, conductivity: 0.56 };
  const first = coolingTime(c, LIMITS.cooling.from, LIMITS.cooling.through);
  const all = coolingTime(c, LIMITS.cooling.from, LIMITS.cooling.to);
  expect(first <= LIMITS.cooling.firstSeconds && all <= LIMITS.cooling.allSeconds).toBe(inTime);
});
