import { demoHouse, demoRecipe } from '../../../../demo/demo';
import { stockedOn } from '../../compare/beside/stocked';
import { stockPlanFor } from '../../compare/beside/stockPlan';
import { rescuedFrom } from '../../compare/rescued';
import { ingredient } from '../../food/catalogue';
import { planFor } from '../../plan/plan';
import type { Plan } from '../../plan/types';
import { portionsIn } from '../../pot/contents/portions';
import { Recipe } from '../../recipe/recipe';
import type { RecipePortion } from '../../recipe/recipeStep';
import { amended } from '../amended';
import type { Amendment } from '../order';
import { coversTimes, MAKINGS, makingIn, makingOf, stockRecipe, stockRecipeId, strengthOf } from './makings';
import { baseOf, onStock, STOCKS, stockOf } from './stocks';

const house = demoHouse();
const { kitchen } = house;
const SOUPS = [
  'cockle-and-leek-chowder',
  'crab-shell-bisque',
  'haddock-and-sweetcorn-chowder',
  'jacket-potato-soup',
  'smoked-parsnip-veloute',
] as const;

const planned = (id: string, change: Amendment = {}, litres = 8): Plan => {
  const recipe = demoRecipe(id);
  const order = { litres, target: 150, ...change };
  return planFor(amended(recipe, order), order, { ...recipe.home, kitchen });
};
const gramsOf = (plan: Plan, id: string): number =>
  plan.weighOut.filter((l) => l.ingredient === id).reduce((sum, l) => sum + l.g, 0);

describe.each(SOUPS)('%s', (id) => {
  const recipe = demoRecipe(id);
  test.each(STOCKS.map((s) => s.id))(
    'on %s: it lands where it was aimed, and only the stock is another',
    (stock) => {
      const plan = planned(id, { stock });
      expect(plan.solved.missed).toEqual([]);
      expect(plan.found.volumeMl / 8000).toBeCloseTo(1, 1);
      expect(Math.abs(plan.found.bowlViscosity / 150 - 1)).toBeLessThan(0.05);
      expect(gramsOf(plan, stock)).toBeGreaterThan(0);
      const own = baseOf(recipe)?.portion.ingredient ?? '';
      if (own !== stock) expect(gramsOf(plan, own)).toBe(0);
      const others = (steps: Recipe['steps'] | ReturnType<typeof onStock>) =>
        steps
          .flatMap((s) => portionsIn<RecipePortion>(s).map((p) => p.ingredient))
          .filter((i) => i !== own && i !== stock && i !== 'water');
      expect(others(onStock(recipe, { stock }))).toEqual(others(recipe.steps));
    },
  );
});

test('a paste is stirred into water by its label, and its salt is in the pot', () => {
  const plan = planned('smoked-parsnip-veloute', { stock: 'stock-concentrate' });
  const water = plan.weighOut.filter((l) => l.ingredient === 'water').reduce((sum, l) => sum + l.g, 0);
  expect(gramsOf(plan, 'stock-concentrate') / (water / 1000)).toBeCloseTo(25, 0);
  const written = {
    ...demoRecipe('smoked-parsnip-veloute'),
    steps: onStock(demoRecipe('smoked-parsnip-veloute'), { stock: 'bouillon-powder' }),
  };
  expect(
    written.steps.flatMap((s) => portionsIn<RecipePortion>(s)).map((p) => [p.ingredient, p.amount.kind]),
  ).toContainEqual(['bouillon-powder', 'by rule']);
  const salt = (p: Plan) => gramsOf(p, 'salt');
  expect(salt(planned('smoked-parsnip-veloute', { stock: 'water' }))).toBeGreaterThan(salt(plan) + 10);
});

test('where there is not enough, what there is goes in and the rest is made up', () => {
  const change = { stock: 'fish-stock', stockMl: 200, topUp: 'vegetable-stock-bought' } as const;
  const plan = planned('haddock-and-sweetcorn-chowder', change);
  const { density } = ingredient('fish-stock');
  expect(gramsOf(plan, 'fish-stock')).toBeCloseTo(200 * 8 * Number(density), -2);
  expect(gramsOf(plan, 'vegetable-stock-bought')).toBeGreaterThan(100);
  expect(plan.found.volumeMl / 8000).toBeCloseTo(1, 2);
  const enough = planned('haddock-and-sweetcorn-chowder', { stock: 'fish-stock', stockMl: 1400 });
  expect(gramsOf(enough, 'water')).toBe(0);
});

