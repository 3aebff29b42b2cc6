import fc from 'fast-check';
import { catalogue } from '../food/catalogue';
import { totalOf } from '../food/composition';
import type { Burner } from '../heat/burner';
import type { Vessel } from '../heat/vessel';
import { advance } from './advance';
import { heatCapacity, massG, pHOf, putIn } from './contents/contents';
import { portionsIn } from './contents/portions';
import { hardest, simmersAt } from './cook';
import { STANDARD_KITCHEN as room } from './kitchen';
import { observe } from './observe';
import { emptyPot, type Pot } from './pot';
import { type Portion, Step } from './step';

const vessel: Vessel = {
  id: 'v',
  name: 'V',
  diameterMm: 260,
  heightMm: 180,
  material: 'stainless steel',
  massG: 2200,
};
const burner: Burner = { id: 'b', name: 'B', kind: 'gas', powerW: 5000 };
const cold = emptyPot(vessel, burner, 20);

type Raw = Record<string, unknown>;
const cookAll = (steps: readonly Raw[], from: Pot = cold, kitchen = room) =>
  steps.reduce<Pot>((pot, s) => advance(pot, Step.parse(s), kitchen).pot, from);
const seen = (pot: Pot) => observe(pot, room);

const roux = (flour: number, colour = 'white') => ({
  kind: 'roux',
  flour: { ingredient: 'plain-flour', amount: flour },
  fat: { ingredient: 'butter', amount: flour },
  rule: 'weight',
  colour,
  minutes: 3,
});
const stock = (amount: number, celsius = 60) => ({
  kind: 'add',
  items: [{ ingredient: 'vegetable-stock', amount, celsius }],
});
const dice = (ingredient: string, amount: number) => ({ kind: 'add', items: [{ ingredient, amount }] });
const toSimmer = { kind: 'bring-to', to: 'simmer', flame: 0.8, lid: 'off' };
const simmer = (minutes: number, lid = 'off') => ({ kind: 'simmer', minutes, lid });

describe('putting in', () => {
  test('heat is conserved: hot and cold meet between', () => {
    const hot = putIn(cold, { ingredient: 'water', amount: 1000, celsius: 90 }, room);
    const mixed = putIn(hot, { ingredient: 'water', amount: 1000, celsius: 10 }, room);
    const before = heatCapacity(hot) * hot.celsius + 4.18 * 1000 * 10;
    expect(heatCapacity(mixed) * mixed.celsius).toBeCloseTo(before, -3);
    expect(mixed.celsius).toBeGreaterThan(10);
    expect(mixed.celsius).toBeLessThan(hot.celsius);
  });

  test('every ingredient keeps its mass and its salt', () => {
    for (const i of catalogue()) {
      const pot = putIn(cold, { ingredient: i.id, amount: 100 }, room);
      expect(massG(pot)).toBeCloseTo(100, 6);
      expect(pot.sodium).toBeCloseTo(i.sodium / 1000, 9);
    }
  });
});

describe('flour', () => {
  test('does nothing before it is hot, and its full work at the simmer', () => {
    const tepid = cookAll([roux(120), stock(2000, 20)]);
    expect(seen(tepid).equivalents).toBeLessThan(2);
    const hot = cookAll([toSimmer, simmer(2, 'on')], tepid);
    expect(seen(hot).equivalents).toBeGreaterThan(55);
    expect(seen(hot).band).toBe('Coating');
  });

  test('colour costs thickening', () => {
    const at = (colour: string) =>
      seen(cookAll([roux(120, colour), stock(2000), toSimmer, simmer(2, 'on')])).equivalents;
    expect(at('blond') / at('white')).toBeCloseTo(0.9, 2);
    expect(at('brown') / at('white')).toBeCloseTo(0.65, 2);
    expect(at('dark') / at('white')).toBeCloseTo(0.4, 2);
  });

  test('dusted flour counts like a white roux', () => {
    const dusted = cookAll([
      { kind: 'sweat', items: [{ ingredient: 'butter', amount: 120 }], minutes: 2, to: 'translucent' },
      { kind: 'dust', flour: { ingredient: 'plain-flour', amount: 120 }, minutes: 2 },
      stock(2000),
      toSimmer,
      simmer(2, 'on'),
    ]);
    const white = cookAll([roux(120), stock(2000), toSimmer, simmer(2, 'on')]);
    expect(seen(dusted).equivalents / seen(white).equivalents).toBeCloseTo(1, 1);
  });

  test('a blender after thickening costs a tenth', () => {
    const thick = cookAll([roux(120), stock(2000), toSimmer, simmer(2, 'on')]);
    const blended = cookAll([{ kind: 'puree', fraction: 1, tool: 'stick blender', minutes: 0 }], thick);
    const atWork = (pot: Pot) => seen(pot).equivalents * seen(pot).waterMl;
    expect(atWork(blended) / atWork(thick)).toBeCloseTo(0.9, 6);
  });
});

