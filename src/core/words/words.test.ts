import type { StepState } from '../batch/state';
import { titleIn } from '../batch/titleIn';
import type { Remedy } from '../compare/remedies';
import { remedyWords } from '../compare/remedyWords';
import { DAIRY_KINDS, type SplitReason } from '../dairy/risk';
import type { Warning } from '../plan/types';
import { warningLine, warningWords } from '../plan/warningWords';
import type { Step } from '../pot/step';
import type { Caution } from '../safety/cautions';
import { inEnglish, wordsFor } from '../text/inWords';
import { spoken } from '../text/spoken';
import type { Show } from '../units/shown/show';
import { cautionWords } from './cautions';
import { reasonWords } from './dairy';
import { detailsOf, titleOf } from './steps';

const US: Show = { volume: 'gal', temperature: 'F' };
const inUs = wordsFor(US);
const rule = 'any';

const REASONS: readonly SplitReason[] = [
  ...DAIRY_KINDS.flatMap((of): readonly SplitReason[] => [
    { kind: 'acid', pH: 5.2, of, rich: false, weight: 1 },
    { kind: 'acid', pH: 5.2, of, rich: true, weight: 1 },
    { kind: 'boils', keepUnder: 85, of, weight: 1 },
    { kind: 'hot', over: 82, of, weight: 1 },
  ]),
  { kind: 'bare', weight: 1 },
  { kind: 'salty', weight: 1 },
  { kind: 'cold', weight: 1 },
];

const CAUTIONS: readonly Caution[] = [
  { id: 'a', rule, kind: 'hot jug', fills: 3 },
  { id: 'a', rule, kind: 'hot stick' },
  { id: 'a', rule, kind: 'frozen', days: 7 },
  { id: 'a', rule, kind: 'kept', days: 3, celsius: 4, mostDays: 7, atMost: 5 },
  { id: 'a', rule, kind: 'kept', days: 9, celsius: 4, mostDays: 7, atMost: 5 },
  { id: 'a', rule, kind: 'kept', days: 3, celsius: 8, mostDays: 7, atMost: 5 },
  { id: 'a', rule, kind: 'hot fat', celsius: 120 },
  { id: 'a', rule, kind: 'yolk' },
  { id: 'a', rule, kind: 'seafood', centre: 63, seconds: 15, tagDays: 90 },
  { id: 'a', rule, kind: 'foraged' },
  { id: 'a', rule, kind: 'allergens', flagged: ['egg'], others: ['milk'], of: 'step' },
  { id: 'a', rule, kind: 'hot hold', atLeast: 57 },
  { id: 'a', rule, kind: 'cooling', from: 57, through: 21, to: 5, firstSeconds: 7200, allSeconds: 21_600 },
  { id: 'a', rule, kind: 'reheating', to: 74, seconds: 15, within: 7200 },
];

