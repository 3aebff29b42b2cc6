import { demoFile, demoIds, demoRecipe } from '../../../../demo/demo';
import { planFor } from '../../plan/plan';
import { STANDARD_KITCHEN as kitchen } from '../../pot/kitchen';
import { Recipe, type RecipeText } from '../../recipe/recipe';
import { amended, cannotBe } from '../amended';
import { freed } from './freed';

const { home } = demoRecipe('crab-shell-bisque');
const soup = (steps: RecipeText['steps']): Recipe =>
  Recipe.parse({
    format: 'panache.recipe/1',
    id: 'own',
    name: 'Own',
    school: 'Dusted flour',
    yieldLitres: 2,
    band: 'Coating',
    home,
    steps,
  });

const flourSoup = (flour = '5 tbsp') =>
  soup([
    {
      kind: 'sweat',
      items: [
        { ingredient: 'onion', amount: '1 onion' },
        { ingredient: 'butter', amount: '60 g' },
      ],
      minutes: 8,
      to: 'translucent',
    },
    { kind: 'dust', flour: { ingredient: 'plain-flour', amount: flour }, minutes: 2 },
    { kind: 'add', items: [{ ingredient: 'chicken-stock', amount: '2 L' }], gradually: true },
    { kind: 'bring-to', to: 'simmer', flame: 0.8, lid: 'off' },
    { kind: 'simmer', minutes: 20, lid: 'ajar' },
    { kind: 'add', items: [{ ingredient: 'heavy-cream', amount: '200 ml' }] },
  ]);

const plan = (recipe: Recipe, change = {}) =>
  planFor(
    amended(recipe, change),
    { litres: 8, target: 90 },
    { vessel: home.vessel, burner: home.burner, kitchen },
  );

test('a recipe that gives every amount gets a dose: its own flour and its stock move until the bowl is met', () => {
  const made = plan(flourSoup());
  expect(made.found.bowlViscosity).toBeGreaterThan(85);
  expect(made.found.bowlViscosity).toBeLessThan(95);
  expect(made.found.volumeMl / 1000).toBeCloseTo(8, 1);
  expect(made.weighOut.find((l) => l.solved === 'thickness')?.ingredient).toBe('plain-flour');
  expect(made.weighOut.find((l) => l.solved === 'volume')?.ingredient).toBe('chicken-stock');
});

test('how much flour somebody wrote changes nothing of what the pot needs', () => {
  const doseOf = (flour: string) => plan(flourSoup(flour)).weighOut.find((l) => l.solved === 'thickness')!.g;
  expect(doseOf('5 tbsp') / doseOf('120 g')).toBeCloseTo(1, 2);
});

test('as written it is multiplied and lands where it lands', () => {
  const made = plan(flourSoup(), { asWritten: true });
  expect(made.weighOut.every((l) => l.solved !== 'thickness')).toBe(true);
  const flour = made.weighOut.find((l) => l.ingredient === 'plain-flour')!;
  const stock = made.weighOut.find((l) => l.ingredient === 'chicken-stock')!;
  // Five spoonfuls to two litres, however much of both.
  expect(flour.g / stock.g).toBeCloseTo((5 * 14.787 * 0.509) / 2018, 3);
  expect(made.found.bowlViscosity).toBeLessThan(60);
});

test('what it says of its thickener and liquid is told, at its own yield', () => {
  const open = freed(flourSoup())!;
  expect(open.thickeners).toEqual([{ id: 'plain-flour', g: expect.closeTo(37.6, 0) }]);
  expect(open.liquid).toMatchObject({ id: 'chicken-stock', g: expect.closeTo(2018, 0) });
});

test('the fat of a roux goes with its flour, two thickeners share as they do in it', () => {
  const roux = freed(
    soup([
      {
        kind: 'roux',
        flour: { ingredient: 'plain-flour', amount: '60 g' },
        fat: { ingredient: 'butter', amount: '90 g' },
        rule: 'weight',
        colour: 'white',
        minutes: 3,
      },
      { kind: 'add', items: [{ ingredient: 'whole-milk', amount: '2 L' }] },
      { kind: 'simmer', minutes: 10, lid: 'off' },
      {
        kind: 'thicken',
        method: 'slurry',
        thickener: { ingredient: 'cornstarch', amount: '20 g' },
        carrier: { ingredient: 'water', amount: '40 g' },
        minutes: 2,
      },
    ]),
  )!;
  const [first, , , last] = roux.recipe.steps;
  expect(first).toMatchObject({
    flour: { amount: { kind: 'solve', goal: 'thickness', share: 0.75 } },
    fat: { amount: { kind: 'by rule' } },
  });
  expect(last).toMatchObject({
    thickener: { amount: { kind: 'solve', goal: 'thickness', share: 0.25 } },
    carrier: { amount: { kind: 'by rule' } },
  });
  expect(roux.liquid?.id).toBe('whole-milk');
});

test('where no starch is, the vegetable there is most of among what is blended whole thickens', () => {
  const open = freed(
    soup([
      {
        kind: 'sweat',
        items: [
          { ingredient: 'leek', amount: '400 g' },
          { ingredient: 'butter', amount: '40 g' },
        ],
        minutes: 8,
        to: 'translucent',
      },
      {
        kind: 'add',
        items: [
          { ingredient: 'floury-potato', amount: '600 g' },
          { ingredient: 'chicken-stock', amount: '1.2 L' },
        ],
      },
      { kind: 'simmer', minutes: 20, lid: 'ajar' },
      { kind: 'puree', fraction: 'all', tool: 'stick blender' },
    ]),
  )!;
  expect(open.thickeners).toEqual([{ id: 'floury-potato', g: 600 }]);
});

test('a recipe that leaves its thickness open stays as it is', () => {
  for (const id of demoIds()) {
    const file = JSON.stringify(demoFile(id));
    expect([id, freed(demoRecipe(id)) === null]).toEqual([id, file.includes('to thicken')]);
  }
});

test('another way of thickening is offered for it too', () => {
  expect(cannotBe(flourSoup(), 1)).toBeNull();
  const by = plan(flourSoup(), { way: 'slurry.cornstarch' });
  expect(by.weighOut.find((l) => l.solved === 'thickness')?.ingredient).toBe('cornstarch');
  expect(by.weighOut.some((l) => l.ingredient === 'plain-flour')).toBe(false);
});