describe('on the fire', () => {
  const pot = cookAll([stock(3000), toSimmer]);

  test('a lid keeps the water: on a tenth, ajar half', () => {
    const lost = (lid: string) => cookAll([simmer(20, lid)], pot).evaporated - pot.evaporated;
    expect(lost('on') / lost('off')).toBeCloseTo(0.1, 2);
    expect(lost('ajar') / lost('off')).toBeCloseTo(0.5, 2);
  });

  test('the simmer stands still at its temperature, lower up a hill', () => {
    expect(cookAll([simmer(10)], pot).celsius).toBeCloseTo(simmersAt(room), 1);
    const hill = { ...room, altitudeM: 1600 };
    expect(cookAll([stock(1000), toSimmer], cold, hill).celsius).toBeLessThan(91);
  });

  test('a weak burner that cannot get there says so', () => {
    const weak: Pot = { ...cookAll([stock(6000)]), burner: { ...burner, powerW: 600 } };
    const { notes, pot: stalled } = advance(weak, Step.parse(toSimmer), room);
    expect(notes).toEqual([{ kind: 'stalled', celsius: stalled.celsius, wanted: simmersAt(room) }]);
    expect(stalled.celsius).toBeLessThan(90);
  });

  test('at a full boil the burner’s surplus goes off as steam', () => {
    const boiling = cookAll([{ kind: 'bring-to', to: 'boil', flame: 1, lid: 'off' }], pot);
    expect(boiling.celsius).toBeCloseTo(99.97, 1);
    // Ten minutes at the full boil: 5 kW of gas, 0.40 of it into the pot, less the wall's, over 2257 J/g.
    const after = cookAll([{ kind: 'reduce', flame: 1, to: { minutes: 10 } }], boiling);
    const wall = 11 * 0.16 * 80;
    expect((after.evaporated - boiling.evaporated) / (((5000 * 0.4 - wall) * 600) / 2257)).toBeCloseTo(1, 1);
    // Half the flame has far less than half to spare.
    const half = cookAll([{ kind: 'reduce', flame: 0.5, to: { minutes: 10 } }], boiling);
    expect(half.evaporated - boiling.evaporated).toBeLessThan(0.5 * (after.evaporated - boiling.evaporated));
  });

  test('cold pieces drop the pot, and the simmer first recovers', () => {
    const dropped = cookAll(
      [
        {
          kind: 'add',
          items: [{ ingredient: 'waxy-potato', amount: 1200, cut: { shape: 'cube', edgeMm: 12 } }],
        },
      ],
      pot,
    );
    expect(dropped.celsius).toBeLessThan(85);
    const after = advance(dropped, Step.parse({ ...simmer(0, 'on'), untilTender: true }), room);
    expect(after.pot.celsius).toBeCloseTo(simmersAt(room), 1);
    expect(seen(after.pot).equivalents).toBeGreaterThan(1);
  });
});

