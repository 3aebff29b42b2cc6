import { demoHouse, demoRecipe } from '../../../../demo/demo';
import { ingredient } from '../../food/catalogue';
import { GARNISHES } from '../../order/changes/garnishes';
import { inEnglish } from '../../text/inWords';
import { planFor } from '../plan';
import { garnishOf } from './garnish';
import { garnishHow } from './garnishWords';

const { kitchen } = demoHouse();
const bisque = demoRecipe('crab-shell-bisque');
const planned = (litres = 9, diet?: ['no milk']) =>
  planFor(bisque, { litres, target: 150, ...(diet && { diet }) }, { ...bisque.home, kitchen });
const all = GARNISHES.map((g) => g.id);
const one = (id: string, ladle = 300, plan = planned()) => garnishOf(plan, [id], ladle)[0]!;

test('so much a portion, for as many portions as there are ladles, raw and untrimmed', () => {
  const bacon = one('streaky-bacon');
  expect(bacon.portions).toBe(30);
  expect(bacon.each).toBe(8);
  expect(bacon.g).toBe(240);
  expect(bacon.raw).toBe(600);
  // What does not fill a ladle is no portion.
  expect(one('chives', 300, planned(8.9)).portions).toBe(29);
  const half = one('streaky-bacon', 150);
  expect([half.portions, half.each]).toEqual([60, 4]);
  const shrimp = one('large-shrimp');
  expect(shrimp.asPurchased / shrimp.raw).toBeCloseTo(1 / ingredient('large-shrimp').edibleYield, 1);
});

test('a cold garnish cools its bowl by what it holds: the balance of heats', () => {
  const cheese = one('mature-cheddar');
  // 312 g of soup at 3.9 J/(g·K) and 12 g of cheese at 2.7, from memory; a tenth is allowed the soup's own.
  const soup = 300 * 1.02 * 3.9;
  const drop = (12 * 2.7 * (cheese.from - 5)) / (soup + 12 * 2.7);
  expect((cheese.from - cheese.celsius) / drop).toBeGreaterThan(0.85);
  expect((cheese.from - cheese.celsius) / drop).toBeLessThan(1.15);
  for (const l of garnishOf(planned(), all)) {
    expect(l.celsius).toBeLessThanOrEqual(l.from);
    expect(l.celsius).toBeGreaterThan(l.from - 12);
  }
});

test('raw shellfish stirred in off the heat is done by what the pot holds, or is said never to be', () => {
  const shrimp = one('large-shrimp');
  expect(shrimp.done?.centre).toBe(63);
  expect(shrimp.done?.minutes).toBeGreaterThan(1);
  expect(shrimp.done?.minutes).toBeLessThan(12);
  expect(inEnglish(garnishHow(shrimp))).toMatch(/its centre is at 63 °C after \d+ min/);
  // A pot that is let cool before it does not cook them.
  const plan = planned();
  const { run } = plan.solved;
  const cold = { ...plan, solved: { ...plan.solved, run: { ...run, pot: { ...run.pot, celsius: 60 } } } };
  const never = one('large-shrimp', 300, cold);
  expect(never.done?.minutes).toBeNull();
  expect(inEnglish(garnishHow(never))).toMatch(/poach it at the flame/);
  expect(one('cockle-meat').done).toBeNull();
});

test('crisp things are not put in the pot', () => {
  for (const g of GARNISHES.filter((x) => x.goes === 'crisp'))
    expect(inEnglish(garnishHow(one(g.id)))).toMatch(/kept dry and warm till then/);
  expect(GARNISHES.find((g) => g.id === 'croutons')?.goes).toBe('crisp');
});

test('its salt, its allergens, and the diet it breaks', () => {
  const cheese = one('mature-cheddar', 300, planned(9, ['no milk']));
  expect(cheese.breaks).toEqual(['no milk']);
  expect(cheese.allergens).toContain('milk');
  const salt = (ingredient('mature-cheddar').sodium / 100_000) * 12 * 2.54;
  expect(cheese.saltPercent / ((salt * 100) / (300 * 1.02 + 12))).toBeCloseTo(1, 1);
  expect(one('chives', 300, planned(9, ['no milk'])).breaks).toEqual([]);
  expect(garnishOf(planned(), ['stardust'])).toEqual([]);
  // Less soup than a ladle is one portion still.
  expect(garnishOf(planned(0.2), ['chives'], 2000)[0]?.portions).toBe(1);
});
