import { readFileSync } from 'node:fs';
import { planFor } from '../src/core/plan/plan';
import { type Setup, simulate } from '../src/core/plan/solve/simulate';
import { observe } from '../src/core/pot/observe';
import type { Recipe } from '../src/core/recipe/recipe';
import { randomOrders } from './randomOrders';

/**
 * What the same orders came to when the model last moved (checks/writePlans.ts): g (or share) of dose, g of liquid and of
 * dairy. Of an aim that cannot be met, the solver stops at a limit.
 */
type Before = readonly [number, number, number];
const BEFORE: readonly Before[] = JSON.parse(readFileSync('checks/plans.json', 'utf8'));

const ORDERS = randomOrders(BEFORE.length, 17);

/** mPa·s, mL and s a pot comes to with such amounts, none of them rounded. */
function comesTo(
  recipe: Recipe,
  [dose = 0, liquid = 0, dairy = 0]: readonly number[],
  scale: number,
  setup: Setup,
) {
  const { pot } = simulate(recipe, { scale, dose, liquid, dairy, rounded: false }, setup);
  const { bowlViscosity, volumeMl } = observe(pot, setup.kitchen);
  return { viscosity: bowlViscosity, ml: volumeMl, seconds: pot.seconds };
}

type End = ReturnType<typeof comesTo>;

/** s a pot's time moves by where a step of it takes one turn more or less: time is not told finer. */
const TURN = 8;

/** The share by which two ends are apart in thickness, volume and time. */
const apart = (a: End, b: End): number =>
  Math.max(
    Math.abs(a.viscosity / b.viscosity - 1),
    Math.abs(a.ml / b.ml - 1),
    Math.max(0, Math.abs(a.seconds - b.seconds) - TURN) / b.seconds,
  );

test('500 random orders come to what they came to before, within a thousandth', () => {
  const off = ORDERS.flatMap(({ recipe, aim, setup }, n) => {
    const { dosing } = planFor(recipe, aim, setup).solved;
    const { scale } = dosing;
    const now = comesTo(recipe, [dosing.dose, dosing.liquid, dosing.dairy], scale, setup);
    const by = apart(now, comesTo(recipe, BEFORE[n] ?? [], scale, setup));
    return by > 0.001 ? [{ n, soup: recipe.id, by }] : [];
  });
  expect(ORDERS.length).toBe(500);
  expect(off).toEqual([]);
}, 120_000);

test('what was asked is met in litres within 0.15 %, in flour within 0.15 (0.4 % of thickness), or it is said what is missed', () => {
  let met = 0;
  for (const { recipe, aim, setup } of ORDERS) {
    const { dosing, missed } = planFor(recipe, aim, setup).solved;
    if (missed.length > 0) continue;
    met++;
    const { scale } = dosing;
    const { pot } = simulate(recipe, { ...dosing, rounded: false }, setup);
    const { bowlViscosity, volumeMl, fatFraction } = observe(pot, setup.kitchen);
    const solves = (goal: string) => JSON.stringify(recipe.steps).includes(`"goal":"${goal}"`);
    // With none at all it may be a hair thicker than asked: within what is told of.
    if (solves('thickness'))
      expect(Math.abs(bowlViscosity / aim.target - 1)).toBeLessThan(dosing.dose === 0 ? 0.01 : 0.004);
    if (solves('volume')) expect(Math.abs(volumeMl / (aim.litres * 1000) - 1)).toBeLessThan(0.0015);
    if (aim.rich && solves('richness'))
      expect(Math.abs((fatFraction * 100) / aim.rich - 1)).toBeLessThan(0.0015);
    expect(scale).toBeGreaterThan(0);
  }
  expect(met).toBeGreaterThan(350);
}, 120_000);

test('begun from the plan of another target, or another amount, the same is found within a thousandth; asked the same again, nothing is cooked', () => {
  let compared = 0;
  for (const { recipe, aim, setup } of ORDERS.slice(0, 60)) {
    const other = compared % 2 ? { target: aim.target * 1.2 } : { litres: aim.litres * 0.8 };
    const near = planFor(recipe, { ...aim, ...other }, setup);
    const plan = planFor(recipe, aim, setup, near);
    const { dosing, missed } = plan.solved;
    // What cannot be met stops at a limit, and yolk may do it in more than one way: neither has one answer to find.
    const single = missed.length + near.solved.missed.length === 0;
    if (!single || recipe.steps.some((s) => s.kind === 'temper')) continue;
    compared++;
    const amounts = (d: typeof dosing) => [d.dose, d.liquid, d.dairy];
    expect(
      apart(
        comesTo(recipe, amounts(dosing), dosing.scale, setup),
        comesTo(recipe, amounts(planFor(recipe, aim, setup).solved.dosing), dosing.scale, setup),
      ),
    ).toBeLessThan(0.001);
    expect(planFor(recipe, { ...aim }, { ...setup }, plan)).toBe(plan);
  }
  expect(compared).toBeGreaterThan(30);
}, 60_000);

test('what is cooked again begins where the amounts differ: the run before is taken over up to there', () => {
  for (const { recipe, aim, setup } of ORDERS.slice(0, 20)) {
    const { dosing } = planFor(recipe, aim, setup).solved;
    const first = simulate(recipe, { ...dosing, rounded: false }, setup);
    const more = { ...dosing, rounded: false, dose: dosing.dose * 1.1 };
    const again = simulate(recipe, more, setup, first);
    expect(again).toEqual(simulate(recipe, more, setup));
    const parts = again.ran.findIndex((r, n) => r !== first.ran[n]);
    for (const [n, r] of again.ran.entries()) expect(r === first.ran[n]).toBe(parts === -1 || n < parts);
  }
});
