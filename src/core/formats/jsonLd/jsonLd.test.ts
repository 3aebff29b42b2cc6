import { demoHouse, demoIds, demoRecipe } from '../../../../demo/demo';
import { Recipe } from '../../recipe/recipe';
import { spoken } from '../../text/spoken';
import { draftOf, recipeFrom, whenFor } from '../draft/draft';
import { idFrom } from '../draft/ids';
import { openFile } from '../openFile';
import { readRecipeNode, recipeNodes } from './jsonLd';
import { isoDuration, toJsonLd } from './toJsonLd';

const house = demoHouse();

const soup = {
  '@context': 'https://schema.org',
  '@graph': [
    { '@type': 'WebPage', name: 'A page' },
    {
      '@type': ['Thing', 'Recipe'],
      name: 'Harbour leek soup',
      recipeYield: ['6', '6 servings'],
      recipeIngredient: [
        '2 tbsp butter',
        '3 leeks (about 450 g), sliced',
        '1/4 cup all-purpose flour',
        '6 cups chicken stock',
        '2 large potatoes, peeled and diced',
        '1 cup heavy cream',
        'Salt, to taste',
        '1 dragon fruit',
      ],
      recipeInstructions: [
        {
          '@type': 'HowToSection',
          itemListElement: [{ '@type': 'HowToStep', text: 'Sweat the leeks 12 minutes.' }],
        },
        {
          '@type': 'HowToStep',
          text: 'Simmer for 20 to 24 minutes until tender. Purée half of it in a blender.',
        },
      ],
    },
  ],
};

const draft = () => {
  const opened = openFile(JSON.stringify(soup));
  if (opened.kind !== 'drafts') throw new Error('expected a draft');
  return opened.drafts[0]!;
};

const reviewed = () =>
  draft().lines.map((l) => ({
    ingredient: l.ingredient ?? 'water',
    amount: l.amount ?? '1 g',
    prep: l.prep,
    when: l.when,
  }));

test('a recipe is found inside a page’s graph, sections and all', () => {
  const { name, yieldText, instructions, lines } = draft();
  expect(name).toBe('Harbour leek soup');
  expect(yieldText).toBe('6 servings');
  expect(instructions).toHaveLength(2);
  expect(lines.map((l) => [l.ingredient, l.amount, l.when])).toEqual([
    ['butter', '2 tbsp', 'sweated'],
    ['leek', '450 g', 'sweated'],
    ['plain-flour', '¼ cup', 'thickener'],
    ['chicken-stock', '6 cup', 'liquid'],
    ['floury-potato', '2 large', 'simmered'],
    ['heavy-cream', '1 cup', 'dairy at the end'],
    ['salt', 'to taste', 'seasoning'],
    [null, null, 'left out'],
  ]);
  expect(lines.filter((l) => l.doubts.length > 0).map((l) => l.ingredient)).toEqual([
    'leek',
    'floury-potato',
    null,
  ]);
});

test('looked-at lines become a soup of ours: times from the instructions, litres and band from the model', () => {
  const made = recipeFrom(
    'Harbour leek soup',
    reviewed(),
    draft().instructions,
    { dose: true, liquid: true },
    house,
  );
  if (!made.ok) throw new Error(JSON.stringify(made.problems));
  const recipe = Recipe.parse(made.body);
  expect(recipe.id).toBe('harbour-leek-soup');
  expect(recipe.steps.map((s) => s.kind)).toEqual([
    'sweat',
    'dust',
    'add',
    'add',
    'bring-to',
    'simmer',
    'puree',
    'add',
    'bring-to',
    'season',
  ]);
  expect(recipe.steps[0]).toMatchObject({ minutes: 12 });
  expect(recipe.steps[5]).toMatchObject({ minutes: 22, untilTender: true });
  expect(recipe.steps[6]).toMatchObject({ fraction: 0.5, tool: 'jug blender' });
  expect(recipe.steps[1]).toMatchObject({ flour: { amount: { kind: 'solve', goal: 'thickness' } } });
  expect(made.asWritten.litres).toBeGreaterThan(1.8);
  expect(made.asWritten.litres).toBeLessThan(2.8);
  expect(recipe.band).toBe(made.asWritten.band);
  const fixed = recipeFrom('x', reviewed(), [], { dose: false, liquid: false }, house);
  if (!fixed.ok) throw new Error('refused');
  expect(fixed.body.steps[1]).toMatchObject({ flour: { amount: '¼ cup' } });
});

test('what cannot be a soup is refused with its reasons', () => {
  const dry = recipeFrom(
    'Dry',
    [{ ingredient: 'onion', amount: 'some', prep: '', when: 'sweated' }],
    [],
    { dose: false, liquid: false },
    house,
  );
  expect(spoken(dry)).toMatchObject({
    ok: false,
    problems: [{ place: expect.stringContaining('steps.0'), says: expect.stringMatching(/not an amount/) }],
  });
});

test('a recipe node without name or ingredients says so', () => {
  expect(spoken(readRecipeNode({ '@type': 'Recipe' }))).toMatchObject({
    ok: false,
    problems: [
      { place: 'name', says: 'the recipe has no name' },
      { place: 'recipeIngredient', says: expect.stringMatching(/lists no ingredients/) },
    ],
  });
  expect(recipeNodes({ a: { b: 1 } })).toEqual([]);
});

test.each(demoIds())('%s goes out as JSON-LD and every line comes back as what it was', (id) => {
  const recipe = demoRecipe(id);
  const out = toJsonLd(recipe, house.kitchen);
  const back = openFile(JSON.stringify(out));
  if (back.kind !== 'drafts') throw new Error('expected a draft');
  expect(back.drafts[0]!.name).toBe(recipe.name);
  const lines = out.recipeIngredient;
  expect(back.drafts[0]!.lines).toHaveLength(lines.length);
  for (const [n, line] of back.drafts[0]!.lines.entries()) {
    expect(line.doubts).toEqual([]);
    expect(line.amount).toBe(/^[\d.]+ g/.exec(lines[n] ?? '')?.[0]);
  }
  const said = new Set(recipe.steps.flatMap((s) => JSON.stringify(s).match(/"ingredient":"[^"]+"/g) ?? []));
  for (const l of back.drafts[0]!.lines) expect(said).toContain(`"ingredient":"${l.ingredient}"`);
});

test('where things usually go in, ids from names, durations', () => {
  expect(whenFor('chestnut-mushroom')).toBe('sweated');
  expect(whenFor('cod')).toBe('poached at the end');
  expect(whenFor(null)).toBe('left out');
  expect(idFrom('  Crème d’Été № 2 ')).toBe('creme-dete-2');
  expect(idFrom('…')).toBe('soup');
  expect(isoDuration(3600 + 120)).toBe('PT1H2M');
  expect(isoDuration(10)).toBe('PT1M');
});

test('an empty draft has no lines', () => {
  expect(draftOf({ name: 'x', yieldText: '', ingredients: [], instructions: [], source: [] }).lines).toEqual(
    [],
  );
});
