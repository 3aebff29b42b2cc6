import fc from 'fast-check';
import { demoFile, demoRecipe } from '../../../demo/demo';
import { toRecord } from '../batch/toRecord';
import { justMultiplied, multipliedWords } from '../compare/multiplied';
import { doubtOf } from '../doubt/uncertainty';
import { chanceOfBand, rangeOf } from '../flow/bands';
import type { Burner } from '../heat/burner';
import { rimVolume, type Vessel } from '../heat/vessel';
import { amended } from '../order/amended';
import { STANDARD_KITCHEN as kitchen } from '../pot/kitchen';
import { observe } from '../pot/observe';
import { Recipe } from '../recipe/recipe';
import { inEnglish } from '../text/inWords';
import { spoken } from '../text/spoken';
import { issueWords } from '../words/issueWords';
import { amountWords, detailsOf, titleOf } from '../words/steps';
import { planFor } from './plan';
import { openAmounts, predict } from './predict';
import { type Setup, simulate } from './solve/simulate';
import { warningWords } from './warningWords';

const veloute = demoRecipe('smoked-parsnip-veloute');
const chowder = demoRecipe('cockle-and-leek-chowder');
const potato = demoRecipe('haddock-and-sweetcorn-chowder');

const vessel = (diameterMm: number, heightMm: number): Vessel => ({
  id: 'v',
  name: 'Test pot',
  diameterMm,
  heightMm,
  material: 'stainless steel',
  massG: 5000,
});
const ring: Burner = { id: 'b', name: 'Ring', kind: 'gas', powerW: 16_000 };
const deep: Setup = { vessel: vessel(420, 433), burner: ring, kitchen };
const tall: Setup = { vessel: vessel(360, 340), burner: { ...ring, powerW: 7000 }, kitchen };
const order = (litres: number, target = 153) => ({ litres, target });

describe('the dose solver', () => {
  for (const recipe of [veloute, chowder, potato]) {
    for (const [litres, viscosity] of [
      [6, 60],
      [12, 153],
      [24, 230],
    ] as const) {
      test(`${recipe.id}, ${litres} L at ${viscosity} mPa·s: volume and consistency land after rounding`, () => {
        const plan = planFor(recipe, order(litres, viscosity), deep);
        expect(plan.solved.missed).toEqual([]);
        expect(Math.abs(plan.found.volumeMl / (litres * 1000) - 1)).toBeLessThan(0.01);
        // The share of the pot to blend is rounded to a whole per cent, worth 4 % of viscosity.
        expect(Math.abs(plan.found.bowlViscosity / viscosity - 1)).toBeLessThan(0.05);
      });
    }
  }

  test('starting from a nearby plan gives the same answer sooner', () => {
    const first = planFor(veloute, order(12, 150), tall);
    const near = planFor(veloute, order(12, 165), tall, first);
    const fresh = planFor(veloute, order(12, 165), tall);
    expect(Math.abs(near.solved.dosing.dose / fresh.solved.dosing.dose - 1)).toBeLessThan(0.01);
    expect(near.solved.runs).toBeLessThan(fresh.solved.runs);
  });

  test('thicker asks for more flour, and a darker roux for more still', () => {
    const dose = (viscosity: number, colour?: 'white' | 'brown') =>
      planFor(amended(veloute, { colour }), order(12, viscosity), tall).solved.dosing.dose;
    expect(dose(250)).toBeGreaterThan(dose(100));
    expect(dose(150, 'brown') / dose(150, 'white')).toBeGreaterThan(1.35);
  });

  test('each meaning of equal parts weighs another amount of fat for its flour', () => {
    const fatToFlour = (rule: 'weight' | 'volume' | 'three-to-two') => {
      const step = planFor(amended(veloute, { rule }), order(12), tall).steps.find(
        (s) => s.step.kind === 'roux',
      )?.step;
      const sweat = planFor(amended(veloute, { rule }), order(12), tall).solved.run.ran[0]!.pot.freeFat;
      if (step?.kind !== 'roux') throw new Error('no roux');
      return (step.fat.amount + sweat / 0.811) / step.flour.amount;
    };
    expect(fatToFlour('weight')).toBeCloseTo(1, 1);
    expect(fatToFlour('volume')).toBeCloseTo(0.959 / 0.509, 1);
    expect(fatToFlour('three-to-two')).toBeCloseTo(2 / 3, 1);
  });

  test('a target that potato alone cannot reach is said to be missed, with what to change', () => {
    const plan = planFor(potato, order(12, 2000), deep);
    const stop = plan.warnings.find((w) => w.severity === 'stop');
    expect(plan.solved.missed).toEqual(['too thin with all']);
    expect(spoken(stop && warningWords(stop).do)).toMatch(/thinner band|more floury potato/);
  });
});

