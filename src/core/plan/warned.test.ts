import '../food/load';
import { demoHouse, demoRecipe } from '../../../demo/demo';
import { toRecord } from '../batch/toRecord';
import { middleOf } from '../flow/bands';
import { Recipe } from '../recipe/recipe';
import { spoken } from '../text/spoken';
import { detailsOf, titleOf } from '../words/steps';
import { planFor } from './plan';
import { predict } from './predict';
import type { Warning } from './types';
import { warningWords } from './warningWords';

const saidOf = (w: Warning | undefined) => w && spoken(warningWords(w));

const house = demoHouse();
const { kitchen } = house;
const home = demoRecipe('smoked-parsnip-veloute').home;

const recipe = (steps: readonly object[], more: object = {}): Recipe =>
  Recipe.parse({
    format: 'panache.recipe/1',
    id: 'a-soup',
    name: 'A soup',
    school: 'Roux',
    yieldLitres: 2,
    band: 'Coating',
    home,
    steps,
    ...more,
  });
const plan = (r: Recipe) =>
  planFor(r, { litres: r.yieldLitres, target: middleOf(r.band, kitchen.bandLimits) }, { ...r.home, kitchen });
const pour = (ingredient: string, amount: string, celsius = 20) => ({
  kind: 'add',
  items: [{ ingredient, amount, celsius }],
});
const warned = (r: Recipe, id: RegExp) => plan(r).warnings.find((w) => id.test(w.id));

describe('dairy', () => {
  const roux = {
    kind: 'roux',
    flour: { ingredient: 'plain-flour', amount: 'to thicken' },
    fat: { ingredient: 'butter', amount: 'to match' },
    rule: 'weight',
    colour: 'white',
    minutes: 3,
  };
  const boil = { kind: 'bring-to', to: 'boil', flame: 1, lid: 'off' };

  test('milk boiled with tomato is warned of, with its reasons and what to change', () => {
    const r = recipe([
      pour('tomato-passata', '800 g'),
      pour('vegetable-stock', 'to volume'),
      pour('semi-skimmed-milk', '500 mL', 5),
      boil,
    ]);
    const fixed = predict(
      recipe([
        pour('tomato-passata', '800 g'),
        pour('vegetable-stock', '600 g'),
        pour('semi-skimmed-milk', '500 mL', 5),
        boil,
      ]),
      1,
      { ...home, kitchen },
    );
    const w = warned(r, /^dairy$/);
    expect(w?.severity).toBe('danger');
    expect(saidOf(w)?.says).toMatch(/splits|likely to split/);
    expect(saidOf(w)?.says).toMatch(/the pot is acid, pH \d\.\d/);
    expect(saidOf(w)?.says).toMatch(/it boils after the dairy is in/);
    expect(saidOf(w)?.do).not.toBe('');
    expect(fixed.warnings.map((x) => x.id)).toContain('dairy');
  });

  test('it is said of the boil, not of a rest after it; and cold only of what was poured cold into a hot pot', () => {
    const soup = (celsius: number, ...more: readonly object[]) =>
      recipe([
        pour('vegetable-stock', 'to volume', celsius),
        pour('tomato-passata', '300 g'),
        ...more,
        pour('semi-skimmed-milk', '500 mL', 5),
        boil,
        { kind: 'rest', minutes: 90, lid: 'off' },
      ]);
    const cold = warned(soup(10), /^dairy$/);
    expect(cold?.step).toBe(3);
    expect(saidOf(cold)?.says).toMatch(/in step 4: it boils/);
    expect(saidOf(cold)?.says).not.toMatch(/cold dairy/);
    // What arrives and what it meets are as hot as they are together: a glass of it is chilled into what it meets.
    const glass = recipe([
      pour('vegetable-stock', 'to volume'),
      pour('tomato-passata', '300 g'),
      boil,
      pour('semi-skimmed-milk', '100 mL', 5),
    ]);
    expect(saidOf(warned(glass, /^dairy$/))?.says).toMatch(/in step 4: .*cold dairy meets a hot pot/);
  });

  test('heavy cream stirred into a velouté at the end is not', () => {
    expect(
      warned(
        recipe([
          roux,
          pour('chicken-stock', 'to volume', 60),
          { kind: 'bring-to', to: 'simmer', flame: 1, lid: 'off' },
          { kind: 'simmer', minutes: 12, lid: 'ajar' },
          pour('heavy-cream', '200 g', 40),
        ]),
        /^dairy$/,
      ),
    ).toBeUndefined();
  });

  test('evaporated milk stands the boil', () => {
    const with_ = (id: string) => [
      roux,
      pour('chicken-stock', 'to volume', 60),
      { kind: 'season', items: [{ ingredient: 'lemon-juice', amount: '60 g' }] },
      pour(id, '400 g', 5),
      boil,
    ];
    expect(warned(recipe(with_('evaporated-milk')), /^dairy$/)).toBeUndefined();
    expect(warned(recipe(with_('semi-skimmed-milk')), /^dairy$/)?.severity).toBe('danger');
  });
});