const at = { id: 'x', severity: 'caution' } as const;
const WARNINGS: readonly Warning[] = [
  { ...at, kind: 'overflow', vessel: 'Tall', peakMl: 40_000, rimMl: 34_000, fillLimitMl: 27_000 },
  { ...at, kind: 'headroom', vessel: 'Tall', peakMl: 30_000, fillLimitMl: 27_000 },
  { ...at, kind: 'shallow', vessel: 'Wide', depthMm: 18 },
  { ...at, kind: 'too thick without' },
  { ...at, kind: 'too thin with all' },
  { ...at, kind: 'no room for liquid' },
  { ...at, kind: 'boils away' },
  { ...at, kind: 'another band', lands: 'Thin', asked: 'Coating' },
  { ...at, kind: 'stalled', step: 2, burner: 'Ring', celsius: 88, wanted: 95 },
  { ...at, kind: 'scrambled', step: 2, reached: 92, limit: 85 },
  { ...at, kind: 'chill', step: 2, to: 4 },
  { ...at, kind: 'hard', step: 2 },
  { ...at, kind: 'slow', burner: 'Ring', minutes: 55 },
  { ...at, kind: 'fat-short', grams: 35 },
  { ...at, kind: 'fat-over', grams: 35 },
  { ...at, kind: 'raw-flour', cooked: 4, needs: 10, minutes: 6 },
  { ...at, kind: 'sweat', step: 0, minutes: 8, celsius: 61, needs: 25 },
  { ...at, kind: 'sweat', step: 0, minutes: 8, celsius: 61, needs: null },
  ...DAIRY_KINDS.flatMap((of) =>
    REASONS.map((r): Warning => ({ ...at, kind: 'dairy', step: 3, of, grade: 'take care', reasons: [r] })),
  ),
  { ...at, kind: 'wet-roux', step: 2 },
  { ...at, kind: 'roux-time', step: 2, colour: 'dark', minutes: 3, least: 15, most: 90 },
  { ...at, kind: 'roux-time', step: 2, colour: 'white', minutes: 60, least: 1, most: 8 },
  { ...at, kind: 'lumps', step: 2, foods: ['Cornstarch'], celsius: 95 },
  { ...at, kind: 'scorch', step: 2, minutes: 9 },
  { ...at, kind: 'tough', foods: ['Large shrimp, peeled', 'Scallop'], minutes: 25, most: 5 },
  { ...at, kind: 'left-in', foods: ['Bay leaf'], blended: null },
  { ...at, kind: 'left-in', foods: ['Bay leaf'], blended: 3 },
  { ...at, kind: 'salty', salt: 1.42, wanted: 0.9, foods: ['Streaky bacon'] },
  { ...at, kind: 'rest', step: 4, atLeast: 57, minutes: 20, rests: 60 },
  { ...at, kind: 'kept-hot', step: 5, celsius: 64, atMost: 5 },
  ...CAUTIONS.map((caution): Warning => ({ ...at, kind: 'care', caution })),
];

test('everything a plan warns of is a sentence, and says what to do', () => {
  for (const w of WARNINGS) {
    const said = warningWords(w);
    const [says, change] = [inEnglish(said.says), inEnglish(said.do)];
    expect(says).toMatch(/^[A-Z\d].*\.$/);
    expect(change).toMatch(/^[A-Z\d].*\.$/);
    expect(inEnglish(warningLine(w))).toBe(`${says} ${change}`);
  }
});

test('in a kitchen of gallons and Fahrenheit nothing is said in litres or Celsius, and the other way round', () => {
  for (const w of WARNINGS) {
    expect(inUs(warningLine(w))).not.toMatch(/\d L\b|°C|litres/);
    expect(inEnglish(warningLine(w))).not.toMatch(/\bgal|\bqt|°F/);
  }
  expect(inUs(warningWords(WARNINGS[0]!).says)).toBe(
    '10.6 gal at its fullest does not go into Tall: it holds 9.0 gal to the rim.',
  );
  expect(spoken(inUs(cautionWords(CAUTIONS[12]!).says))).toBe(
    '135 to 70 °F within 2 h, to 41 °F within 6 h in all.',
  );
  expect(inUs(reasonWords(REASONS.find((r) => r.kind === 'boils')!).do)).toBe(
    'keep it under 185 °F from here',
  );
});

test('one is one: a fill, a day; a flagged allergen is large and first, and a soup contains what a step brings', () => {
  const { says } = cautionWords({ id: 'a', rule, kind: 'hot jug', fills: 1 });
  expect(inEnglish(says)).toMatch(/: 1 fill, a third full\.$/);
  expect(
    inEnglish(
      cautionWords({ id: 'a', rule, kind: 'kept', days: 1, celsius: 4, mostDays: 7, atMost: 5 }).says,
    ),
  ).toMatch(/^Kept 1 day at/);
  const brings = CAUTIONS[10]!;
  expect(inEnglish(cautionWords(brings).says)).toBe('Brings EGG, milk.');
  expect(inEnglish(cautionWords({ ...brings, of: 'soup' } as Caution).says)).toBe('Contains EGG, milk.');
});

test('what is too long or too warm to keep is said so, the warmth first', () => {
  const [, , , fine, long, warm] = CAUTIONS;
  expect(inEnglish(cautionWords(fine!).says)).toBe('Kept 3 days at 4 °C, the day it is made counted.');
  expect(inEnglish(cautionWords(long!).says)).toMatch(/^9 days are too long: 7 at 5 °C/);
  expect(inEnglish(cautionWords(warm!).says)).toMatch(/^At 8 °C it is too warm/);
});

