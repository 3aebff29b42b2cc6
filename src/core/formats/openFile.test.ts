import fc from 'fast-check';
import { demoFile } from '../../../demo/demo';
import { spoken } from '../text/spoken';
import { MOST_CHARACTERS, openFile } from './openFile';
import { readRecipeFile, recipeJsonSchema } from './recipeFile';

const good = () => demoFile('cockle-and-leek-chowder');
const problems = (text: string) => {
  const file = readRecipeFile(text);
  if (file.ok) throw new Error('expected problems');
  return spoken(file.problems);
};

test('a good file is read', () => {
  expect(readRecipeFile(JSON.stringify(good())).ok).toBe(true);
});

test('everything wrong with a file comes back at once, each with its place', () => {
  const bad = good();
  bad.yieldLitres = 'four';
  bad.steps[0].items[0].ingredient = 'moonbeam';
  bad.steps[0].items[1].amount = '3 fistfuls';
  bad.steps[3].lid = 'half';
  const places = problems(JSON.stringify(bad, null, 2)).map((p) => p.place);
  expect(places).toEqual(
    expect.arrayContaining([
      'line 6, yieldLitres',
      'line 29, steps[0].items[0].ingredient',
      'line 34, steps[0].items[1].amount',
      expect.stringMatching(/^line \d+, steps\[3\]\.lid$/),
    ]),
  );
});

test('a step that cannot follow, and what cannot be solved for', () => {
  const dry = good();
  dry.steps = [dry.steps[3], ...dry.steps];
  expect(problems(JSON.stringify(dry))).toEqual([
    {
      place: 'line 1, steps[0].kind',
      says: '“bring-to” cannot be step 1: there is no liquid in the pot yet',
    },
  ]);
  const odd = good();
  odd.steps[4].items[0].amount = 'to thicken';
  expect(
    problems(JSON.stringify(odd))
      .map((p) => p.says)
      .join(),
  ).toMatch(/waxy-potato cannot be “to thicken”/);
});

test('two thickeners may share the work, when their shares add up', () => {
  const split = good();
  split.steps[1].flour.amount = 'to thicken 60 %';
  split.steps.splice(6, 0, {
    kind: 'thicken',
    method: 'slurry',
    thickener: { ingredient: 'cornstarch', amount: 'to thicken 40 %' },
    carrier: { ingredient: 'water', amount: 'to match' },
    minutes: 2,
  });
  expect(readRecipeFile(JSON.stringify(split)).ok).toBe(true);
  split.steps[1].flour.amount = 'to thicken 50 %';
  expect(problems(JSON.stringify(split))[0]?.says).toMatch(/must add to 100 %: it is 90 %/);
});

test('what is not JSON, too long, or another kind of file, with the line and the reason', () => {
  expect(problems('{"format":\n  oops')[0]).toEqual({
    place: 'line 2, column 3',
    says: 'not JSON: a word that is not JSON',
  });
  expect(problems('{\n"format": "panache.recipe/1"\n"id": 1}')[0]?.place).toBe('line 3, column 1');
  expect(problems('x'.repeat(MOST_CHARACTERS + 1))[0]?.says).toMatch(/at most 400000/);
  expect(problems('%PDF-1.7 …')[0]).toMatchObject({
    place: 'file',
    says: expect.stringMatching(/^no recipe is found in it/),
  });
  expect(problems('  ')[0]?.says).toBe('it is empty');
  expect(problems('{\n "format": "shopping-list"}')[0]).toMatchObject({
    place: 'line 2, format',
    says: expect.stringMatching(/panache\.recipe\/1/),
  });
  expect(problems('{"name":"x"}')[0]?.says).toMatch(/neither a Panache file nor a schema.org Recipe/);
});

test('never throws, whatever the text', () => {
  fc.assert(
    fc.property(fc.oneof(fc.string(), fc.json()), (text) => {
      expect(openFile(text).kind).toBeDefined();
    }),
    { seed: 4, numRuns: 300 },
  );
});

test('the JSON Schema names every step kind', () => {
  const schema = JSON.stringify(recipeJsonSchema());
  for (const kind of ['sweat', 'roux', 'thicken', 'temper', 'poach', 'chill'])
    expect(schema).toContain(`"const":"${kind}"`);
});
