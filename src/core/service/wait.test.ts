import { demoFile } from '../../../demo/demo';
import { bandOf } from '../flow/bands';
import { planFor } from '../plan/plan';
import { advance } from '../pot/advance';
import { observe } from '../pot/observe';
import { Recipe } from '../recipe/recipe';
import { schoolOf } from '../recipe/schools';
import { inEnglish } from '../text/inWords';
import { HOUSE, RECIPES } from './testKit';
import { waitOf } from './wait';

const planned = (recipe: Recipe, target: number) =>
  planFor(
    recipe,
    { litres: 6, target },
    {
      vessel: HOUSE.vessels.find((v) => v.id === 'middle-28')!,
      burner: HOUSE.burners.find((b) => b.id === 'front-left')!,
      kitchen: HOUSE.kitchen,
    },
  );
/** A cream whose starch is boiled in its own cream, with another starch. */
const with_ = (starch: string): Recipe => {
  const { pans: _pans, ...rest } = demoFile('roast-carrot-cream');
  const school = JSON.stringify(schoolOf('boiled-cream')?.steps);
  const steps = JSON.parse(school.replace('"parsnip"', '"roast-carrot"').replace('800 g', '1800 g'));
  const body = { ...rest, format: 'panache.recipe/1', steps };
  for (const step of body.steps) if (step.kind === 'thicken') step.thickener.ingredient = starch;
  return Recipe.parse(body);
};
const words = (recipe: Recipe, target = 150) => {
  const { minutes, why } = waitOf(planned(recipe, target));
  return `${minutes}: ${inEnglish(why)}`;
};

test('the starch that keeps worst sets how long a soup may wait', () => {
  expect(words(with_('arrowroot'))).toBe('20: Arrowroot thins, kept hot');
  expect(words(with_('potato-starch'))).toBe('30: Potato starch thins, kept hot');
  expect(words(with_('cornstarch'))).toBe('120: dairy skins over and grains, kept hot');
});

test('a liaison sets it by its yolk where nothing was poached after', () => {
  const body = demoFile('mussel-veloute-with-liaison');
  body.steps = body.steps.filter((s: { kind: string }) => s.kind !== 'poach');
  for (const step of body.steps)
    if (step.items)
      step.items = step.items.filter((i: { ingredient: string }) => !/mussel/.test(i.ingredient));
  expect(words(Recipe.parse(body))).toBe('30: a liaison of yolk sets, kept hot');
});

test('a soup at the edge of its band waits no longer than it stays in it, by the same pot held at 72 °C', () => {
  const limit = HOUSE.kitchen.bandLimits[1];
  const plan = planned(RECIPES.get('jacket-potato-soup')!, limit * 0.995);
  const wait = waitOf(plan);
  const at = (minutes: number) => {
    const { pot } = advance(plan.solved.run.pot, { kind: 'hold', minutes, at: 72, lid: 'on' }, HOUSE.kitchen);
    return bandOf(observe(pot, HOUSE.kitchen).bowlViscosity, HOUSE.kitchen.bandLimits);
  };
  const now = bandOf(plan.found.bowlViscosity, HOUSE.kitchen.bandLimits);
  // Thickening as it loses water, it leaves its band within the first twenty minutes.
  expect(wait.minutes).toBe(10);
  expect(inEnglish(wait.why)).toBe(`it is ${at(20)} by then`);
  expect(at(20)).not.toBe(now);
  expect(at(0)).toBe(now);
});