describe('a rest off the heat', () => {
  const rested = (minutes: number, lid = 'off') =>
    recipe(
      [
        pour('vegetable-stock', '1500 g', 60),
        { kind: 'bring-to', to: 'simmer', flame: 1, lid: 'off' },
        { kind: 'rest', minutes, lid },
      ],
      { band: 'Thin' },
    );
  test('says when it comes under what hot food is held at, and that it rests longer', () => {
    const w = warned(rested(120), /^rest-/);
    expect(w?.severity).toBe('danger');
    const [, minutes] = /under 57 °C after (\d+) min: it rests 120/.exec(saidOf(w)?.says ?? '') ?? [];
    expect(Number(minutes)).toBeGreaterThan(15);
    expect(Number(minutes)).toBeLessThan(75);
    expect(w?.rule).toMatch(/3-501\.16/);
  });
  test('a few minutes are not worth a word, and a lid holds it longer', () => {
    expect(warned(rested(3), /^rest-/)).toBeUndefined();
    const under = (lid: string) =>
      Number(/after (\d+) min/.exec(saidOf(warned(rested(300, lid), /^rest-/))?.says ?? '')?.[1]);
    expect(under('on')).toBeGreaterThan(1.5 * under('off'));
  });
});

test('a recipe that leaves nothing to the plan, asked for another band, says how it comes out instead', () => {
  const steps = [
    pour('vegetable-stock', '1500 g', 60),
    { kind: 'bring-to', to: 'simmer', flame: 1, lid: 'off' },
  ];
  const w = warned(recipe(steps), /^another band$/);
  expect(saidOf(w)?.says).toBe(
    'It comes out Thin, not Coating: this recipe leaves no thickener to the plan.',
  );
  expect(warned(recipe(steps, { band: 'Thin' }), /^another band$/)).toBeUndefined();
});

test('a jug filled once is one fill', () => {
  const blend = (litres: number) =>
    saidOf(
      plan({
        ...recipe([
          pour('vegetable-stock', 'to volume', 60),
          { kind: 'add', items: [{ ingredient: 'floury-potato', amount: '100 g' }] },
          { kind: 'bring-to', to: 'simmer', flame: 1, lid: 'on' },
          { kind: 'simmer', minutes: 10, untilTender: true, lid: 'on' },
          { kind: 'puree', fraction: 'all', tool: 'jug blender' },
        ]),
        yieldLitres: litres,
      }).warnings.find((w) => w.id === 'hot blending'),
    )?.says;
  expect(blend(0.5)).toMatch(/lid: 1 fill, a third full\.$/);
  expect(blend(2)).toMatch(/lid: \d+ fills, a third full each\.$/);
});

