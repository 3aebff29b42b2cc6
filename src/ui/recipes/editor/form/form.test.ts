import { demoFile, demoHouse, demoIds } from '../../../../../demo/demo';
import { FORMS } from '../../../../core/pot/kinds/forms';
import { Recipe } from '../../../../core/recipe/recipe';
import { bodyOf, fieldOf, recipeForm, stepForm } from './form';

const house = demoHouse();

test.each(demoIds())('%s goes through the form and comes out as it was', (id) => {
  const body = demoFile(id);
  expect(bodyOf(recipeForm(body), body, house)).toEqual(body);
});

test('every kind of step begins as something the schema takes', () => {
  const body = demoFile('cockle-and-leek-chowder');
  const { steps } = body;
  const start = steps.slice(0, 5).map((s: { kind: string }) => s);
  for (const { fresh } of Object.values(FORMS)) {
    const thickens = JSON.stringify(fresh).includes('to thicken');
    // A roast lies on a tray, and is poured from it.
    const inPan = fresh.kind === 'roast' ? { in: 'tray' } : fresh.kind === 'pour' ? { from: 'tray' } : {};
    const tray = { kind: 'roast', in: 'tray', items: start[0].items, at: 200, minutes: 20 };
    const pans = [{ name: 'tray', as: 'tray' }];
    const own = { ...fresh, ...inPan };
    const made = {
      ...body,
      ...(Object.keys(inPan).length > 0 && { format: 'panache.recipe/2', pans }),
      steps: [
        ...(fresh.kind === 'pour' ? [tray] : []),
        ...start.map((s: object) =>
          thickens || JSON.stringify(fresh).includes('to volume')
            ? JSON.parse(JSON.stringify(s).replace('to thicken', '10 g').replace('to volume', '2 L'))
            : s,
        ),
        own,
        ...(fresh.kind === 'roast' ? [{ kind: 'pour', from: 'tray', takes: 'all' }] : []),
      ],
    };
    const round = bodyOf(recipeForm(made), made, house);
    expect(round.steps.at(fresh.kind === 'roast' ? -2 : -1)).toEqual(own);
    expect(Recipe.safeParse(round).error?.issues ?? []).toEqual([]);
  }
});

test('what is typed wrong stays as typed for the schema to refuse', () => {
  const body = demoFile('cockle-and-leek-chowder');
  const form = recipeForm(body);
  form.yieldLitres = 'four';
  const step = form.steps[0];
  if (step) step.values.minutes = 'some';
  const wrong = Recipe.safeParse(bodyOf(form, body, house)).error?.issues.map((i) => i.path.join('.'));
  expect(wrong).toEqual(expect.arrayContaining(['yieldLitres', 'steps.0.minutes']));
});

test('a problem’s place finds its field', () => {
  const form = recipeForm(demoFile('crab-shell-bisque'));
  expect(fieldOf('steps.0.minutes', form)).toBe('steps.0.values.minutes');
  expect(fieldOf('steps[1].items[0].amount', form)).toBe('steps.1.items.0.amount');
  expect(fieldOf('steps.0.items.1.cut.edgeMm', form)).toBe('steps.0.items.1.edgeMm');
  const reduce = form.steps.findIndex((s) => s.kind === 'reduce');
  expect(fieldOf(`steps.${reduce}.to`, form)).toBe(`steps.${reduce}.values.untilValue`);
  expect(fieldOf('name', form)).toBe('name');
  expect(stepForm({ kind: 'reduce', flame: 1, to: { dropMm: 30 } }).values).toMatchObject({
    until: 'dropMm',
    untilValue: '30',
  });
});
