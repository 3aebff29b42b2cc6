import { demoFile } from '../../../demo/demo';
import { resolve } from '../plan/solve/resolve';
import { advance } from '../pot/advance';
import { volumeMl } from '../pot/contents/contents';
import { STANDARD_KITCHEN as kitchen } from '../pot/kitchen';
import { emptyPot } from '../pot/pot';
import { inEnglish } from '../text/inWords';
import { issueWords } from '../words/issueWords';
import { AmountText } from './amount';
import { Recipe } from './recipe';

const { home } = Recipe.parse(demoFile('crab-shell-bisque'));
const dosing = { scale: 1, dose: 0, liquid: 0, dairy: 0, rounded: false };

test('water to twice the height of shells: the heap stands half as high as what is then in the pot', () => {
  const shells = advance(
    emptyPot(home.vessel, home.burner),
    { kind: 'add', items: [{ ingredient: 'crab-shells', amount: 3500 }] },
    kitchen,
  ).pot;
  const grams = (text: string): number => {
    const amount = AmountText.parse(text);
    const step = resolve({ kind: 'add', items: [{ ingredient: 'water', amount }] }, dosing, shells, kitchen);
    return step.kind === 'add' ? (step.items[0]?.amount ?? 0) : 0;
  };
  // 3.5 kg of shells heap up to ten litres.
  expect((volumeMl(shells) + grams('to twice their height')) / 1000).toBeCloseTo(20, 1);
  expect((volumeMl(shells) + grams('to cover')) / 1000).toBeCloseTo(10, 1);
  expect((volumeMl(shells) + grams('to 1.5 times their height')) / 1000).toBeCloseTo(15, 1);
});

test('diced vegetables fill six tenths of their room', () => {
  const carrots = advance(
    emptyPot(home.vessel, home.burner),
    { kind: 'add', items: [{ ingredient: 'carrot', amount: 3000 }] },
    kitchen,
  ).pot;
  const amount = AmountText.parse('to cover');
  const step = resolve({ kind: 'add', items: [{ ingredient: 'water', amount }] }, dosing, carrots, kitchen);
  const water = step.kind === 'add' ? (step.items[0]?.amount ?? 0) : 0;
  expect(volumeMl(carrots) / (volumeMl(carrots) + water)).toBeCloseTo(0.6, 2);
});

test('only what is poured is poured to a height, from once to five times', () => {
  const problems = (amount: string, step = 2, item = 0) => {
    const file = demoFile('crab-shell-bisque');
    file.steps[step].items[item].amount = amount;
    return Recipe.safeParse(file)
      .error?.issues.map((i) => inEnglish(issueWords(i)))
      .join();
  };
  expect(problems('to twice their height', 0)).toMatch(/cannot be poured to a height/);
  for (const wrong of ['to 0.5 times their height', 'to 6 times their height', 'to thrice'])
    expect(AmountText.safeParse(wrong).success).toBe(false);
});

test.each([
  ['1 onion', { kind: 'counted', n: 1, of: 'piece', size: 'medium' }],
  ['3 ears', { kind: 'counted', n: 3, of: 'ear' }],
  ['2 heads', { kind: 'counted', n: 2, of: 'head' }],
  ['a good pinch', { kind: 'counted', n: 1, of: 'pinch' }],
  ['2', { kind: 'counted', n: 2, of: 'piece', size: 'medium' }],
  ['about 1 kg', { kind: 'fixed', quantity: { value: 1, unit: 'kg' } }],
  ['&frac12; cup', { kind: 'fixed', quantity: { value: 0.5, unit: 'cup' } }],
  ['0,5 L', { kind: 'fixed', quantity: { value: 0.5, unit: 'L' } }],
  ['1 lb 2 oz', { kind: 'fixed', quantity: { value: 18, unit: 'oz' } }],
  ['5 cl', { kind: 'fixed', quantity: { value: 50, unit: 'mL' } }],
])('“%s” is an amount, as a cook would type it', (text, amount) => {
  expect(AmountText.parse(text)).toMatchObject(amount);
});

test.each([
  ['2–3 tbsp', 2.5],
  ['2 or 3 tbsp', 2.5],
  ['between 1 and 3 tbsp', 2],
])('“%s” is its middle, and how far it may be off is kept', (text, value) => {
  expect(AmountText.parse(text)).toMatchObject({ kind: 'fixed', quantity: { value, unit: 'tbsp' } });
  expect(AmountText.parse(text)).toHaveProperty('off', expect.any(Number));
});

test('nothing typed is asked for; what is no amount is named', () => {
  const says = (text: string) => inEnglish(issueWords(AmountText.safeParse(text).error!.issues[0]!));
  expect(says(' ')).toBe('write how much, e.g. 250 g');
  expect(says('some of it')).toMatch(/“some of it” is not an amount/);
  expect(says('2 blorps')).toMatch(/blorps/);
});
