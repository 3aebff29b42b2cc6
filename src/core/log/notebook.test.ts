import { demoHouse, demoRecipe } from '../../../demo/demo';
import { DEFAULT_LIMITS } from '../flow/bands';
import { inEnglish } from '../text/inWords';
import { MOST_LINES, readNotebook } from './notebook';
import { loggedPast, pastLesson } from './pastBatch';

const HOUSE = {
  limits: DEFAULT_LIMITS,
  recipes: [{ id: 'cockle-and-leek-chowder', name: 'Cockle and leek chowder' }],
  today: '2026-02-01',
};
const read = (text: string) => readNotebook(text, HOUSE);
const days = (...dates: string[]) =>
  read(`date,soup,litres\n${dates.map((d) => `"${d}",Pea,4`).join('\n')}`).batches.map((b) => b.day);

test('columns are known by what people call them, in any order; the others are left alone and named', () => {
  const { batches, columns, problems } = read(
    'Cook;Weather;Recipe;Gallons;Day;Thickness\nAnn;rain;cockle and leek CHOWDER;3;31.1.2026;hearty\n',
  );
  expect(problems).toEqual([]);
  expect(columns).toEqual({ read: ['Cook', 'Recipe', 'Gallons', 'Day', 'Thickness'], left: ['Weather'] });
  expect(batches).toHaveLength(1);
  expect(batches[0]).toMatchObject({
    line: 2,
    day: '2026-01-31',
    recipeId: 'cockle-and-leek-chowder',
    role: 'Ann',
    bowl: { by: 'band', band: 'Hearty' },
  });
  // Three US gallons.
  expect(batches[0]!.ml).toBeCloseTo(11_356, 0);
});

test('dates of three kinds and more are one day', () => {
  expect(
    days('2026-01-31', '31.1.2026', '31/01/26', '31 January 2026', '31 Jan 2026', 'Jan 31, 2026'),
  ).toEqual(Array(6).fill('2026-01-31'));
});

test('where a figure can only be a day, the whole file goes that way round', () => {
  expect(days('1/31/2026', '2/1/2026')).toEqual(['2026-01-31', '2026-02-01']);
  expect(days('31/1/2026', '1/2/2026')).toEqual(['2026-01-31', '2026-02-01']);
});

test('units mixed in one column are each what they say', () => {
  const { batches } = read(
    'date,soup,litres\n2026-01-01,Pea,"12"\n2026-01-01,Pea,800 ml\n2026-01-01,Pea,"4,5 L"\n2026-01-01,Pea,2 gal\n',
  );
  expect(batches.map((b) => Math.round(b.ml))).toEqual([12_000, 800, 4500, 7571]);
});

test('every line that is not right is told with its column, and the right ones are read all the same', () => {
  const { batches, problems } = read(
    [
      'date,soup,litres,viscosity,score',
      '2026-01-31,Pea,12,150,4',
      '30 Feb 2026,Pea,12,,',
      '2026-03-01,Pea,12,,',
      ',,,,',
      '2026-01-31,,lots,-3,9',
    ].join('\n'),
  );
  expect(batches.map((b) => b.line)).toEqual([2]);
  expect(problems.map((p) => [p.line, p.column, p.given])).toEqual([
    [3, 'date', '30 Feb 2026'],
    [4, 'date', '2026-03-01'],
    [5, 'soup', ''],
    [5, 'litres', 'lots'],
    [5, 'viscosity', '-3'],
    [5, 'score', '9'],
  ]);
  expect(problems.map((p) => inEnglish(p.allowed))[1]).toBe('a day that has been, up to 2026-02-01');
});

test('a table without a date, soup or volume is refused by what it lacks', () => {
  const { batches, problems } = read('a,b\n1,2');
  expect(batches).toEqual([]);
  expect(problems.map((p) => p.column).toSorted()).toEqual(['date', 'litres', 'soup']);
});

test('a hundred thousand lines are read, one more is refused', () => {
  const line = '2026-01-31,Pea,12\n';
  const all = read(`date,soup,litres\n${line.repeat(MOST_LINES)}`);
  expect(all.batches).toHaveLength(MOST_LINES);
  expect(read(`date,soup,litres\n${line.repeat(MOST_LINES + 1)}`).problems[0]?.line).toBe(MOST_LINES + 2);
});

test('more flour than the model wants for what it came to teaches that the flour is weaker, or the soup', () => {
  const house = demoHouse();
  const recipe = demoRecipe('cockle-and-leek-chowder');
  const past = (g: number) =>
    read(
      `date,soup,litres,amounts,viscosity\n2026-01-31,Cockle and leek chowder,12,"${g} g plain flour; 2 L milk",150`,
    ).batches[0]!;
  expect(past(400).amounts.map((a) => a.ingredient)).toEqual(['plain-flour', 'whole-milk']);
  const [more, less] = [past(500), past(250)].map((p) => pastLesson('x', p, recipe, house)!);
  expect(more!.keys).toEqual(['flour plain-flour', 'soup cockle-and-leek-chowder']);
  expect(more!.shift[0]).toBeLessThan(0);
  expect(less!.shift[0]).toBeGreaterThan(0);
  // Twice as much for the same is ln 2 of the dose, whatever the model wants.
  expect((less!.shift[0]! - more!.shift[0]!) / less!.precision[0]![0]!).toBeCloseTo(Math.log(2), 6);
  expect(pastLesson('x', { ...past(400), bowl: null }, recipe, house)).toBeNull();
  expect(loggedPast('x', past(400))).toMatchObject({ fromNotebook: true, measured: 150, yieldMl: 12_000 });
});