describe('purée', () => {
  const boiled = cookAll([
    stock(2000),
    toSimmer,
    {
      kind: 'add',
      items: [{ ingredient: 'floury-potato', amount: 800, cut: { shape: 'cube', edgeMm: 12 } }],
    },
    { ...simmer(5, 'on'), untilTender: true },
  ]);

  test('keeps mass, moves pieces into the liquid, and thickens in proportion', () => {
    const half = cookAll([{ kind: 'puree', fraction: 0.5, tool: 'jug blender', minutes: 0 }], boiled);
    const all = cookAll([{ kind: 'puree', fraction: 1, tool: 'jug blender', minutes: 0 }], boiled);
    expect(massG(half)).toBeCloseTo(massG(boiled), 6);
    expect(all.pieces).toHaveLength(0);
    expect(totalOf(all.liquid)).toBeGreaterThan(totalOf(half.liquid));
    expect(seen(all).equivalents).toBeGreaterThan(seen(half).equivalents);
    expect(seen(half).equivalents).toBeGreaterThan(seen(boiled).equivalents);
  });

  test('simmered until tender it stops when a fork goes through, not slices of time later', () => {
    expect(boiled.pieces).toHaveLength(1);
    expect(hardest(boiled)).toBeCloseTo(1, 2);
  });

  test('hard pieces give less', () => {
    const raw = cookAll([
      stock(2000),
      { kind: 'add', items: [{ ingredient: 'floury-potato', amount: 800 }] },
    ]);
    const blended = cookAll([{ kind: 'puree', fraction: 1, tool: 'stick blender' }], raw);
    expect(seen(blended).equivalents).toBeLessThan(1);
  });
});

