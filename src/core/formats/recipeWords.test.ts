import { demoFile, demoHouse, demoIds } from '../../../demo/demo';
import { KitchenFile } from '../kitchen/kitchenFile';
import { foresee } from '../plan/foresee';
import { inEnglish } from '../text/inWords';
import { spoken } from '../text/spoken';
import { issueWords } from '../words/issueWords';
import { recipeWords, stepVerb } from './recipeWords';

const house = demoHouse();

test('a recipe in words names every ingredient by name, with its amount as typed', () => {
  for (const id of demoIds()) {
    const words = recipeWords(demoFile(id), inEnglish).join('\n');
    expect(words).not.toMatch(/undefined|\[object/);
    for (const amount of JSON.stringify(demoFile(id)).match(/"amount":"([^"]+)"/g) ?? [])
      expect(words).toContain(amount.slice(10, -1));
  }
  expect(recipeWords(demoFile('cockle-and-leek-chowder'), inEnglish)).toEqual(
    expect.arrayContaining([
      'Cockle and leek chowder',
      'Sweat: minutes 9 min, to translucent',
      '    Leek: 450 g (5 mm slices; slab 5 mm)',
      'Heat up: to 88 °C, flame 0.5, lid off',
    ]),
  );
  expect(stepVerb('puree').text).toBe('Blend');
});

test('what a recipe comes to, step by step, and what is wrong with it, in words', () => {
  const good = foresee(demoFile('cockle-and-leek-chowder'), house);
  if (!good.ok) throw new Error('refused');
  expect(good.band).toBe('Coating');
  expect(good.steps).toHaveLength(11);
  expect(good.doses.map((d) => d.name)).toEqual(['Plain flour', 'Cockle liquor and stock']);
  const bad = demoFile('cockle-and-leek-chowder');
  bad.steps[0].minutes = 'nine';
  bad.steps[5].lid = 'half';
  bad.yieldLitres = -2;
  const told = spoken(foresee(bad, house));
  expect(told).toMatchObject({
    ok: false,
    problems: expect.arrayContaining([
      { path: 'steps.0.minutes', says: '“nine” is not a number' },
      { path: 'steps.5.lid', says: '“half” is not one of on, ajar, off' },
      { path: 'yieldLitres', says: '“-2” is too little: more than 0' },
    ]),
  });
});

test('a schema’s own words are kept, the rest are put in ours', () => {
  const issues =
    KitchenFile.safeParse({ ...JSON.parse('{}'), name: 'x'.repeat(80), altitudeM: 9999 }).error?.issues ?? [];
  const said = new Map(
    issues.map((i) => [
      i.path.join('.'),
      inEnglish(issueWords(i, i.path[0] === 'name' ? 'x'.repeat(80) : undefined)),
    ]),
  );
  expect(said.get('altitudeM')).toBe('altitude is a number from -500 to 5000 m');
  expect(said.get('name')).toBe('is too long: at most 60 letters');
  expect(said.get('vessels')).toBe('is missing');
});
