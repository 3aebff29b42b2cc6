import { demoFile } from '../../../demo/demo';
import { spoken } from '../text/spoken';
import { issueWords } from '../words/issueWords';
import { Recipe, type RecipeText } from './recipe';

const { home } = Recipe.parse(demoFile('cockle-and-leek-chowder'));

type Steps = RecipeText['steps'];

const onion: Steps[number] = {
  kind: 'sweat',
  items: [{ ingredient: 'onion', amount: '300 g' }],
  minutes: 8,
  to: 'gold',
};
const stock: Steps[number] = { kind: 'add', items: [{ ingredient: 'vegetable-stock', amount: '2 L' }] };
const simmer: Steps[number] = { kind: 'simmer', minutes: 10, lid: 'on' };
const skillet = { name: 'skillet', as: 'pan' as const };
const inIt = (step: Steps[number], pan = 'skillet'): Steps[number] => ({ ...step, in: pan });
const pour = (from: string | undefined, into?: string): Steps[number] => ({
  kind: 'pour',
  takes: 'all',
  ...(from && { from }),
  ...(into && { in: into }),
});

/** What is wrong with such a recipe, as a cook reads it. */
function wrong(pans: RecipeText['pans'], steps: Steps): readonly string[] {
  const body = {
    format: 'panache.recipe/2',
    id: 'x',
    name: 'X',
    school: 'X',
    yieldLitres: 2,
    band: 'Light',
    home,
    pans,
    steps,
  };
  const read = Recipe.safeParse(body);
  return read.success ? [] : read.error.issues.map((i) => spoken(issueWords(i, undefined)));
}

test('a pan cooked and poured into the pot is nothing wrong', () => {
  expect(wrong([skillet], [stock, inIt(onion), pour('skillet'), simmer])).toEqual([]);
});

test('a pan never poured anywhere is refused, with what to do', () => {
  expect(wrong([skillet], [stock, inIt(onion), simmer])).toEqual([
    '“skillet” is never poured into another: pour it into the pot, or cook it there',
  ]);
});

test('poured twice, out of nothing, or into itself: each refused in its own words', () => {
  expect(wrong([skillet], [stock, inIt(onion), pour('skillet'), pour('skillet')])[0]).toMatch(
    /^step 4 pours “skillet” once more: it was poured out before/,
  );
  expect(wrong([skillet], [stock, pour('skillet'), inIt(onion), pour('skillet')])[0]).toMatch(
    /^step 2 pours out of “skillet”, and nothing is in it by then/,
  );
  expect(wrong([skillet], [stock, inIt(onion), pour('skillet', 'skillet'), pour('skillet')])[0]).toMatch(
    /^step 3 pours “skillet” into itself/,
  );
});

test('round in a circle each pan is poured from what it holds, and not from what has gone on', () => {
  const second = { name: 'second', as: 'pot' as const };
  const round = [stock, inIt(onion), pour('skillet', 'second'), pour('second', 'skillet'), pour('second')];
  expect(wrong([skillet, second], round).some((w) => /pours “second” once more/.test(w))).toBe(true);
  expect(
    wrong(
      [skillet, second],
      [stock, inIt(onion), pour('skillet', 'second'), pour('second', 'skillet'), pour('skillet')],
    ),
  ).toEqual([]);
});

test('a part poured leaves the rest to be poured', () => {
  const part: Steps[number] = { kind: 'pour', from: 'skillet', takes: 'pieces', share: 0.3 };
  expect(wrong([skillet], [stock, inIt(onion), part, pour('skillet'), simmer])).toEqual([]);
});

test('pans nobody named, named twice, or used by no step', () => {
  expect(wrong([skillet], [stock, inIt(onion, 'wok'), inIt(onion), pour('skillet')])[0]).toMatch(
    /^step 2 is done in “wok”, which is no pan of this recipe: it has skillet/,
  );
  expect(wrong([skillet, skillet], [stock, inIt(onion), pour('skillet')])).toContain(
    'two pans are called “skillet”: give one another name',
  );
  expect(wrong([skillet, { name: 'bowl', as: 'bowl' }], [stock, inIt(onion), pour('skillet')])).toContain(
    'nothing is done in “bowl”: put a step into it, or take the pan out',
  );
});

test('roasting is done on a tray and nothing is fried in a bowl', () => {
  const roast: Steps[number] = {
    kind: 'roast',
    items: [{ ingredient: 'carrot', amount: '1 kg' }],
    at: 200,
    minutes: 30,
  };
  const tray = { name: 'tray', as: 'tray' as const };
  expect(wrong([tray], [inIt(roast, 'tray'), pour('tray'), stock, simmer])).toEqual([]);
  expect(wrong([skillet], [stock, inIt(roast), pour('skillet')])[0]).toMatch(
    /^step 2 roasts: that is done on a tray in the oven, not in the pan “skillet”/,
  );
  expect(wrong([{ name: 'bowl', as: 'bowl' }], [stock, inIt(onion, 'bowl'), pour('bowl')])[0]).toMatch(
    /cannot be done in the bowl “bowl”: choose a pot or a pan for step 2/,
  );
});

test('a step that needs liquid needs it in its own pan', () => {
  expect(wrong([skillet], [stock, inIt(onion), inIt(simmer), pour('skillet')])).toEqual([
    '“simmer” cannot be step 3: there is no liquid in “skillet” yet',
  ]);
});

test('a file of the first form is read as one pot, and what is written without pans is of the first form', () => {
  const one = Recipe.parse({ ...demoFile('cockle-and-leek-chowder') });
  expect(one.format).toBe('panache.recipe/1');
  expect('pans' in one).toBe(false);
  expect(Recipe.parse(demoFile('roast-carrot-cream')).format).toBe('panache.recipe/2');
  const said = Recipe.parse({ ...demoFile('roast-carrot-cream'), format: 'panache.recipe/1' });
  expect(said.format).toBe('panache.recipe/2');
});
