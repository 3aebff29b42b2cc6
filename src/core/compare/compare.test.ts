import fc from 'fast-check';
import { demoHouse, demoIds, demoRecipe } from '../../../demo/demo';
import { sample, summarise, varianceOf } from '../doubt/monteCarlo';
import { raises } from '../doubt/raise';
import { chanceOfBand, middleOf } from '../flow/bands';
import { holding } from '../heat/vessel';
import { amended, cannotBe, usualShare } from '../order/amended';
import type { Order } from '../order/order';
import { AS_WRITTEN, allergensOfWay, WAYS, wayOf } from '../order/ways';
import { planFor } from '../plan/plan';
import { spoken } from '../text/spoken';
import { comparedWith, EVERY_WAY } from './compare';
import { fitOf } from './fits';
import { planOrder, remediesFor } from './remedies';
import { scaling } from './scaling';
import { groupedBy, shoppingFor, stationOf } from './shopping';

const house = demoHouse();
const pot = (id: string) => house.vessels.find((v) => v.id === id)!;
const ring = (id: string) => house.burners.find((b) => b.id === id)!;
const setup = { vessel: pot('tall-steel-36'), burner: ring('front-left'), kitchen: house.kitchen };
const chowder = demoRecipe('cockle-and-leek-chowder');
const order = { litres: 12, target: 153 };
const asked = (more: Partial<Order> = {}): Order => ({
  recipeId: 'any',
  ...order,
  vesselId: 'tall-steel-36',
  burnerId: 'front-left',
  ...more,
});

describe('the ten soups', () => {
  test.each(demoIds())(
    '%s lands in its stated band, at home and in a larger pot, with nothing to stop it',
    (id) => {
      const recipe = demoRecipe(id);
      const target = middleOf(recipe.band, house.kitchen.bandLimits);
      for (const [litres, where] of [
        [recipe.yieldLitres, { ...recipe.home, kitchen: house.kitchen }],
        [20, { vessel: pot('deep-42'), burner: ring('floor-ring'), kitchen: house.kitchen }],
      ] as const) {
        const plan = planFor(recipe, { litres, target }, where);
        expect(plan.warnings.filter((w) => w.severity === 'stop').map((w) => w.id)).toEqual([]);
        expect(plan.found.band).toBe(recipe.band);
        expect(Math.abs(plan.found.bowlViscosity / target - 1)).toBeLessThan(0.05);
        expect(Math.abs(plan.found.volumeMl / (litres * 1000) - 1)).toBeLessThan(0.02);
      }
    },
  );

  test('cover every school: nine ways of thickening between them', () => {
    const kinds = new Set(
      demoIds().flatMap((id) =>
        demoRecipe(id).steps.flatMap((s) =>
          s.kind === 'thicken'
            ? // In a pan of its own it is boiled in what lies there.
              [s.in ? 'boiled cream' : s.method]
            : s.kind === 'temper'
              ? ['liaison']
              : s.kind === 'roux' || s.kind === 'dust'
                ? [s.kind]
                : s.kind === 'puree' && typeof s.fraction !== 'number'
                  ? ['potato only']
                  : JSON.stringify(s).includes('cheddar')
                    ? ['cheese']
                    : JSON.stringify(s).includes('"white-rice"')
                      ? ['rice']
                      : JSON.stringify(s).includes('"celeriac"')
                        ? ['purée only']
                        : [],
        ),
      ),
    );
    expect([...kinds].sort()).toEqual(
      [
        'boiled cream',
        'cheese',
        'dust',
        'kneaded butter',
        'liaison',
        'potato only',
        'purée only',
        'rice',
        'roux',
        'slurry',
      ].sort(),
    );
  });
});

