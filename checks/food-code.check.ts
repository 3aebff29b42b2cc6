import { type Cooling, cooled, METHOD_CELSIUS, PAN_FILL, thickSoup } from '../src/core/heat/cool/body';
import { secondsTo } from '../src/core/heat/cool/course';
import { LIMITS } from '../src/core/safety/cautions';
import { loosened, RULES, rulesOf } from '../src/core/safety/rules';

const HOUR = 3600;

/** Figures of each set of rules, °C, s and days, all from memory; the section each stands in is named with it. */
test.each([
  // FDA Food Code 2022, 3-501.16, 3-501.14, 3-403.11, 3-501.17.
  ['fda', 57, 5, [57, [21, 2 * HOUR], [5, 6 * HOUR]], [74, 15], 7],
  // Food Safety and Hygiene (England) Regulations 2013, schedule 4, and those of Wales and Northern Ireland;
  // cooling, reheating and days by guidance.
  ['uk', 63, 8, [63, [8, 1.5 * HOUR]], [70, 120], 3],
  // Food Retail and Food Services Code (Canada), 3.3.
  ['canada', 60, 4, [60, [20, 2 * HOUR], [4, 6 * HOUR]], [74, 15], 4],
  // Standard 3.2.2 (Australia and New Zealand), clauses 7 and 8.
  ['anz', 60, 5, [60, [21, 2 * HOUR], [5, 6 * HOUR]], [60, 15], 5],
  // Regulation 852/2004 names no figure: these are common practice, no source.
  ['eu', 63, 5, [63, [10, 2 * HOUR], [5, 6 * HOUR]], [70, 120], 3],
] as const)('%s', (id, hot, cold, [from, ...stages], [reheat, held], days) => {
  const rule = RULES[id];
  expect([rule.hot.atLeast, rule.cold.atMost]).toEqual([hot, cold]);
  expect([rule.cooling.from, ...rule.cooling.stages.map((s) => [s.to, s.seconds])]).toEqual([
    from,
    ...stages,
  ]);
  expect([rule.reheat.to, rule.reheat.forSeconds]).toEqual([reheat, held]);
  expect(rule.keep.days).toBe(days);
  // Two hours to be hot again by: 3-403.11(D) and its like elsewhere.
  expect(rule.reheat.withinSeconds).toBe(2 * HOUR);
  // Only the English law lets it stand under the rule for a while: schedule 4, paragraph 5 of it, two hours.
  expect(rule.hot.graceSeconds).toBe(id === 'uk' ? 2 * HOUR : 0);
  // What is frozen: common practice, no source.
  expect(rule.frozen.atMost).toBe(-18);
  // The edition each figure is of.
  expect(rule.of).toBe({ fda: 2022, uk: 2013, canada: 2020, anz: 2016, eu: 2004 }[id]);
  for (const part of [rule.hot, rule.cold, rule.frozen, rule.cooling, rule.reheat, rule.keep])
    expect(part.source.text.length).toBeGreaterThan(5);
});

test('fish and shellfish: 63 °C for 15 s, FDA Food Code 2022, 3-401.11, from memory', () => {
  expect(LIMITS.fish).toEqual({ centre: 63, forSeconds: 15, section: '3-401.11' });
});

test('a rule can be tightened and never loosened', () => {
  expect(loosened('fda', { hot: 60, cold: 4, cooling: 0.8, reheat: 80, days: 5 })).toEqual([]);
  expect(loosened('fda', { hot: 55, cold: 7, cooling: 1.2, reheat: 70, days: 8 })).toEqual([
    'hot',
    'cold',
    'cooling',
    'reheat',
    'days',
  ]);
  const strict = rulesOf('fda', { hot: 63, cold: 3, cooling: 0.5, days: 5 });
  expect(strict.hot.atLeast).toBe(63);
  expect(strict.cooling.stages).toEqual([
    { to: 21, seconds: HOUR },
    { to: 3, seconds: 3 * HOUR },
  ]);
  expect(strict.keep.days).toBe(5);
  // What would loosen is not followed, whoever wrote it into a file.
  expect(rulesOf('fda', { hot: 50, days: 30 })).toEqual(RULES.fda);
});

const cooling = {
  from: RULES.fda.cooling.from,
  through: 21,
  to: 5,
  firstSeconds: 2 * HOUR,
  allSeconds: 6 * HOUR,
};

/** Common practice, no source: shallow pans in a blast chiller or an ice bath make it, a deep pot in a cold room does not. */
test.each([
  ['blast', 50, true],
  ['ice bath', 150, true],
  ['cold room', 200, false],
] as const)('%s, %d mm deep', (method, depthMm, inTime) => {
  const pan = { lengthMm: 510, widthMm: 305, depthMm: depthMm / PAN_FILL };
  const c: Cooling = {
    soup: thickSoup((510 * 305 * depthMm) / 1000),
    holder: { kind: 'pans', pan, count: 1 },
    place: { kind: method, celsius: METHOD_CELSIUS[method] },
    lid: false,
    ...(method === 'ice bath' && { stirEvery: 10 }),
  };
  const points = cooled(c, cooling.from, 24 * HOUR);
  const first = secondsTo(points, cooling.through);
  const all = secondsTo(points, cooling.to);
  expect(first <= cooling.firstSeconds && all <= cooling.allSeconds).toBe(inTime);
});