describe('the other things cooks do', () => {
  const soup = cookAll([stock(3000), toSimmer]);

  test('bacon gives its fat up; what is not kept is poured off', () => {
    const bacon = (keep: number) =>
      cookAll([{ kind: 'render', items: [{ ingredient: 'streaky-bacon', amount: 400 }], minutes: 12, keep }]);
    expect(bacon(1).freeFat).toBeGreaterThan(70);
    expect(bacon(0.25).freeFat / bacon(1).freeFat).toBeCloseTo(0.25, 6);
    expect(bacon(0).removed).toBeCloseTo(bacon(1).freeFat, 6);
  });

  test('reducing to a share, by the level or by minutes all boil water off', () => {
    const lost = (to: object) =>
      cookAll([{ kind: 'reduce', flame: 1, to }], soup).evaporated - soup.evaporated;
    expect(lost({ share: 0.75 })).toBeCloseTo(seen(soup).volumeMl * 0.25, -2);
    expect(lost({ dropMm: 10 })).toBeCloseTo(Math.PI * 13 ** 2, -1);
    expect(lost({ minutes: 10 })).toBeGreaterThan(lost({ minutes: 5 }));
  });

  test('a strained shell stock keeps its liquid and loses the rest', () => {
    const shells = cookAll([dice('onion', 500), { kind: 'strain' }], soup);
    expect(shells.pieces).toHaveLength(0);
    expect(shells.removed).toBeGreaterThan(500);
    expect(totalOf(shells.liquid) / totalOf(soup.liquid)).toBeGreaterThan(0.93);
  });

  test('what is strained out takes its share of the salt, and leaves the soup as salty as it was', () => {
    const salted = cookAll(
      [
        { kind: 'season', items: [{ ingredient: 'salt', amount: 20 }] },
        dice('crab-shells', 600),
        simmer(10, 'on'),
      ],
      soup,
    );
    const strained = cookAll([{ kind: 'strain', minutes: 0 }], salted);
    // The shells' own salt is in the soup by now: what is left is as strong per water as before.
    const strength = (p: Pot) =>
      p.sodium / (p.liquid.water + p.pieces.reduce((sum, x) => sum + x.g * x.composition.water, 0));
    expect(strained.sodium).toBeLessThan(0.97 * salted.sodium);
    expect(strength(strained) / strength(salted)).toBeCloseTo(1, 6);
    // Of liquid lost with the solids, nothing else.
    const dry = cookAll([{ kind: 'strain', keeps: 0 }], cookAll([], soup));
    expect(dry.sodium).toBeCloseTo(soup.sodium, 9);
    expect(cookAll([{ kind: 'strain', keeps: 0.5 }], soup).sodium).toBeCloseTo(soup.sodium / 2, 6);
  });

  test('raw shellfish gives up juice as it cooks, cooked does not', () => {
    const poach = (ingredient: string) =>
      cookAll([{ kind: 'poach', items: [{ ingredient, amount: 500 }], at: 88, lid: 'on' }], soup);
    const [mussel] = poach('mussel-meat').pieces;
    expect(mussel?.juice).toBeGreaterThan(0.15 * 500);
    expect((mussel?.g ?? 0) + (mussel?.juice ?? 0)).toBeCloseTo(500, 6);
    expect(poach('cockle-meat').pieces[0]?.g).toBe(500);
  });

  test('mashed it thickens less than blended, and leaves granules and floating fat alone', () => {
    const bound = cookAll([roux(60), stock(2000), toSimmer]);
    const tender = cookAll([dice('floury-potato', 600), { ...simmer(0, 'on'), untilTender: true }], bound);
    const with_ = (tool: string) => cookAll([{ kind: 'puree', fraction: 1, tool, minutes: 0 }], tender);
    const [mashed, blended] = [with_('masher'), with_('jug blender')];
    const pulp = (p: Pot) =>
      p.thickeners.filter((t) => t.kind === 'puree').reduce((sum, t) => sum + t.equivalents, 0);
    expect(pulp(mashed) / pulp(blended)).toBeCloseTo(0.6, 6);
    const wheat = (p: Pot) => p.thickeners.find((t) => t.kind === 'wheat')?.strength;
    expect(wheat(mashed)).toBe(wheat(tender));
    expect(wheat(blended)).toBeLessThan(wheat(tender) ?? 0);
    expect(mashed.freeFat).toBe(tender.freeFat);
    expect(blended.freeFat).toBe(0);
  });

  test('poached for minutes it stays that long, and at least until the centre is done', () => {
    const poach = (minutes?: number) =>
      cookAll(
        [
          {
            kind: 'poach',
            items: [{ ingredient: 'small-shrimp', amount: 300 }],
            at: 85,
            lid: 'on',
            ...(minutes !== undefined && { minutes }),
          },
        ],
        soup,
      );
    const done = poach().seconds - soup.seconds;
    expect(poach(12).seconds - soup.seconds).toBeCloseTo(12 * 60 + 30, 0);
    expect(poach(0.1).seconds - soup.seconds).toBeCloseTo(done, 6);
  });

  test('brought to less than it has, it cools off the flame, and takes the time that takes', () => {
    const hot = cookAll([{ kind: 'bring-to', to: 'simmer', flame: 1, lid: 'off' }], soup);
    const cool = (lid: string, to = 80) =>
      advance(hot, Step.parse({ kind: 'bring-to', to, flame: 1, lid }), room);
    const off = cool('off');
    expect(off.pot.celsius).toBeCloseTo(80, 1);
    expect(off.notes).toEqual([]);
    const minutes = (off.pot.seconds - hot.seconds) / 60;
    expect(minutes).toBeGreaterThan(3);
    expect(minutes).toBeLessThan(20);
    expect((cool('on').pot.seconds - hot.seconds) / 60).toBeGreaterThan(2 * minutes);
    // It gives off steam as it does.
    expect(off.pot.evaporated).toBeGreaterThan(hot.evaporated + 10);
    const warm = cookAll([{ kind: 'bring-to', to: 60, flame: 1, lid: 'off' }], cookAll([stock(2000, 20)]));
    expect(warm.celsius).toBeCloseTo(60, 1);
  });

  test('cornstarch thickens twice as much as flour, and boiled in cream in three additions as much as in one', () => {
    const with_ = (method: string, ingredient: string, amount: number, more: Raw = {}) =>
      seen(
        cookAll(
          [{ kind: 'thicken', method, thickener: { ingredient, amount }, minutes: 3, lid: 'on', ...more }],
          soup,
        ),
      ).equivalents;
    const carrier = { ingredient: 'water', amount: 60 };
    expect(
      with_('slurry', 'cornstarch', 60, { carrier }) / with_('slurry', 'plain-flour', 120, { carrier }),
    ).toBeCloseTo(1, 1);
    const cream = { carrier: { ingredient: 'heavy-cream', amount: 300 } };
    const once = with_('boiled cream', 'cornstarch', 60, cream);
    expect(with_('boiled cream', 'cornstarch', 60, { ...cream, additions: 3 }) / once).toBeCloseTo(1, 1);
  });

  test('a liaison thickens when set, and scrambles beyond its limit or in a pot straight off the simmer', () => {
    const rested = cookAll([{ kind: 'rest', minutes: 12, lid: 'off' }], soup);
    const liaison = (to: number, into = rested) =>
      advance(
        into,
        Step.parse({
          kind: 'temper',
          items: [
            { ingredient: 'egg-yolk', amount: 150 },
            { ingredient: 'heavy-cream', amount: 300 },
          ],
          warmTo: 60,
          to,
          flame: 0.4,
        }),
        room,
      );
    expect(liaison(82).notes).toEqual([]);
    expect(liaison(82, soup).notes).toEqual([expect.objectContaining({ kind: 'scrambled' })]);
    expect(seen(liaison(82).pot).equivalents).toBeGreaterThan(10);
    const boiled = advance(
      liaison(82).pot,
      Step.parse({ kind: 'bring-to', to: 'simmer', flame: 0.5, lid: 'off' }),
      room,
    );
    expect(boiled.notes).toEqual([expect.objectContaining({ kind: 'scrambled', limit: 85 })]);
    expect(seen(boiled.pot).equivalents).toBeLessThan(1);
  });

  test('fish is poached to 63 °C in its centre', () => {
    const fish = { ingredient: 'smoked-haddock', amount: 600, cut: { shape: 'cube', edgeMm: 25 } };
    const done = cookAll([{ kind: 'poach', items: [fish], at: 80, lid: 'ajar' }], soup);
    expect(done.pieces[0]?.centrePeak).toBeGreaterThanOrEqual(62.9);
    expect(done.pieces[0]?.centrePeak).toBeLessThan(66);
  });

  test('rest cools, hold stands, chill and reheat arrive', () => {
    expect(cookAll([{ kind: 'rest', minutes: 20, lid: 'off' }], soup).celsius).toBeLessThan(85);
    expect(cookAll([{ kind: 'hold', minutes: 90, at: 65, lid: 'on' }], soup).celsius).toBeCloseTo(65, 0);
    const cold = cookAll([{ kind: 'chill', method: 'blast', depthMm: 50, to: 5 }], soup);
    expect(cold.celsius).toBe(5);
    expect(cold.seconds - soup.seconds).toBeGreaterThan(1800);
    expect(cookAll([{ kind: 'reheat', to: 74, flame: 1, lid: 'on' }], cold).celsius).toBeCloseTo(74, 1);
    const never = advance(soup, Step.parse({ kind: 'chill', method: 'cold room', depthMm: 50, to: 3 }), room);
    expect(never.notes).toEqual([{ kind: 'cannot-chill', to: 3 }]);
  });

  test('rice drinks, and blended it thickens; acid keeps vegetables hard and breaks starch down', () => {
    const rice = cookAll([dice('white-rice', 225), { ...simmer(5, 'on'), untilTender: true }], soup);
    expect(rice.pieces[0]?.g).toBeGreaterThan(550);
    const blended = cookAll([{ kind: 'puree', fraction: 1, tool: 'jug blender' }], rice);
    expect(seen(blended).equivalents).toBeGreaterThan(55);
    const sour = cookAll([{ kind: 'season', items: [{ ingredient: 'lemon-juice', amount: 700 }] }], soup);
    expect(pHOf(sour)).toBeLessThan(4.5);
    const strengthAfter = (pot: Pot) =>
      cookAll([simmer(20, 'on')], pot).thickeners.find((t) => t.kind === 'wheat')?.strength ?? 1;
    // One unit under 4.5 and below doubles the loss, and doubles it again.
    const thick = cookAll([roux(60), stock(1000), toSimmer]);
    const acid = cookAll([{ kind: 'season', items: [{ ingredient: 'lemon-juice', amount: 500 }] }], thick);
    expect(pHOf(acid)).toBeLessThan(4.5);
    const loss = (pot: Pot) => Math.log(strengthAfter(pot) / (pot.thickeners[0]?.strength ?? 1));
    expect(loss(acid) / loss(thick)).toBeCloseTo(2 ** (1 + 4.5 - pHOf(acid)), 0);
    const cooked = (pot: Pot) =>
      advance(pot, Step.parse({ ...simmer(0, 'on'), untilTender: true }), room).pot;
    const carrots = (pot: Pot) => cooked(cookAll([dice('carrot', 300)], pot)).seconds - pot.seconds;
    expect(carrots(sour) / carrots(soup)).toBeGreaterThan(1.5);
  });
});