describe('ways to thicken', () => {
  test('whatever the way, the soup lands on target and holds its litres', () => {
    for (const way of EVERY_WAY) {
      const plan = planFor(amended(chowder, { way: way.id, share: 1 }), order, setup);
      if (plan.solved.missed.length > 0) continue;
      expect(Math.abs(plan.found.bowlViscosity / 153 - 1)).toBeLessThan(0.03);
      expect(Math.abs(plan.found.volumeMl / 12_000 - 1)).toBeLessThan(0.02);
    }
  });

  test('another way takes out the recipe’s own and goes in before the dairy; a liaison after it', () => {
    const slurry = amended(chowder, { way: 'slurry.cornstarch', share: 1 });
    expect(slurry.steps.some((s) => s.kind === 'dust')).toBe(false);
    const at = slurry.steps.findIndex((s) => s.kind === 'thicken');
    const dairy = slurry.steps.findIndex((s) => JSON.stringify(s).includes('whole-milk'));
    expect(at).toBeGreaterThan(0);
    expect(at).toBeLessThan(dairy);
    const liaison = amended(chowder, { way: 'liaison.egg-yolk', share: 1 });
    // One part yolk, three of cream (classical repertoire: 3 yolks to 240 mL, from memory).
    const tempered = planFor(liaison, { litres: 12, target: 153 }, setup).weighOut.filter((l) =>
      ['egg-yolk', 'heavy-cream'].includes(l.ingredient),
    );
    const yolk = tempered.find((l) => l.ingredient === 'egg-yolk')?.g ?? 0;
    const cream = tempered.find((l) => l.solved === 'by rule')?.g ?? 0;
    expect(cream / yolk).toBeCloseTo(3, 1);
    expect(liaison.steps.findIndex((s) => s.kind === 'temper')).toBeGreaterThan(
      liaison.steps.findIndex((s) => JSON.stringify(s).includes('whole-milk')),
    );
  });

  test('a split shares the work: half the flour, half a full dose of starch', () => {
    const grams = (way: string, share: number, id: string) =>
      planFor(amended(chowder, { way, share }), order, setup)
        .weighOut.filter((l) => l.ingredient === id)
        .reduce((sum, l) => sum + l.g, 0);
    const all = grams('slurry.cornstarch', 1, 'cornstarch');
    const half = grams('slurry.cornstarch', 0.5, 'cornstarch');
    expect(half / all).toBeGreaterThan(0.42);
    expect(half / all).toBeLessThan(0.58);
    const flour = grams('slurry.cornstarch', 0.5, 'plain-flour');
    expect(flour / grams(AS_WRITTEN.id, 1, 'plain-flour')).toBeGreaterThan(0.42);
  });

  test('a soup that is its vegetable keeps it; how much is blended cannot be shared', () => {
    const celeriac = demoRecipe('celeriac-and-pear-cream');
    expect(spoken(cannotBe(celeriac, 1))).toMatch(/celeriac is the soup/);
    expect(cannotBe(celeriac, 0.5)).toBeNull();
    expect(usualShare(celeriac)).toBe(0.5);
    expect(usualShare(chowder)).toBe(1);
    expect(spoken(cannotBe(demoRecipe('haddock-and-sweetcorn-chowder'), 0.5))).toMatch(/cannot be shared/);
    expect(cannotBe(demoRecipe('crab-shell-bisque'), 1)).toBeNull();
    expect(amended(celeriac, { way: 'slurry.cornstarch', share: 1 })).toBe(celeriac);
  });

  test('nothing asked, nothing changed; unknown ways are none', () => {
    expect(amended(chowder, {})).toBe(chowder);
    expect(wayOf('sawdust')).toBeUndefined();
    expect(WAYS.map((w) => w.id)).toContain('boiled-cream.cornstarch');
    expect(new Set(WAYS.map((w) => w.id)).size).toBe(WAYS.length);
  });

  test('butter, minutes and hot stock go where they belong', () => {
    const more = amended(chowder, { moreFat: 20, moreSimmer: 5, liquidAt: 80 });
    const dust = more.steps.findIndex((s) => s.kind === 'dust');
    expect(more.steps[dust - 1]).toMatchObject({ kind: 'sweat', items: [{ ingredient: 'butter' }] });
    expect(more.steps.find((s) => s.kind === 'simmer')).toMatchObject({ minutes: 15 });
    expect(JSON.stringify(more.steps)).toContain('"celsius":80');
  });
});

describe('what fits', () => {
  const fit = (id: string, flagged: Parameters<typeof fitOf>[4] = []) => {
    const way = wayOf(id)!;
    return fitOf(way, 1, chowder, planFor(amended(chowder, { way: id, share: 1 }), order, setup), flagged);
  };

  test('arrowroot with dairy does not; potato starch needs care; flour fits', () => {
    expect(fit('slurry.arrowroot')).toMatchObject({ grade: 'does not fit' });
    expect(spoken(fit('slurry.arrowroot').reasons[0]?.says)).toMatch(/slimy/);
    expect(fit('slurry.potato-starch')).toMatchObject({ grade: 'with care' });
    expect(fit('slurry.plain-flour').grade).toBe('fits');
  });

  test('an allergen the house flags bars a way that brings it', () => {
    expect(fit('liaison.egg-yolk').grade).toBe('with care');
    const barred = fit('liaison.egg-yolk', ['egg']);
    expect(barred.grade).toBe('does not fit');
    expect(
      spoken(barred.reasons)
        .map((r) => r.says)
        .join(),
    ).toMatch(/egg, which this house flags/);
    expect(allergensOfWay(wayOf('liaison.egg-yolk')!)).toEqual(expect.arrayContaining(['egg', 'milk']));
  });
});