describe('scaling', () => {
  test('2 L in a wide pot, multiplied to 40 L in a deep one, comes out thinner; the plan says how much, why, and corrects it', () => {
    const plan = planFor(veloute, order(40), deep);
    const m = justMultiplied(veloute, { ...plan, dosing: plan.solved.dosing });
    expect(m.by).toBe(20);
    expect(m.viscosity).toBeLessThan(plan.found.bowlViscosity * 0.85);
    expect(m.volumeMl).toBeGreaterThan(40_500);
    expect(m.steamHere).toBeLessThan(m.steamExpected / 2);
    expect(m.moreLiquid).toBeLessThan(-1000);
    const said = multipliedWords(m, plan);
    expect(said.headline).toMatch(/The 2 L recipe × 20 would come out \d+ % thinner/);
    expect(said.because).toMatch(/less water boils off here .* less liquid/);
    expect(Math.abs(plan.found.bowlViscosity / 153 - 1)).toBeLessThan(0.03);
  });

  test('the causes make all of the difference, largest first: each is what is left when it is undone', () => {
    for (const litres of [1, 12, 40]) {
      const plan = planFor(veloute, order(litres), deep);
      const m = justMultiplied(veloute, { ...plan, dosing: plan.solved.dosing });
      const whole = m.causes.reduce((sum, c) => sum + c.by, 0);
      expect(whole).toBeCloseTo(Math.log(m.viscosity / m.atHome), 6);
      const sizes = m.causes.map((c) => Math.abs(c.by));
      expect(sizes).toEqual(sizes.toSorted((a, b) => b - a));
    }
    const plan = planFor(veloute, order(40), deep);
    const { causes } = justMultiplied(veloute, { ...plan, dosing: plan.solved.dosing });
    // Less water goes off a deep pot, and thins it.
    expect(causes[0]).toMatchObject({ kind: 'steam' });
    expect(causes[0]?.by).toBeLessThan(0);
  });

  test('a recipe that gives every amount lands elsewhere × 10, and is not said to land here too', () => {
    const fixed = Recipe.parse({
      ...demoFile('cockle-and-leek-chowder'),
      id: 'fixed',
      steps: [
        { kind: 'add', items: [{ ingredient: 'vegetable-stock', amount: '2 L', celsius: 60 }] },
        { kind: 'add', items: [{ ingredient: 'floury-potato', amount: '900 g' }] },
        { kind: 'bring-to', to: 'simmer', flame: 1, lid: 'off' },
        { kind: 'simmer', minutes: 40, lid: 'off' },
        { kind: 'puree', fraction: 'all', tool: 'stick blender' },
      ],
      yieldLitres: 2,
    });
    const plan = planFor(fixed, { litres: 20, target: 153 }, deep);
    const said = multipliedWords(justMultiplied(fixed, { ...plan, dosing: plan.solved.dosing }), plan);
    expect(said.headline).toMatch(/would come out \d+ % thinner/);
    expect(said.because).toMatch(/less water boils off here than it counts on/);
  });

  test('at home and at its own size there is nothing to correct', () => {
    const plan = planFor(veloute, order(2), { ...veloute.home, kitchen });
    expect(
      multipliedWords(justMultiplied(veloute, { ...plan, dosing: plan.solved.dosing }), plan).headline,
    ).toMatch(/size the recipe was written for/);
  });
});

describe('the plan', () => {
  const plan = planFor(chowder, order(12), tall);

  test('weighs out in the order of the stove, with untrimmed weights and the dose marked', () => {
    expect(plan.weighOut.map((l) => l.step)).toEqual(
      [...plan.weighOut.map((l) => l.step)].sort((a, b) => a - b),
    );
    const leek = plan.weighOut.find((l) => l.ingredient === 'leek');
    expect(leek?.asPurchased).toBeGreaterThan((leek?.g ?? 0) * 1.5);
    expect(plan.weighOut.filter((l) => l.solved === 'thickness').map((l) => l.ingredient)).toEqual([
      'plain-flour',
    ]);
  });

  test('steps follow each other on the clock', () => {
    for (const [n, s] of plan.steps.entries()) {
      const next = plan.steps[n + 1];
      if (next) expect(next.startsAt).toBeCloseTo(s.startsAt + s.seconds, 6);
    }
    expect(plan.seconds).toBeGreaterThan(25 * 60);
    expect(plan.trace.at(-1)?.seconds).toBeCloseTo(plan.seconds, 0);
  });

  test('salts to the house’s level, counting what the cockles bring', () => {
    expect(plan.found.saltPercent).toBeGreaterThan(0.8);
    expect(plan.found.saltPercent).toBeLessThan(1);
  });

  test('names the allergens', () => {
    const allergens = plan.warnings.find((w) => w.id === 'allergens');
    expect(spoken(allergens && warningWords(allergens).says)).toBe(
      'Contains celery, gluten, milk, molluscs, wheat.',
    );
  });

  test('becomes the record a batch keeps', () => {
    const record = toRecord(plan, chowder);
    expect(record.steps).toHaveLength(chowder.steps.length);
    expect(record.steps[1]?.title).toBe('Dust with plain flour');
    expect(record.steps[0]?.details[0]).toMatch(/^450 g butter/);
  });
});

