import type { Burner } from '../heat/burner';
import type { Vessel } from '../heat/vessel';
import { equivalentsAtWork } from '../thicken/granules';
import { advance } from './advance';
import { massG } from './contents/contents';
import { STANDARD_KITCHEN as room } from './kitchen';
import { observe } from './observe';
import { emptyPot, type Pot } from './pot';
import { Step } from './step';
import { temperingOf } from './steps/temper';

const vessel: Vessel = {
  id: 'v',
  name: 'V',
  diameterMm: 260,
  heightMm: 180,
  material: 'stainless steel',
  massG: 2200,
};
const burner: Burner = { id: 'b', name: 'B', kind: 'gas', powerW: 5000 };

type Raw = Record<string, unknown>;
const cookAll = (steps: readonly Raw[], from: Pot = emptyPot(vessel, burner), kitchen = room) =>
  steps.reduce<Pot>((pot, s) => advance(pot, Step.parse(s), kitchen).pot, from);
const add = (ingredient: string, amount: number, celsius?: number) => ({
  kind: 'add',
  items: [{ ingredient, amount, celsius }],
});
const tender = { kind: 'simmer', minutes: 0, untilTender: true, lid: 'on' };
const soup = cookAll([add('vegetable-stock', 4000, 90)]);

describe('juice', () => {
  test('mushrooms give up near a third of their weight, potatoes none, and nothing is lost', () => {
    const given = (ingredient: string) =>
      cookAll([add(ingredient, 1000), tender], soup).pieces[0]?.juice ?? 0;
    expect(given('button-mushroom')).toBeGreaterThan(280);
    expect(given('button-mushroom')).toBeLessThan(310);
    expect(given('floury-potato')).toBe(0);
    const before = cookAll([add('button-mushroom', 1000)], soup);
    const after = cookAll([tender], before);
    expect(massG(after) + after.evaporated).toBeCloseTo(massG(before) + before.evaporated, 6);
  });

  test('it thins the pot, and the house may find more of it', () => {
    const thick = cookAll(
      [
        {
          kind: 'thicken',
          method: 'slurry',
          thickener: { ingredient: 'cornstarch', amount: 120 },
          minutes: 2,
        },
      ],
      soup,
    );
    const E = (juices: number) =>
      observe(
        cookAll([add('button-mushroom', 1500), tender], thick, {
          ...room,
          factors: { ...room.factors, juices },
        }),
        room,
      ).equivalents;
    expect(E(1)).toBeLessThan(0.95 * E(0.01));
    expect(E(1.4)).toBeLessThan(E(1));
  });
});

test('wine’s alcohol leaves far faster than its water', () => {
  const wet = cookAll([add('white-wine', 1000, 20), { kind: 'bring-to', to: 'boil', flame: 1, lid: 'off' }]);
  const half = cookAll([{ kind: 'reduce', flame: 1, to: { share: 0.5 } }], wet);
  expect(half.liquid.alcohol / wet.liquid.alcohol).toBeLessThan(0.01);
  const little = cookAll([{ kind: 'reduce', flame: 1, to: { share: 0.93 } }], wet);
  // Rayleigh: a tenth of the water gone leaves 0.9^10.6 = a third of the alcohol.
  const water = little.liquid.water / wet.liquid.water;
  expect(little.liquid.alcohol / wet.liquid.alcohol).toBeCloseTo(water ** 10.6, 2);
  expect(massG(little) + little.evaporated).toBeCloseTo(massG(wet) + wet.evaporated, 6);
  // A white wine of 10 to 11 % by weight; what is left is read as a share of the whole pot.
  const cold = observe(cookAll([add('white-wine', 500, 20), add('water', 500, 20)]), room);
  expect(cold.alcoholPercent).toBeGreaterThan(4);
  expect(cold.alcoholPercent).toBeLessThan(6);
  expect(observe(half, room).alcoholPercent).toBeLessThan(0.1);
});

test('what is set aside before blending comes back whole', () => {
  const cooked = cookAll([add('floury-potato', 900), tender], soup);
  const blend = (more: Raw) =>
    cookAll([{ kind: 'puree', fraction: 1, tool: 'stick blender', minutes: 0, ...more }], cooked);
  const whole = cooked.pieces[0]?.g ?? 0;
  expect(blend({}).pieces).toEqual([]);
  expect(blend({ reserve: 1 / 3 }).pieces[0]?.g).toBeCloseTo(whole / 3, 6);
  const E = (pot: Pot) => equivalentsAtWork(pot.thickeners);
  const leached = E(cooked);
  expect((E(blend({ reserve: 1 / 3 })) - leached) / (E(blend({})) - leached)).toBeCloseTo(2 / 3, 2);
  expect(massG(blend({ reserve: 0.5 }))).toBeCloseTo(massG(cooked), 6);
});