describe('compare', () => {
  test('doses, costs, curves and properties stand side by side', () => {
    const flour = comparedWith(AS_WRITTEN, chowder, order, setup);
    expect(flour.doses.map((d) => d.name)).toEqual(['Plain flour']);
    expect(flour.cost).toBeCloseTo(((flour.doses[0]?.g ?? 0) / 1000) * 0.9, 6);
    expect(flour.properties?.clarity).toBe('opaque');
    const starch = comparedWith(wayOf('slurry.potato-starch')!, chowder, order, setup);
    expect(starch.doses.at(-1)?.g).toBeLessThan((flour.doses[0]?.g ?? 0) / 3);
    expect(starch.allergens).not.toContain('wheat');
    for (const c of [flour, starch]) {
      const rises = c.curve.map((p) => p.viscosity);
      expect(rises).toEqual(rises.toSorted((a, b) => a - b));
      expect(c.curve.find((p) => Math.abs(p.viscosity / 153 - 1) < 0.05)?.dose).toBeCloseTo(
        c.doses.at(-1)?.g ?? 0,
        -1,
      );
    }
  });

  test('a missing price is no price, and what cannot be has no dose', () => {
    const { products: _none, ...kitchen } = house.kitchen;
    expect(comparedWith(AS_WRITTEN, chowder, order, { ...setup, kitchen }).cost).toBeNull();
    const barred = comparedWith(WAYS[0]!, demoRecipe('celeriac-and-pear-cream'), order, setup);
    expect(barred).toMatchObject({ doses: [], blend: null, curve: [], fit: { grade: 'does not fit' } });
    expect(
      comparedWith(AS_WRITTEN, demoRecipe('haddock-and-sweetcorn-chowder'), order, setup).blend,
    ).toBeGreaterThan(0);
  });
});

describe('remedies', () => {
  const remedies = (of: string, more: Partial<Order>, recipe = chowder) => {
    const question = { house, recipe, order: asked(more) };
    const plan = planOrder(question)!;
    const warning = plan.warnings.find((w) => w.id === of);
    if (!warning) throw new Error(`no ${of} in ${plan.warnings.map((w) => w.id).join()}`);
    return { question, plan, all: remediesFor(warning, plan, question) };
  };

  test('each remedy offered does away with its warning and brings no new reason to stop', () => {
    const cases = [
      remedies('headroom', { litres: 30 }),
      remedies('overflow', { litres: 60 }),
      remedies('too thick without', { target: 6 }, demoRecipe('jacket-potato-soup')),
      remedies('shallow', { litres: 2, vesselId: 'deep-42' }),
      remedies('fat-short', { litres: 12, target: 2400 }),
    ];
    for (const { question, all } of cases) {
      expect(all.length).toBeGreaterThan(0);
      for (const r of all) {
        const next = planOrder({ ...question, order: { ...question.order, ...r.change } })!;
        expect(next.warnings.filter((w) => w.severity === 'stop')).toEqual([]);
      }
    }
  });

  test('a pot too full is offered the smallest that holds it first', () => {
    const { all, plan } = remedies('headroom', { litres: 30 });
    expect(all[0]).toMatchObject({
      kind: 'take',
      vessel: 'Deep 42',
      change: { vesselId: 'deep-42' },
    });
    expect(all.at(-1)?.change.litres).toBeLessThan(30);
    expect(holding(house.vessels, plan.peakMl)[0]?.id).toBe('deep-42');
  });

  test('two litres in a sixty-litre pot are offered the smallest that holds them', () => {
    const { all } = remedies('shallow', { litres: 2, vesselId: 'deep-42' });
    expect(all[0]?.change.vesselId).toBe('low-wide-26');
  });

  test('nothing helps where nothing can', () => {
    const { all } = remedies('overflow', { litres: 400 });
    expect(all.every((r) => r.change.litres !== undefined)).toBe(true);
    expect(planOrder({ house, recipe: chowder, order: asked({ vesselId: 'bath' }) })).toBeNull();
  });
});