test('vegetables for forty litres are not sweated in the minutes for two: said, with how long it takes', () => {
  const veloute = demoRecipe('smoked-parsnip-veloute');
  const deep = house.vessels.find((v) => v.id === 'deep-42');
  const ring = house.burners.find((b) => b.id === 'floor-ring');
  if (!deep || !ring) throw new Error('the demo has them');
  const at = (litres: number, setup: object) =>
    planFor(veloute, { litres, target: 153 }, { ...veloute.home, kitchen, ...setup }).warnings.find((w) =>
      w.id.startsWith('sweat-'),
    );
  expect(at(2, {})).toBeUndefined();
  const w = at(40, { vessel: deep, burner: ring });
  expect(saidOf(w)?.says).toMatch(/^After 8 min step 1 is only \d\d °C/);
  const needs = Number(/about (\d+) min/.exec(saidOf(w)?.do ?? '')?.[1]);
  expect(needs).toBeGreaterThan(12);
  expect(needs).toBeLessThan(40);
});

describe('what is put by', () => {
  const soup = [pour('chicken-stock', '2 L', 60), { kind: 'bring-to', to: 'simmer', flame: 1, lid: 'off' }];
  const chill = { kind: 'chill', method: 'ice bath', depthMm: 100, to: 4 };
  const kept = (days: number, at: number, before: readonly object[] = [chill]) =>
    plan(recipe([...soup, ...before, { kind: 'keep', days, at }]));
  const mark = (days: number, at: number) => {
    const w = kept(days, at).warnings.find((x) => x.id === 'date mark');
    return w && { severity: w.severity, rule: w.rule, ...saidOf(w) };
  };

  test('gives its date mark by the kitchen’s rules, here five days at 5 °C, the day it is made counted', () => {
    expect(mark(5, 5)).toMatchObject({ severity: 'caution', says: expect.stringMatching(/5 days at 5 °C/) });
    expect(mark(5, 5)?.do).toMatch(/the day it was made and the day it is thrown away/);
    expect(mark(5, 5)?.rule).toMatch(/3-501\.17/);
    expect(mark(6, 5)).toMatchObject({
      severity: 'danger',
      says: expect.stringMatching(/6 days are too long: 5 at/),
    });
    expect(mark(3, 6)).toMatchObject({ severity: 'danger', says: expect.stringMatching(/too warm/) });
  });

  test('frozen, the days stand still', () => {
    expect(mark(90, -18)).toMatchObject({
      severity: 'caution',
      says: expect.stringMatching(/days stand still/),
    });
    expect(mark(90, -11)?.severity).toBe('danger');
  });

  test('hot it is not put by; chilled it is, and takes no time of the plan', () => {
    expect(kept(3, 3, []).warnings.find((w) => /^kept-hot/.test(w.id))?.severity).toBe('stop');
    const cold = kept(3, 3);
    expect(cold.warnings.some((w) => /^kept-hot/.test(w.id))).toBe(false);
    expect(cold.steps.at(-1)).toMatchObject({ seconds: 0, celsius: 3 });
    expect(plan(recipe([...soup, chill])).seconds).toBe(cold.seconds);
  });

  test('is the last of a recipe', () => {
    const wrong = Recipe.safeParse({
      ...recipe([...soup, chill]),
      steps: [...soup, chill, { kind: 'keep', days: 3, at: 3 }, { kind: 'rest', minutes: 3, lid: 'on' }],
    });
    expect(wrong.error?.issues.map((i) => i.message).join()).toMatch(/“keep” is the last step/);
  });
});

test('a pot taken off the heat, filled in minutes said, mashed with a fork, says so', () => {
  const says = (step: object) => {
    const of = plan(
      recipe([
        {
          kind: 'sweat',
          items: [{ ingredient: 'floury-potato', amount: '400 g' }],
          minutes: 2,
          to: 'translucent',
        },
        pour('chicken-stock', '2 L', 60),
        { kind: 'add', items: [{ ingredient: 'floury-potato', amount: '400 g', as: 'mash' }] },
        { kind: 'add', items: [{ ingredient: 'floury-potato', amount: '400 g' }] },
        step,
      ]),
    ).steps.at(-1)?.step;
    return of ? [titleOf(of), ...detailsOf(of)].join(' | ') : '';
  };
  expect(says({ ...pour('heavy-cream', '200 g'), offHeat: true, minutes: 4 })).toMatch(
    /take the pot off the heat first.*over 4 min/,
  );
  expect(says({ kind: 'puree', fraction: '1/2', tool: 'fork' })).toMatch(/Mash 50 % of it with a fork/);
  expect(says({ kind: 'puree', fraction: 'all', tool: 'masher', of: ['floury-potato#2'] })).toMatch(
    /blend second floury potato/,
  );
  expect(says({ kind: 'add', items: [{ ingredient: 'carrot', amount: '200 g', as: 'puree' }] })).toMatch(
    /carrot, ready as a purée/,
  );
});