describe('tempering', () => {
  const liaison = Step.parse({
    kind: 'temper',
    items: [
      { ingredient: 'egg-yolk', amount: 150 },
      { ingredient: 'heavy-cream', amount: 500 },
    ],
    warmTo: 60,
    to: 82,
    flame: 0.3,
  });
  if (liaison.kind !== 'temper') throw new Error('a temper step');
  const pot = cookAll([{ kind: 'rest', minutes: 10, lid: 'off' }], soup);

  test('each ladle warms the bowl, and the last passes what was asked', () => {
    const { ladles, startsAt, back, neverWarm } = temperingOf(pot, liaison, room, 250);
    expect(startsAt).toBeCloseTo(5, 6);
    expect(neverWarm).toBe(false);
    expect(ladles.length).toBeGreaterThan(3);
    const climb = [startsAt, ...ladles.map((l) => l.celsius)];
    for (let i = 1; i < climb.length; i++) expect(climb[i]).toBeGreaterThan(climb[i - 1] ?? 0);
    expect(climb.at(-1)).toBeGreaterThanOrEqual(60);
    expect(climb.at(-2)).toBeLessThan(60);
    expect(back).toBeLessThan(pot.celsius);
    expect(back).toBeGreaterThan(60);
  });

  test('the first ladle by hand: two bodies of water-like food meet between', () => {
    const { ladles, startsAt } = temperingOf(pot, liaison, room, 250);
    // 650 g at 3.2 kJ/(kg·K) (yolk and cream, from memory) against 250 mL of stock at 4.1.
    const [cold, hot] = [650 * 3.2, 250 * 4.1];
    const meet = (cold * startsAt + hot * pot.celsius) / (cold + hot);
    expect(Math.abs((ladles[0]?.celsius ?? 0) - meet)).toBeLessThan(1.5);
  });

  test('a larger vessel is taken when a ladle would not do, and a cool pot never warms it', () => {
    const big = { ...liaison, items: liaison.items.map((i) => ({ ...i, amount: i.amount * 6 })) };
    const large = cookAll([add('vegetable-stock', 20_000, 88)]);
    expect(temperingOf(large, big, room).ladleMl).toBeGreaterThan(250);
    expect(temperingOf(large, big, room).ladles.length).toBeLessThanOrEqual(8);
    const cool = cookAll([add('vegetable-stock', 4000, 50)]);
    expect(temperingOf(cool, liaison, room).neverWarm).toBe(true);
  });
});

test('mash and purée made in another pan thicken from the moment they go in, mash less', () => {
  const into = (as: string) =>
    cookAll(
      [{ kind: 'add', items: [{ ingredient: 'floury-potato', amount: 400, celsius: 80, as }], minutes: 0 }],
      soup,
    );
  const [puree, mash] = [into('puree'), into('mash')];
  expect(puree.pieces.some((p) => p.ingredient === 'floury-potato')).toBe(false);
  const E = (pot: Pot) => equivalentsAtWork(pot.thickeners) - equivalentsAtWork(soup.thickeners);
  expect(E(mash) / E(puree)).toBeCloseTo(0.6, 6);
  // Cooked in the pot and blended there it comes to the same, but for what has leached first.
  const here = cookAll(
    [
      add('floury-potato', 400),
      tender,
      { kind: 'puree', of: ['floury-potato'], fraction: 1, tool: 'stick blender', minutes: 0 },
    ],
    soup,
  );
  expect(E(puree) / E(here)).toBeGreaterThan(0.75);
  expect(E(puree) / E(here)).toBeLessThan(1);
  expect(massG(puree)).toBeCloseTo(massG(soup) + 400, 6);
});

test('a fork crushes less than a masher, and both leave the granules alone', () => {
  const cooked = cookAll([add('floury-potato', 900), tender], soup);
  const by = (tool: string) => {
    const pot = cookAll([{ kind: 'puree', fraction: 1, tool, minutes: 0 }], cooked);
    return equivalentsAtWork(pot.thickeners) - equivalentsAtWork(cooked.thickeners);
  };
  expect(by('fork') / by('masher')).toBeCloseTo(0.45 / 0.6, 6);
});

test('one vegetable put in at two times is told apart when some of it is blended or lifted out', () => {
  const twice = cookAll([add('floury-potato', 600), tender, add('floury-potato', 250)], soup);
  expect(twice.pieces.map((p) => p.lot)).toEqual(expect.arrayContaining([1, 2]));
  const g = (pot: Pot, lot: number) =>
    pot.pieces.find((p) => p.ingredient === 'floury-potato' && p.lot === lot)?.g ?? 0;
  const of = (name: string) => [name];
  const blended = cookAll(
    [{ kind: 'puree', of: of('floury-potato#1'), fraction: 1, tool: 'stick blender', minutes: 0 }],
    twice,
  );
  expect(g(blended, 1)).toBe(0);
  expect(g(blended, 2)).toBeCloseTo(g(twice, 2), 9);
  const lifted = cookAll([{ kind: 'strain', of: of('floury-potato#2'), minutes: 0 }], twice);
  expect(g(lifted, 2)).toBe(0);
  expect(g(lifted, 1)).toBeGreaterThan(500);
  expect(cookAll([{ kind: 'strain', of: of('floury-potato'), minutes: 0 }], twice).pieces).toHaveLength(
    soup.pieces.length,
  );
  // A third go is the third, though the first has gone.
  expect(g(cookAll([add('floury-potato', 100)], blended), 3)).toBeGreaterThan(99);
});