const anyStep = fc.oneof(
  fc.constantFrom<Raw>(
    { kind: 'render', items: [{ ingredient: 'streaky-bacon', amount: 150 }], minutes: 8, keep: 0.5 },
    { kind: 'reduce', flame: 1, to: { share: 0.8 } },
    { kind: 'reduce', flame: 1, to: { dropMm: 5 } },
    { kind: 'reduce', flame: 0.7, to: { minutes: 5 } },
    { kind: 'strain' },
    { kind: 'strain', of: ['onion'], keeps: 0.05 },
    {
      kind: 'thicken',
      method: 'slurry',
      thickener: { ingredient: 'cornstarch', amount: 30 },
      carrier: { ingredient: 'water', amount: 45 },
      minutes: 2,
    },
    { kind: 'temper', items: [{ ingredient: 'heavy-cream', amount: 200 }], warmTo: 60, to: 80, flame: 0.3 },
    { kind: 'poach', items: [{ ingredient: 'smoked-haddock', amount: 300 }], at: 80, lid: 'ajar' },
    { kind: 'rest', minutes: 10, lid: 'on' },
    { kind: 'hold', minutes: 20, at: 65, lid: 'on' },
    { kind: 'chill', method: 'ice bath', depthMm: 80, to: 5 },
    { kind: 'reheat', to: 74, flame: 0.8, lid: 'on' },
  ),
  fc.record({
    kind: fc.constant('add'),
    items: fc.array(
      fc.record({
        ingredient: fc.constantFrom(...catalogue().map((i) => i.id)),
        amount: fc.double({ min: 0, max: 3000, noNaN: true }),
      }),
      { minLength: 1, maxLength: 3 },
    ),
  }),
  fc.record({
    kind: fc.constant('sweat'),
    items: fc.constant([{ ingredient: 'onion', amount: 200 }]),
    minutes: fc.integer({ min: 0, max: 20 }),
    to: fc.constantFrom('translucent', 'gold'),
  }),
  fc.record({
    kind: fc.constant('bring-to'),
    to: fc.constantFrom('simmer', 'boil', 60),
    flame: fc.constantFrom(0.1, 0.5, 1),
    lid: fc.constantFrom('on', 'ajar', 'off'),
  }),
  fc.record({
    kind: fc.constant('simmer'),
    minutes: fc.integer({ min: 0, max: 30 }),
    untilTender: fc.boolean(),
    lid: fc.constantFrom('on', 'off'),
  }),
  fc.record({
    kind: fc.constant('puree'),
    fraction: fc.double({ min: 0, max: 1, noNaN: true }),
    tool: fc.constant('stick blender'),
  }),
  fc.record({
    kind: fc.constant('dust'),
    flour: fc.constant({ ingredient: 'plain-flour', amount: 50 }),
    minutes: fc.constant(2),
  }),
);