test('what a plan warns of in one step stands at that step in the record, for the stove', () => {
  const boiled = recipe([
    pour('tomato-passata', '800 g'),
    pour('vegetable-stock', '600 g'),
    pour('semi-skimmed-milk', '500 mL', 5),
    { kind: 'bring-to', to: 'boil', flame: 1, lid: 'off' },
    { kind: 'rest', minutes: 90, lid: 'off' },
  ]);
  const of = plan(boiled);
  const { steps } = toRecord(of, boiled);
  const at = (id: RegExp) => steps.findIndex((s) => s.cautions?.some((c) => id.test(c.id)));
  expect(at(/^dairy$/)).toBe(of.warnings.find((w) => w.id === 'dairy')?.step);
  expect(at(/^rest-/)).toBe(4);
  const rest = steps[4]?.cautions?.find((c) => /^rest-/.test(c.id));
  expect(spoken(rest?.says)).toMatch(/under 57 °C after \d+ min/);
  expect(rest?.rule).toMatch(/3-501/);
});

describe('a recipe whose liquid is written and not left to the plan', () => {
  const written = recipe([
    pour('vegetable-stock', '1.7 L'),
    pour('whole-milk', '500 mL'),
    {
      kind: 'thicken',
      method: 'slurry',
      thickener: { ingredient: 'cornstarch', amount: 'to thicken' },
      carrier: { ingredient: 'water', amount: 'to match' },
      minutes: 2,
    },
  ]);
  const order = (litres: number, more = {}) =>
    planFor(written, { litres, target: 150 }, { ...written.home, kitchen }, undefined, more);

  test('comes to what was ordered, all of it taken so many times, and says so', () => {
    const plan = order(12);
    expect(Math.abs(plan.found.volumeMl / 12_000 - 1)).toBeLessThan(0.005);
    expect(Math.abs(plan.found.bowlViscosity / 150 - 1)).toBeLessThan(0.03);
    const stock = plan.weighOut.find((l) => l.ingredient === 'vegetable-stock')?.g ?? 0;
    const milk = plan.weighOut.find((l) => l.ingredient === 'whole-milk')?.g ?? 1;
    // In the proportions it is written in: 1.7 L to 0.5 L.
    expect(stock / milk).toBeCloseTo(3.4, 0);
    const said = saidOf(plan.warnings.find((w) => w.kind === 'taken'));
    expect(said?.says).toMatch(
      /^As it is written, 12 L would come to 1\d\.\d L: all of it is taken 0\.\d\d times/,
    );
  });

  test('as it is written it comes to what it comes to, and that is said beside what was ordered', () => {
    const plan = order(12, { asWritten: true });
    expect(plan.found.volumeMl / 12_000).toBeGreaterThan(1.05);
    expect(saidOf(plan.warnings.find((w) => w.kind === 'amiss'))?.says).toMatch(
      /^It comes to 1\d\.\d L, and 12 L were ordered\.$/,
    );
  });

  test('where a liquid is left to the plan nothing is said', () => {
    const left = recipe([pour('vegetable-stock', 'to volume'), pour('whole-milk', '500 mL')]);
    expect(plan(left).warnings.some((w) => w.kind === 'taken' || w.kind === 'amiss')).toBe(false);
  });
});