test('hot from the sieve it saves the heating, out of the fridge it does not', () => {
  const seconds = (made: 'now' | 'before') =>
    planned('crab-shell-bisque', { stock: 'shell-stock', made }).seconds;
  expect(seconds('before') - seconds('now')).toBeGreaterThan(120);
});

test('an unknown stock, and a recipe that stands on none, stay as they are', () => {
  const recipe = demoRecipe('crab-shell-bisque');
  expect(onStock(recipe, { stock: 'dishwater' })).toBe(recipe.steps);
  expect(stockOf('dishwater')).toBeUndefined();
  const dry = { ...recipe, steps: recipe.steps.slice(0, 2) };
  expect(baseOf(dry)).toBeNull();
  expect(onStock(dry, { stock: 'water' })).toBe(dry.steps);
});

describe.each(MAKINGS.map((m) => [m.id, m] as const))('%s made here', (id, m) => {
  test('as strong as the catalogue has it: solids, protein and salt within a tenth', () => {
    const { composition, sodium } = ingredient(id);
    const is = strengthOf(m);
    // Its fat is skimmed off; of bones that is a fifth of a per cent.
    const solids = (composition.protein + composition.sugars + composition.ash) * 100;
    expect(is.solids / solids).toBeGreaterThan(0.9);
    expect(is.solids / solids).toBeLessThan(1.1);
    expect(is.protein / (composition.protein * 100)).toBeCloseTo(1, 1);
    expect(is.salt / ((sodium * 2.54) / 1000)).toBeCloseTo(1, 1);
  });

  test('longer and with more of it comes out stronger, never beyond all there is', () => {
    const [least, most] = m.between;
    expect(strengthOf(m, least).solids).toBeLessThan(strengthOf(m).solids);
    expect(strengthOf(m, most).solids).toBeGreaterThan(strengthOf(m).solids);
    expect(strengthOf(m, m.minutes, 2).solids).toBeCloseTo(2 * strengthOf(m).solids, 9);
    const perLitre = m.of[0]?.[1] ?? 0;
    const all = (perLitre * (m.gives.protein + m.gives.sugars + m.gives.ash)) / 10_000;
    expect(strengthOf(m, 1e5).solids).toBeCloseTo(all, 6);
    expect(strengthOf(m, 0).solids).toBe(0);
  });

  test.each(['now', 'before'] as const)('%s: a recipe that strains to the litres asked for', (made) => {
    const [vessel, burner] = [house.vessels[2]!, house.burners[3]!];
    const recipe = Recipe.parse(stockRecipe(m, made, { vessel, burner }));
    expect(recipe.id).toBe(stockRecipeId(m, made));
    expect(makingIn(recipe.id)).toEqual({ making: m, made });
    const plan = planFor(recipe, { litres: 5, target: 12 }, { vessel, burner, kitchen });
    expect(plan.found.volumeMl / 5000).toBeCloseTo(1, 2);
    for (const [of, perLitre] of m.of) expect(gramsOf(plan, of)).toBeCloseTo(5 * perLitre, -1);
    // What is strained off is out of the pot.
    expect(plan.solved.run.pot.pieces).toEqual([]);
    const marked = plan.warnings.some((w) => w.id === 'care date mark' || w.id === 'date mark');
    expect(marked).toBe(made === 'before');
    expect(plan.found.celsius < 10).toBe(made === 'before');
    // Nobody eats a shell: no core of it is probed.
    expect(plan.warnings.some((w) => w.id.includes('seafood'))).toBe(false);
  });
});

test('what sets when it is cold is bones’: more than half of their protein, none of shells and vegetables', () => {
  const part = (id: string) => {
    const { gelatine, protein } = strengthOf(makingOf(id)!);
    return gelatine / protein;
  };
  expect(part('chicken-stock')).toBeCloseTo(0.7, 6);
  expect(part('fish-stock')).toBeCloseTo(0.6, 6);
  expect(part('shell-stock') + part('vegetable-stock')).toBe(0);
});

test('a recipe of another id makes no stock', () => {
  expect(makingIn('crab-shell-bisque')).toBeNull();
  expect(makingOf('water')).toBeUndefined();
});