test('remedies on their buttons, in this kitchen’s units', () => {
  const change = {};
  const all: readonly (readonly [Remedy, string, string])[] = [
    [{ change, kind: 'take', vessel: 'Deep', rimMl: 60_000 }, 'Take Deep (60.0 L)', 'Take Deep (15.9 gal)'],
    [{ change, kind: 'use', burner: 'Ring' }, 'Use Ring', 'Use Ring'],
    [{ change, kind: 'make', ml: 18_500 }, 'Make 18.5 L', 'Make 4.9 gal'],
    [{ change, kind: 'aim', target: 153 }, 'Aim for 150 mPa·s', 'Aim for 150 mPa·s'],
    [
      { change, kind: 'hot stock', celsius: 80 },
      'Start from hot stock, 80 °C',
      'Start from hot stock, 176 °F',
    ],
    [{ change, kind: 'dairy', how: 'warm' }, 'Warm the dairy first', 'Warm the dairy first'],
    [
      { change, kind: 'butter', grams: 1200 },
      'Add 1\u00a0200 g butter before the flour',
      'Add 2 lb 10.3 oz butter before the flour',
    ],
    [{ change, kind: 'three to two' }, 'Three flour to two fat', 'Three flour to two fat'],
    [{ change, kind: 'simmer', minutes: 6 }, 'Simmer 6 min more', 'Simmer 6 min more'],
  ];
  for (const [remedy, metric, us] of all)
    expect([remedyWords(remedy), remedyWords(remedy, US)]).toEqual([metric, us]);
});

describe('steps in this kitchen’s units', () => {
  const steps: readonly Step[] = [
    { kind: 'bring-to', to: 85, flame: 0.5, lid: 'off' },
    { kind: 'hold', at: 65, minutes: 60, lid: 'on' },
    { kind: 'chill', to: 4, method: 'ice bath', depthMm: 100 },
    { kind: 'keep', days: 3, at: 4 },
    { kind: 'reheat', to: 75, flame: 0.5, lid: 'on' },
    {
      kind: 'temper',
      items: [{ ingredient: 'egg-yolk', amount: 60 }],
      warmTo: 60,
      to: 80,
      flame: 0.3,
    },
    { kind: 'poach', items: [{ ingredient: 'cod', amount: 400 }], at: 80, lid: 'on' },
    { kind: 'add', items: [{ ingredient: 'chicken-stock', amount: 8000 }] },
  ];
  const lines = (show?: Show) =>
    steps.map((s) => [titleOf(s, undefined, show), ...detailsOf(s, undefined, show)].join(' · '));

  test('metric', () => {
    for (const line of lines()) expect(line).not.toMatch(/°F|gal/);
    expect(lines()[0]).toMatch(/^Bring to 85 °C/);
    expect(lines()[5]).toMatch(/until it is 60 °C, then back; no hotter than 80 °C$/);
    expect(lines()[7]).toMatch(/^Add the chicken stock · 7\.9 L /);
  });

  test('gallons and Fahrenheit', () => {
    for (const line of lines(US)) expect(line).not.toMatch(/°C|\d L\b/);
    expect(lines(US)[0]).toMatch(/^Bring to 185 °F/);
    expect(lines(US)[6]).toMatch(/at 176 °F, lid on, until the centre is 145 °F/);
    expect(lines(US)[7]).toMatch(/^Add the chicken stock · 2\.1 gal /);
    expect(titleOf(steps[0]!, 95, US)).toBe('Let it cool to 185 °F');
  });

  test('a step of a record is said anew from what is done; one that has no more than words keeps them', () => {
    const planned = { title: 'Hold at 65 °C', from: 80 } as StepState['planned'];
    const state = { does: steps[1], planned, title: 'Hold at 65 °C' } as StepState;
    expect(titleIn(state, US)).toBe('Hold at 149 °F');
    expect(titleIn({ ...state, does: null } as StepState, US)).toBe('Hold at 65 °C');
    expect(titleIn({ ...state, does: null, title: 'Taste it' } as StepState, US)).toBe('Taste it');
  });
});