test('advance is total, whatever the steps and their order: they keep the pot physical and its mass accounted for', () => {
  fc.assert(
    fc.property(fc.array(anyStep, { maxLength: 7 }), (raw) => {
      let pot = cold;
      let put = 0;
      for (const r of raw) {
        const step = Step.parse(r);
        put += portionsIn<Portion>(step).reduce((sum, p) => sum + p.amount, 0);
        const next = advance(pot, step, room).pot;
        expect(next.seconds).toBeGreaterThanOrEqual(pot.seconds);
        pot = next;
      }
      const o = observe(pot, room);
      for (const value of [o.volumeMl, o.bowlViscosity, o.equivalents, o.saltPercent, pot.freeFat]) {
        expect(Number.isFinite(value)).toBe(true);
        expect(value).toBeGreaterThanOrEqual(0);
      }
      expect(pot.liquid.water).toBeGreaterThanOrEqual(0);
      expect(massG(pot) + pot.evaporated + pot.removed).toBeCloseTo(put, 3);
      expect(pot.pieces.every((p) => p.g >= 0 && Object.values(p.composition).every((x) => x >= -1e-9))).toBe(
        true,
      );
      expect(pHOf(pot)).toBeGreaterThan(2);
      expect(pHOf(pot)).toBeLessThan(8);
    }),
    { numRuns: 60, seed: 7 },
  );
});

test('a step that is not one is refused', () => {
  expect(Step.safeParse({ kind: 'fry' }).success).toBe(false);
  expect(Step.safeParse({ ...simmer(-1) }).success).toBe(false);
  expect(Step.safeParse(stock(-5)).success).toBe(false);
  expect(
    Step.safeParse({ kind: 'dust', minutes: 1, flour: { ingredient: 'sawdust', amount: 1 } }).success,
  ).toBe(false);
});