describe('what nobody used to warn of', () => {
  const simmered = (minutes: number) => [
    { kind: 'bring-to', to: 'simmer', flame: 0.5, lid: 'on' },
    { kind: 'simmer', minutes, lid: 'on' },
  ];
  const white = (more: object = {}) => ({
    kind: 'roux',
    flour: { ingredient: 'plain-flour', amount: '90 g' },
    fat: { ingredient: 'butter', amount: 'to match' },
    rule: 'weight',
    colour: 'white',
    minutes: 3,
    ...more,
  });
  const item = (ingredient: string, amount: string, more: object = {}) => ({
    kind: 'add',
    items: [{ ingredient, amount, ...more }],
  });

  test('milk whisked into a hot white roux is a white sauce, and stands the simmer: no danger', () => {
    const sauce = recipe([white(), pour('whole-milk', '2 L', 5), ...simmered(10)]);
    expect(warned(sauce, /^dairy$/)).toBeUndefined();
  });

  test('cheddar boiled with wine goes to grain, and says how to melt it; off the heat on a roux it does not', () => {
    const cheese = item('mature-cheddar', '250 g');
    const boiled = recipe([
      pour('white-wine', '600 mL'),
      pour('vegetable-stock', '1 L'),
      cheese,
      { kind: 'bring-to', to: 'boil', flame: 1, lid: 'off' },
    ]);
    const w = warned(boiled, /^dairy$/);
    expect(w?.severity).toBe('danger');
    expect(saidOf(w)?.says).toMatch(/^The cheese (goes|is likely to go) to strings or grain in step 4/);
    expect(saidOf(w)?.says).toMatch(/pH \d\.\d: cheese grains in it/);
    const gently = recipe([
      white(),
      pour('whole-milk', '2 L'),
      ...simmered(10),
      { kind: 'rest', minutes: 15, lid: 'off' },
      cheese,
    ]);
    expect(warned(gently, /^dairy$/)).toBeUndefined();
  });

  test('a roux begun in a pot of soup is refused, with why; the pot is no hotter for it', () => {
    const wet = recipe([pour('vegetable-stock', '2 L', 60), white()]);
    const w = warned(wet, /^wet-roux/);
    expect(w?.severity).toBe('stop');
    expect(saidOf(w)?.says).toMatch(/^Step 2 begins a roux in a pot that holds soup/);
    expect(plan(wet).steps[1]?.celsius).toBeLessThan(61);
    expect(warned(recipe([white(), pour('vegetable-stock', '2 L', 60)]), /^wet-roux/)).toBeUndefined();
  });

  test.each([
    ['dark', 3, /takes 15 min and more; 3 leave it paler/],
    ['white', 60, /After 60 min a roux is darker than white/],
    ['brown', 20, null],
    ['white', 3, null],
  ] as const)('a %s roux in %d min', (colour, minutes, says) => {
    const w = warned(recipe([white({ colour, minutes }), pour('vegetable-stock', '2 L', 60)]), /^roux-time/);
    if (says) expect(saidOf(w)?.says).toMatch(says);
    else expect(w).toBeUndefined();
  });

  test('starch dry onto hot soup lumps; with cold liquid of its own, or into cold soup, it does not', () => {
    const hot = [pour('vegetable-stock', '2 L', 90)];
    const w = warned(recipe([...hot, item('cornstarch', '50 g')]), /^lumps/);
    expect(saidOf(w)?.says).toMatch(/^Cornstarch goes dry onto soup of \d\d °C in step 2/);
    const slurry = {
      kind: 'add',
      items: [
        { ingredient: 'cornstarch', amount: '50 g' },
        { ingredient: 'water', amount: '60 g', celsius: 15 },
      ],
    };
    expect(warned(recipe([...hot, slurry]), /^lumps/)).toBeUndefined();
    expect(
      warned(recipe([pour('vegetable-stock', '2 L', 20), item('cornstarch', '50 g')]), /^lumps/),
    ).toBeUndefined();
  });

  test('thick soup long on the full flame catches, unless the step says to stir; on half of it, not', () => {
    const cook = (step: object) =>
      warned(
        recipe([
          white(),
          pour('vegetable-stock', '2 L', 60),
          ...simmered(10),
          { kind: 'rest', minutes: 40, lid: 'on' },
          { kind: 'reduce', to: { share: 0.75 }, flame: 1, ...step },
        ]),
        /^scorch/,
      );
    expect(saidOf(cook({}))?.says).toMatch(/on the full flame in step 6: the bottom catches/);
    expect(cook({ look: 'Stir the bottom all the time' })).toBeUndefined();
    expect(cook({ flame: 0.5 })).toBeUndefined();
  });

  test('shrimp simmered for 25 min is tough; at the end it is not, and strained out it gave its taste', () => {
    const long = [pour('fish-stock', '2 L', 60), item('large-shrimp', '300 g'), ...simmered(25)];
    const w = warned(recipe(long), /^tough$/);
    expect(saidOf(w)?.says).toMatch(
      /^Large shrimp, peeled cooks 2\d min once it is done: over 5 it goes tough/,
    );
    const late = [
      pour('fish-stock', '2 L', 60),
      ...simmered(25),
      item('large-shrimp', '300 g', { celsius: 5 }),
      { kind: 'rest', minutes: 4, lid: 'on' },
    ];
    expect(warned(recipe(late), /^tough$/)).toBeUndefined();
    expect(warned(recipe([...long, { kind: 'strain' }]), /^tough$/)).toBeUndefined();
  });

  test('a bay leaf nothing lifts out is said: at the pass, or before it is blended; strained it is gone', () => {
    const pot = [pour('vegetable-stock', '2 L', 60), item('bay-leaf', '1 g'), ...simmered(10)];
    const blend = { kind: 'puree', fraction: 'all', tool: 'stick blender' };
    expect(saidOf(warned(recipe(pot), /^left-in$/))?.says).toBe(
      'Bay leaf is in the soup at the pass: no step lifts it out.',
    );
    expect(saidOf(warned(recipe([...pot, blend]), /^left-in$/))?.says).toMatch(
      /^Bay leaf is still in when step 5 blends/,
    );
    expect(warned(recipe([...pot, { kind: 'strain' }, blend]), /^left-in$/)).toBeUndefined();
    const thyme = (prep: string) =>
      recipe([pour('vegetable-stock', '2 L', 60), item('thyme', '4 g', { prep }), ...simmered(5)]);
    expect(warned(thyme('tied in a bundle'), /^left-in$/)).toBeDefined();
    expect(warned(thyme('leaves'), /^left-in$/)).toBeUndefined();
  });

  test('saltier than the house wants is said, with what brings it; as it wants it, or unsalted, not', () => {
    const salted = recipe([
      pour('water', '700 mL'),
      item('streaky-bacon', '500 g'),
      item('mature-cheddar', '300 g'),
    ]);
    const w = warned(salted, /^salty$/);
    expect(saidOf(w)?.says).toMatch(/^It comes to \d\.\d\d % salt, the house wants [\d.]+ %: from .*bacon/);
    expect(warned(recipe([pour('water', '1800 mL'), item('salt', 'to taste')]), /^salty$/)).toBeUndefined();
  });

  test('litres that do not come out as they were ordered are said: 9 L asked of a recipe that gives all its amounts', () => {
    const fixed = {
      ...recipe([pour('vegetable-stock', '2 L'), item('floury-potato', '900 g')]),
      yieldLitres: 2,
    };
    const asked = planFor(fixed, { litres: 9, target: 153 }, { ...fixed.home, kitchen });
    const said = asked.warnings
      .filter((x) => x.kind === 'amiss' || x.kind === 'taken')
      .map((x) => saidOf(x)?.says);
    expect(said.length).toBe(1);
    expect(said[0]).toMatch(/9 L/);
  });
});

test('“twice their height” counts the solids that go in with it', () => {
  const bones = { ingredient: 'floury-potato', amount: '500 g' };
  const water = { ingredient: 'water', amount: 'to twice their height' };
  const grams = (steps: readonly object[]) =>
    plan(recipe(steps)).weighOut.find((l) => l.ingredient === 'water')?.g ?? 0;
  const together = grams([{ kind: 'add', items: [bones, water] }]);
  expect(together).toBeGreaterThan(800);
  expect(together).toBeCloseTo(
    grams([
      { kind: 'add', items: [bones] },
      { kind: 'add', items: [water] },
    ]),
    -2,
  );
  expect(grams([{ kind: 'add', items: [water, bones] }])).toBe(together);
});
