import { demoHouse, demoRecipe } from '../../../../demo/demo';
import { planFor } from '../../plan/plan';
import { advance } from '../../pot/advance';
import { emptyPot } from '../../pot/pot';
import type { Step } from '../../pot/step';
import { amended } from '../amended';
import { hasWine, WINE_TO, wineDownTo } from './wine';

const { kitchen, vessels, burners } = demoHouse();
const bisque = demoRecipe('crab-shell-bisque');
const planned = (wineTo?: number) => {
  const order = { litres: 8, target: 150, wineTo };
  return planFor(amended(bisque, order), order, { ...bisque.home, kitchen });
};

test('each wine is poured by itself and boiled down to the share of it asked for, whatever lies in the pot', () => {
  for (const to of WINE_TO.filter((w) => w < 1)) {
    const { ran } = planned(to).solved.run;
    const n = ran.findIndex((r) => r.step.kind === 'reduce');
    const down = ran[n]!;
    const poured = ran.slice(0, n).findLast((r) => r.pan === down.pan)!;
    const wine = poured.pot.lastPoured;
    // 60 mL of brandy and 200 of wine for 6 L.
    expect(wine / ((260 / 6) * 8)).toBeCloseTo(0.97, 1);
    expect((down.pot.evaporated - down.before.evaporated) / wine).toBeCloseTo(1 - to, 2);
  }
});

test('further down leaves less alcohol, and what the recipe did to boil it down goes', () => {
  const left = [1, 0.5, 0.2].map((to) => planned(to).found.alcoholPercent);
  expect(left[0]!).toBeGreaterThan(left[1]! + 0.01);
  expect(left[1]!).toBeGreaterThan(left[2]!);
  expect(amended(bisque, { wineTo: 1 }).steps.some((s) => s.kind === 'reduce')).toBe(false);
  expect(amended(bisque, { wineTo: 0.33 }).steps.filter((s) => s.kind === 'reduce')).toHaveLength(1);
  expect(planned(0.2).found.volumeMl / 8000).toBeCloseTo(1, 2);
});

test('a soup without wine has none to boil down', () => {
  expect(hasWine(bisque)).toBe(true);
  const plain = demoRecipe('smoked-parsnip-veloute');
  expect(hasWine(plain)).toBe(false);
  expect(wineDownTo(plain.steps, 0.5)).toEqual(plain.steps);
});

test('what was poured boils down alike looked at in one go and part way', () => {
  const step: Step = { kind: 'reduce', flame: 1, to: { ofLast: 0.3 } };
  const pot = advance(
    emptyPot(vessels[1]!, burners[0]!),
    {
      kind: 'add',
      items: [
        { ingredient: 'onion', amount: 900 },
        { ingredient: 'white-wine', amount: 600 },
      ],
    },
    kitchen,
  ).pot;
  const whole = advance(pot, step, kitchen).pot;
  const part = advance(pot, step, kitchen, pot.seconds + (whole.seconds - pot.seconds) / 2);
  expect(part.left).not.toBeNull();
  const rest = advance(part.pot, part.left!, kitchen).pot;
  expect(rest.evaporated / whole.evaporated).toBeCloseTo(1, 3);
  expect(whole.evaporated - pot.evaporated).toBeCloseTo(600 * 0.7, -1);
});