describe('what would raise the chance', () => {
  const raised = (kitchen: typeof house.kitchen) => {
    const here = { ...setup, kitchen };
    const { dosing } = planFor(chowder, order, here).solved;
    const tally = sample(chowder, dosing, here, 3, 400);
    const spread = summarise(tally);
    return {
      all: raises(spread, varianceOf(tally), 'Coating', here, chowder),
      now: chanceOfBand(spread.median, Math.sqrt(varianceOf(tally)), 'Coating', kitchen.bandLimits),
    };
  };

  test('at most three, best first, each better than doing nothing', () => {
    const { all, now } = raised(house.kitchen);
    expect(all.length).toBeGreaterThan(0);
    expect(all.length).toBeLessThanOrEqual(3);
    expect(all.map((r) => r.chance)).toEqual(all.map((r) => r.chance).toSorted((a, b) => b - a));
    for (const r of all) expect(r.chance).toBeGreaterThan(now);
    expect(all[0]?.id).toBe('hold back');
  });

  test('a kitchen that measures flour by spoons is told to weigh it; one that weighs is not', () => {
    const spoons = raised({ ...house.kitchen, measures: 'spoons' });
    const scale = raised(house.kitchen);
    expect(scale.all.map((r) => r.id)).not.toContain('weigh');
    expect(spoons.now).toBeLessThan(scale.now);
    expect(spoons.all.map((r) => r.id)).toContain('weigh');
  });
});

describe('sizes', () => {
  test('the share of water lost falls as one pot fills; heating takes longer', () => {
    // Blended in its pot: what goes through a jug loses water there, by the litre.
    const veloute = demoRecipe('smoked-parsnip-veloute');
    const sizes = scaling(
      { house, recipe: veloute, order: asked({ litres: 8, vesselId: 'deep-42' }) },
      [1, 2, 4],
    );
    expect(sizes.map((s) => s.litres)).toEqual([8, 16, 32]);
    expect(sizes.map((s) => s.lossShare)).toEqual(sizes.map((s) => s.lossShare).toSorted((a, b) => b - a));
    expect(sizes.map((s) => s.toSimmerSeconds)).toEqual(
      sizes.map((s) => s.toSimmerSeconds).toSorted((a, b) => a - b),
    );
    expect(sizes.every((s) => s.vesselId === 'deep-42')).toBe(true);
  });

  test('a size too large for its pot goes into one that holds it; sizes that cannot be are left out', () => {
    const sizes = scaling({ house, recipe: chowder, order: asked({ litres: 20 }) }, [0.001, 1, 2]);
    expect(sizes.map((s) => s.vesselName)).toEqual(['Tall Steel 36', 'Deep 42']);
  });
});

describe('shopping', () => {
  const plan = planFor(chowder, order, setup);

  test('everything weighed is fetched once, untrimmed, water never', () => {
    const packed = {
      ...house.kitchen,
      products: { ...house.kitchen.products, 'whole-milk': { ingredient: 'whole-milk', packG: 1000 } },
    };
    const milk = shoppingFor(plan.weighOut, packed).lines.find((l) => l.ingredient === 'whole-milk');
    expect(milk?.packs).toEqual({ count: Math.ceil((milk?.g ?? 0) / 1000), g: 1000 });
    const { lines, total, unpriced } = shoppingFor(plan.weighOut, house.kitchen);
    expect(new Set(lines.map((l) => l.ingredient)).size).toBe(lines.length);
    const leek = lines.find((l) => l.ingredient === 'leek');
    expect(leek?.g).toBe(plan.weighOut.find((l) => l.ingredient === 'leek')?.asPurchased);
    expect(leek?.cost).toBeCloseTo(((leek?.g ?? 0) / 1000) * 2.4, 6);
    expect(total).toBeCloseTo(
      lines.reduce((s, l) => s + (l.cost ?? 0), 0),
      9,
    );
    expect(unpriced).toBe(lines.filter((l) => l.cost === null).length);
    expect(
      shoppingFor(
        planFor(demoRecipe('green-pea-and-lettuce-cream'), order, setup).weighOut,
        house.kitchen,
      ).lines.map((l) => l.ingredient),
    ).not.toContain('water');
  });

  test('grouping keeps every line, in its order', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 7 }), (n) => {
        const groups = groupedBy(plan.weighOut, (l) => l.step % n);
        expect(groups.flatMap((g) => g.lines)).toHaveLength(plan.weighOut.length);
        for (const g of groups)
          expect(g.lines.map((l) => l.step)).toEqual(g.lines.map((l) => l.step).toSorted((a, b) => a - b));
      }),
      { seed: 1, numRuns: 7 },
    );
    expect(stationOf('leek')).toBe('Vegetables');
    expect(stationOf('cockle-meat')).toBe('Meat and fish');
  });
});