test('a stock has its own pot and burner, its litres are what the soup takes, and it is wanted when that goes in', () => {
  const soup = planned('crab-shell-bisque', { stock: 'shell-stock', made: 'now' });
  const stock = stockPlanFor(soup, { stock: 'shell-stock', made: 'now' }, house);
  expect(stock).not.toBeNull();
  if (!stock) return;
  expect(stock.plan.setup.vessel.id).not.toBe(soup.setup.vessel.id);
  expect(stock.plan.setup.burner.id).not.toBe(soup.setup.burner.id);
  const line = soup.weighOut.find((l) => l.ingredient === 'shell-stock');
  expect(stock.order.litres * 1000).toBeGreaterThanOrEqual(line?.ml ?? 0);
  expect(stock.order.litres * 1000 - (line?.ml ?? 0)).toBeLessThan(101);
  const step = soup.steps[line?.step ?? 0];
  expect(stock.wantedAt).toBe(step?.startsAt);
  expect(stock.plan.peakMl).toBeLessThan(stock.plan.fillLimitMl);
  expect(stock.covers).toBeGreaterThan(1);
  const chosen = stockPlanFor(
    soup,
    { stock: 'shell-stock', made: 'before', stockPotId: 'deep-42', stockBurnerId: 'back-plate' },
    house,
  );
  expect([chosen?.plan.setup.vessel.id, chosen?.plan.setup.burner.id]).toEqual(['deep-42', 'back-plate']);
  expect(chosen?.wantedAt).toBe(0);
  expect(stockPlanFor(soup, { stock: 'shell-stock' }, house)).toBeNull();
  expect(stockPlanFor(soup, { stock: 'ham-stock', made: 'now' }, house)).toBeNull();
});

test('each stock beside the others: salt it brings, its packs, and what it breaks or makes too salty', () => {
  const recipe = demoRecipe('crab-shell-bisque');
  const order = { litres: 8, target: 150, diet: ['no shellfish' as const] };
  const setup = { ...recipe.home, kitchen: { ...kitchen, products: { ...kitchen.products } } };
  setup.kitchen.products['fish-stock-bought'] = {
    ingredient: 'fish-stock-bought',
    packG: 1000,
    pricePerKg: 3,
  };
  const as = planFor(amended(recipe, order), order, setup);
  const one = (id: string) => stockedOn(stockOf(id)!, recipe, order, as);
  expect(one('shell-stock')).toBeNull();
  const free = { litres: 8, target: 150 };
  const asWritten = planFor(recipe, free, setup);
  const beside = (id: string) => stockedOn(stockOf(id)!, recipe, free, asWritten);
  const bought = beside('fish-stock-bought');
  expect(bought?.packs?.count).toBe(Math.ceil((bought?.g ?? 0) / 1000 - 0.01));
  expect(bought?.cost).toBeCloseTo(((bought?.g ?? 0) / 1000) * 3, 6);
  expect(beside('ham-stock')?.fit.grade).toBe('does not fit');
  expect(beside('ham-stock')?.saltPercent).toBeGreaterThan(1);
  expect(beside('ham-stock')?.ownSaltPercent).toBeCloseTo((620 * 2.54) / 1000, 6);
  expect(beside('stock-concentrate')?.ownSaltPercent).toBeCloseTo((8500 * 2.54 * 25) / 1e6, 6);
  expect(beside('vegetable-stock')?.fit.grade).toBe('fits');
});

test('what would be thrown away is said in grams and litres: cobs, trimmings, and nothing of what is bought clean', () => {
  const lines = planned('haddock-and-sweetcorn-chowder', {}, 12).weighOut;
  const corn = lines.filter((l) => l.ingredient === 'sweetcorn');
  const waste = corn.reduce((sum, l) => sum + l.asPurchased - l.g, 0);
  const cobs = rescuedFrom(lines).find((r) => r.ingredient === 'corn-cobs');
  expect(cobs?.g).toBeCloseTo(waste * 0.8, -1);
  expect(cobs?.litres).toBeCloseTo((cobs?.g ?? 0) / 400, 1);
  expect(cobs?.juiceMl).toBeGreaterThan(0);
  expect(rescuedFrom([])).toEqual([]);
  expect(rescuedFrom(corn.map((l) => ({ ...l, g: 20, asPurchased: 60 })))).toEqual([]);
  const trimmed = rescuedFrom(planned('cockle-and-leek-chowder', {}, 20).weighOut);
  expect(trimmed.find((r) => r.ingredient === 'vegetable-trimmings')?.making.id).toBe('vegetable-stock');
});

test('covered twice over: cobs as they lie in a pot', () => {
  const cob = makingOf('cob-stock')!;
  // Common practice, no source: bare cobs are covered by about a hand, near twice their height.
  expect(coversTimes(cob, 6, 7060)).toBeGreaterThan(1.5);
  expect(coversTimes(cob, 6, 7060)).toBeLessThan(2.2);
});