describe('warnings', () => {
  const ids = (recipe: Recipe, litres: number, setup: Setup) =>
    planFor(recipe, order(litres), setup).warnings.map((w) => `${w.severity} ${w.id}`);

  test('60 L does not go into a 4 L pot', () => {
    const small: Setup = { ...tall, vessel: vessel(260, 76) };
    expect(ids(chowder, 60, small)).toContain('stop overflow');
  });

  test('over the headroom line but under the rim is a danger, not a stop', () => {
    expect(ids(chowder, (rimVolume(tall.vessel) * 0.9) / 1000, tall)).toContain('danger headroom');
  });

  test('a burner too weak for the pot', () => {
    expect(ids(chowder, 24, { ...tall, burner: { ...ring, powerW: 900 } }).join()).toMatch(/stop stalled/);
  });

  test('hot soup in a jug blender', () => {
    expect(ids(potato, 12, tall)).toContain('caution hot blending');
    expect(ids(chowder, 12, tall)).not.toContain('caution hot blending');
  });

  test('too little and too much fat for the flour', () => {
    const withButter = (g: number) => {
      const raw = demoFile('cockle-and-leek-chowder');
      raw.steps[0].items[0].amount = `${g} g`;
      return Recipe.parse(raw);
    };
    expect(ids(withButter(20), 12, tall)).toContain('caution fat-short');
    expect(ids(withButter(400), 12, tall)).toContain('caution fat-over');
    expect(ids(chowder, 12, tall).join()).not.toMatch(/fat-/);
  });
});

describe('doubt', () => {
  test('flour is most of it for a roux, potato for a potato soup', () => {
    const roux = planFor(chowder, order(12), tall);
    const mash = planFor(potato, order(12), tall);
    expect(doubtOf(chowder, roux.solved.dosing, tall).contributions[0]?.factor).toBe('flour');
    expect(doubtOf(potato, mash.solved.dosing, tall).contributions[0]?.factor).toBe('puree');
  });

  test('chances over all bands add to one', () => {
    const limits = kitchen.bandLimits;
    const all = (['Thin', 'Light', 'Coating', 'Hearty', 'Stiff'] as const).map((b) =>
      chanceOfBand(140, 0.5, b, limits),
    );
    expect(all.reduce((a, b) => a + b, 0)).toBeCloseTo(1, 6);
    expect(chanceOfBand(140, 0, 'Coating', limits)).toBe(1);
    expect(chanceOfBand(140, 0.3, 'Coating', limits)).toBeGreaterThan(
      chanceOfBand(140, 0.6, 'Coating', limits),
    );
    // What lies off the ladder is Thin or Stiff all the same.
    expect(chanceOfBand(3, 0.1, 'Thin', limits)).toBeCloseTo(1, 6);
    expect(chanceOfBand(9000, 0.1, 'Stiff', limits)).toBeCloseTo(1, 6);
    expect(rangeOf('Coating', limits)).toEqual([90, 260]);
  });
});

