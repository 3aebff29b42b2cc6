import { cautionsFor, jugFills } from './cautions';
import { RULES, type RuleSet } from './rules';

const ids = (deed: Parameters<typeof cautionsFor>[0]) => cautionsFor(deed).map((c) => c.id);

test('cautions stand where they apply and nowhere else', () => {
  expect(ids({ kind: 'add', ingredients: ['water'], celsius: 20 })).toEqual([]);
  expect(ids({ kind: 'puree', ingredients: [], celsius: 90, blendedMl: 4000, jug: true })).toEqual([
    'hot blending',
  ]);
  expect(ids({ kind: 'puree', ingredients: [], celsius: 30, blendedMl: 4000, jug: true })).toEqual([]);
  expect(ids({ kind: 'temper', ingredients: ['egg-yolk', 'heavy-cream'], celsius: 80 })).toEqual([
    'yolk',
    'allergens',
  ]);
  expect(ids({ kind: 'temper', ingredients: ['egg-yolk-pasteurised'], celsius: 80 })).toEqual(['allergens']);
  expect(ids({ kind: 'poach', ingredients: ['cod'], celsius: 80 })).toEqual(['seafood', 'allergens']);
  expect(ids({ kind: 'sweat', ingredients: ['foraged-mushroom'], celsius: 20 })).toEqual(['foraged']);
  expect(ids({ kind: 'render', ingredients: ['streaky-bacon'], celsius: 20, fatPouredOff: 60 })).toEqual([
    'hot fat',
  ]);
  for (const [kind, id] of [
    ['hold', 'hot hold'],
    ['chill', 'cooling'],
    ['reheat', 'reheating'],
  ] as const) {
    expect(ids({ kind, ingredients: [], celsius: 60 })).toEqual([id]);
  }
});

test('what is lifted out half cooked and perishes is kept cold or hot while it waits, by the rules of the house', () => {
  const waits = (kept: 'left' | 'warm' | 'cold', ingredients: readonly string[]) =>
    cautionsFor({ kind: 'pour', ingredients, celsius: 20, waits: kept }).map((c) =>
      c.kind === 'waits' ? [c.kept, c.cold, c.hot, c.rule.slice(-8)] : [c.kind],
    );
  expect(waits('cold', ['crab-meat'])).toEqual([['cold', 5, 57, '3-401.14']]);
  expect(waits('warm', ['heavy-cream'])).toEqual([['warm', 5, 57, '3-501.16']]);
  expect(waits('left', ['lobster-meat', 'carrot'])).toEqual([['left', 5, 57, '3-501.16']]);
  expect(waits('left', ['carrot', 'onion'])).toEqual([]);
});

const only = (deed: Parameters<typeof cautionsFor>[0], rules: RuleSet = RULES.fda) => {
  const [caution, ...more] = cautionsFor(deed, undefined, [], rules);
  expect(more).toEqual([]);
  return caution;
};

test.each([
  // 3-501.17: seven days, at 5 °C or under; the last of each is still within it.
  [7, 5, { kind: 'kept', broken: undefined }],
  [8, 5, { kind: 'kept', broken: true }],
  [1, 5.1, { kind: 'kept', broken: true }],
  [8, 7, { kind: 'kept', broken: true }],
  // Frozen, the days stand still: common practice, no source.
  [60, -12, { kind: 'frozen', days: 7 }],
  [60, -11.9, { kind: 'kept', broken: true }],
  [60, -12.5, { kind: 'frozen', days: 7 }],
])('put by for %d days at %d °C: %j', (days, celsius, is) => {
  expect(only({ kind: 'add', ingredients: [], celsius: 20, kept: { days, celsius } })).toMatchObject(
    Object.fromEntries(Object.entries(is).filter(([, v]) => v !== undefined)),
  );
  const { broken } = only({ kind: 'add', ingredients: [], celsius: 20, kept: { days, celsius } }) ?? {};
  expect(broken).toBe('broken' in is ? is.broken : undefined);
});

test('what fat comes off the pan at, and how long the tags of shellfish are kept, are said', () => {
  // Common practice, no source; Food Code 3-203.12, from memory.
  expect(only({ kind: 'render', ingredients: [], celsius: 20, fatPouredOff: 1 })).toMatchObject({
    celsius: 120,
  });
  expect(
    cautionsFor({ kind: 'poach', ingredients: ['cod'], celsius: 80 }).find((c) => c.id === 'seafood'),
  ).toMatchObject({ centre: 63, seconds: 15, tagDays: 90 });
});

test('over 50 °C it is blended as what is hot is; at 50 not yet', () => {
  const blended = (celsius: number) =>
    ids({ kind: 'puree', ingredients: [], celsius, blendedMl: 900, jug: true });
  expect([blended(50), blended(50.1)]).toEqual([[], ['hot blending']]);
});

test('a rule that names no stage of cooling cautions of none', () => {
  const none = { ...RULES.fda, cooling: { ...RULES.fda.cooling, stages: [] } };
  expect(only({ kind: 'chill', ingredients: [], celsius: 60 }, none)).toBeUndefined();
  expect(only({ kind: 'chill', ingredients: [], celsius: 60 })).toMatchObject({
    from: 57,
    through: 21,
    to: 5,
    firstSeconds: 7200,
    allSeconds: 21600,
  });
});

test('every caution names its rule', () => {
  for (const c of cautionsFor({
    kind: 'chill',
    ingredients: ['cod', 'egg-yolk', 'foraged-mushroom'],
    celsius: 70,
    blendedMl: 500,
  })) {
    expect(c.rule).toMatch(/Food Code 2022.*local code decides|common practice|allergens/);
  }
});

test('a two-litre jug takes a third at a time', () => {
  expect(jugFills(600)).toBe(1);
  expect(jugFills(700)).toBe(2);
  expect(jugFills(4000)).toBe(6);
});