describe('recipes', () => {
  const raw = () => demoFile('smoked-parsnip-veloute');
  const problems = (body: unknown) =>
    Recipe.safeParse(body)
      .error?.issues.map((i) => `${i.path.join('.')}: ${inEnglish(issueWords(i))}`)
      .join('\n');

  test('an amount that is none is refused with its place and what is allowed', () => {
    const body = raw();
    body.steps[0].items[0].amount = 'some';
    expect(problems(body)).toMatch(/steps\.0\.items\.0\.amount: “some” is not an amount/);
  });

  test('what nobody can say the weight of is not counted', () => {
    const body = raw();
    body.steps[0].items[0].amount = '2 large';
    expect(problems(body)).toMatch(/steps\.0: \S+ cannot be counted by the piece: .* write its weight/);
    body.steps[0].items[0].amount = '1 knob';
    expect(problems(body)).toBeUndefined();
  });

  test('a go of a vegetable that has not gone in is refused, and so is a purée of what is never blended', () => {
    const body = raw();
    const puree = body.steps.find((s: { kind: string }) => s.kind === 'puree');
    puree.of = ['smoked-parsnip#2'];
    expect(problems(body)).toMatch(
      /“smoked-parsnip#2” is not in the pot by then: smoked-parsnip has gone in once/,
    );
    puree.of = ['smoked-parsnip#1'];
    expect(problems(body)).toBeUndefined();
    puree.of = ['stardust#1'];
    expect(problems(body)).toMatch(/“stardust#1” is not in the catalogue/);
    delete puree.of;
    body.steps[0].items[0].as = 'puree';
    expect(problems(body)).toMatch(/cannot go in as puree: it is nothing that is blended/);
  });

  test('an unknown ingredient and a second unknown to solve are refused', () => {
    const body = raw();
    body.steps[0].items[0].ingredient = 'stardust';
    expect(problems(body)).toMatch(/stardust/);
    const two = raw();
    two.steps[2].items[0] = { ingredient: 'cornstarch', amount: 'to thicken' };
    expect(problems(two)).toMatch(/must add to 100 %: it is 200 %/);
  });

  test('words for amounts and steps', () => {
    expect(amountWords('whole-milk', 2140)).toBe('2.1 L');
    expect(amountWords('butter', 1300)).toBe('1\u00a0300 g');
    const plan = planFor(potato, order(6), tall);
    const blend = plan.steps.find((s) => s.step.kind === 'puree')!.step;
    expect(titleOf(blend)).toMatch(/^Blend \d+ % of the pot, jug blender$/);
    expect(detailsOf(blend)).toEqual(['lift out and blend floury potato and onion with their liquid']);
  });
});

describe('properties', () => {
  test('solver and observation are inverse within 0.5 % before rounding', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(veloute, chowder),
        fc.integer({ min: 4, max: 40 }),
        fc.integer({ min: 35, max: 600 }),
        (recipe, litres, viscosity) => {
          const { solved } = planFor(recipe, order(litres, viscosity), deep);
          // What cannot be met is not this test's: it must not be most of them.
          fc.pre(solved.missed.length === 0);
          const { pot } = simulate(recipe, { ...solved.dosing, rounded: false }, deep);
          const found = observe(pot, kitchen);
          expect(Math.abs(found.bowlViscosity / viscosity - 1)).toBeLessThan(0.005);
          expect(Math.abs(found.volumeMl / (litres * 1000) - 1)).toBeLessThan(0.005);
        },
      ),
      { numRuns: 25, seed: 5 },
    );
  });

  test('viscosity rises with the dose', () => {
    const { solved } = planFor(chowder, order(12), tall);
    const at = (dose: number) =>
      observe(simulate(chowder, { ...solved.dosing, dose, rounded: false }, tall).pot, kitchen).bowlViscosity;
    const doses = [0.5, 0.8, 1, 1.3, 2].map((k) => at(solved.dosing.dose * k));
    expect(doses).toEqual([...doses].sort((a, b) => a - b));
  });

  test('a pot of twice the area and twice the volume loses the same share of its water', () => {
    // Poured, blended and seasoned in the same minutes: it is the pot that is asked about.
    const steps = veloute.steps.map((s) =>
      s.kind === 'add' || s.kind === 'puree' || s.kind === 'season' ? { ...s, minutes: 2 } : s,
    );
    const share = (factor: number): number => {
      const wide: Setup = {
        vessel: vessel(360 * Math.sqrt(factor), 340),
        burner: { ...ring, powerW: 7000 * factor },
        kitchen,
      };
      const { pot } = simulate(
        { ...veloute, steps },
        { scale: 6 * factor, dose: 350 * factor, liquid: 6000 * factor, dairy: 0, rounded: false },
        wide,
      );
      return pot.evaporated / factor;
    };
    expect(Math.abs(share(2) / share(1) - 1)).toBeLessThan(0.05);
  });
});

describe('predicting as written', () => {
  test('a recipe with fixed amounts is predicted step by step', () => {
    const raw = demoFile('cockle-and-leek-chowder');
    raw.steps[1].flour.amount = '100 g';
    raw.steps[2].items[0].amount = '1140 g';
    const fixed = Recipe.parse(raw);
    expect(openAmounts(fixed)).toEqual([]);
    expect(openAmounts(chowder)).toEqual(['to thicken', 'to volume']);
    const p = predict(fixed, 1, { ...fixed.home, kitchen });
    expect(p.steps).toHaveLength(11);
    expect(p.serving.band).toBe('Coating');
    expect(p.serving.pH).toBeGreaterThan(5.8);
    expect(p.serving.garnish.find((g) => g.name === 'Waxy potato')?.tenderness).toBeGreaterThanOrEqual(0.99);
  });
});
