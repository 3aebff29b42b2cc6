import fc from 'fast-check';
import '../../food/load';
import type { Burner } from '../../heat/burner';
import { softeningIn } from '../../heat/softening';
import type { Vessel } from '../../heat/vessel';
import { advance } from '../advance';
import { massG } from '../contents/contents';
import { foodIn, STANDARD_KITCHEN } from '../kitchen';
import { observe } from '../observe';
import { emptyPot, type Pot } from '../pot';
import { Step } from '../step';

const pan = (diameterMm: number): Vessel => ({
  id: 'p',
  name: 'P',
  diameterMm,
  heightMm: 200,
  material: 'stainless steel',
  massG: 2500,
});
const hob: Burner = { id: 'b', name: 'B', kind: 'gas', powerW: 7000 };

type Raw = Record<string, unknown>;
const cook = (steps: readonly Raw[], pot: Pot = emptyPot(pan(280), hob)): Pot =>
  steps.reduce<Pot>((p, s) => advance(p, Step.parse(s), STANDARD_KITCHEN).pot, pot);

const sweat = (minutes: number, items: readonly Raw[] = [], more: Raw = {}): Raw => ({
  kind: 'sweat',
  items: items.length ? items : [{ ingredient: 'butter', amount: 0 }],
  minutes,
  to: 'translucent',
  ...more,
});
const onions = (g = 500, fat = 30): readonly Raw[] => [
  { ingredient: 'butter', amount: fat },
  { ingredient: 'onion', amount: g, cut: { shape: 'cube', edgeMm: 8 } },
];
/** Share of its weight the first vegetable has lost. */
const lost = (pot: Pot): number => {
  const [p] = pot.pieces;
  return p ? 1 - (p.g - p.soaked) / p.fresh : 0;
};

const raw = foodIn(STANDARD_KITCHEN, 'onion').composition;

describe('sweating is a process in time', () => {
  test('in one step or several, in any split of the minutes, it comes to the same pot', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 25, noNaN: true }),
        fc.array(fc.double({ min: 0.05, max: 1, noNaN: true }), { minLength: 1, maxLength: 4 }),
        (minutes, parts) => {
          const whole = cook([sweat(minutes, onions())]);
          const sum = parts.reduce((a, b) => a + b, 0);
          const [first = 1, ...rest] = parts.map((p) => (minutes * p) / sum);
          const split = cook([sweat(first, onions()), ...rest.map((m) => sweat(m))]);
          expect(split.seconds).toBeCloseTo(whole.seconds, 6);
          expect(Math.abs(massG(split) / massG(whole) - 1)).toBeLessThan(0.01);
          expect(Math.abs((split.pieces[0]?.g ?? 0) / (whole.pieces[0]?.g ?? 1) - 1)).toBeLessThan(0.01);
          expect(Math.abs(split.celsius - whole.celsius)).toBeLessThan(1);
          expect(Math.abs(split.freeFat - whole.freeFat)).toBeLessThan(0.2);
        },
      ),
      { numRuns: 60 },
    );
  });

  test('what leaves is water: nothing else is lost or made', () => {
    const pot = cook([sweat(12, onions())]);
    expect(massG(pot) + pot.evaporated).toBeCloseTo(530, 6);
    const [piece] = pot.pieces;
    const { fibre = 0, starch = 0, sugars = 0 } = piece?.composition ?? {};
    for (const [now, then] of [
      [fibre, raw.fibre],
      [starch, raw.starch],
      [sugars, raw.sugars],
    ])
      expect((now ?? 0) * (piece?.g ?? 0)).toBeCloseTo((then ?? 0) * 500, 6);
  });

  test('longer, a wider pan, a stronger flame and more butter drive off more; a lid keeps it in', () => {
    const base = lost(cook([sweat(8, onions())]));
    expect(lost(cook([sweat(16, onions())]))).toBeGreaterThan(1.5 * base);
    expect(lost(cook([sweat(2, onions())]))).toBeLessThan(0.2 * base);
    expect(lost(cook([sweat(8, onions())], emptyPot(pan(360), hob)))).toBeGreaterThan(1.3 * base);
    expect(lost(cook([sweat(8, onions(), { flame: 0.8 })]))).toBeGreaterThan(1.2 * base);
    expect(lost(cook([sweat(8, onions(500, 5))]))).toBeLessThan(0.9 * base);
    expect(lost(cook([sweat(8, onions(), { lid: 'on' })]))).toBeLessThan(0.2 * base);
    expect(lost(cook([sweat(8, onions(1500, 90))]))).toBeLessThan(0.5 * base);
  });

  test('what has just gone in gives up more than what is nearly dry', () => {
    const first = cook([sweat(25, onions(300, 30), { flame: 0.7 })]);
    const both = cook(
      [sweat(5, [{ ingredient: 'celery', amount: 300, cut: { shape: 'cube', edgeMm: 8 } }])],
      first,
    );
    const [onion, celery] = both.pieces;
    const more = (first.pieces[0]?.g ?? 0) - (onion?.g ?? 0);
    expect(300 - (celery?.g ?? 0) + (celery?.soaked ?? 0)).toBeGreaterThan(2 * more);
  });

  test('dry, it comes over the boil and colours; wet, it does not', () => {
    expect(cook([sweat(6, onions())]).celsius).toBeLessThan(100);
    expect(cook([sweat(60, onions(200), { flame: 0.8, to: 'gold' })]).celsius).toBeGreaterThan(110);
  });

  test('to gold, where no flame is named, is a stronger one than to translucent', () => {
    const base = lost(cook([sweat(8, onions())]));
    expect(lost(cook([sweat(8, onions(), { to: 'gold' })]))).toBeGreaterThan(1.1 * base);
    expect(lost(cook([sweat(8, onions(), { to: 'gold', flame: 0.35 })]))).toBe(base);
  });

  test('water comes freely until half of it is gone, then ever more slowly', () => {
    let pot = cook([sweat(6, onions(), { flame: 0.5 })]);
    const rates: (readonly [left: number, rate: number])[] = [];
    for (let n = 0; n < 80; n++) {
      const next = cook([sweat(0.5, [], { flame: 0.5 })], pot);
      const [piece] = pot.pieces;
      const left = ((piece?.g ?? 0) * (piece?.composition.water ?? 0)) / (500 * raw.water);
      rates.push([left, next.evaporated - pot.evaporated]);
      pot = next;
    }
    const at = (share: number): number => rates.find(([left]) => left < share)?.[1] ?? Number.NaN;
    expect(at(0.55) / at(0.75)).toBeGreaterThan(0.9);
    expect(at(0.3) / at(0.55)).toBeLessThan(0.75);
  });

  test('while it steams the middle of a piece is 6 °C behind the pan, and softens by that', () => {
    const pot = cook([sweat(6, onions())]);
    const next = cook([sweat(2)], pot);
    const [before, after] = [pot.pieces[0], next.pieces[0]];
    expect(next.celsius - (after?.centrePeak ?? 0)).toBeCloseTo(6, 1);
    const softer = (after?.softened ?? 0) - (before?.softened ?? 0);
    expect(softer / softeningIn(120, next.celsius - 6)).toBeCloseTo(1, 1);
  });

  test('fat is soaked up once, however often it is sweated', () => {
    const long = cook([sweat(10, onions()), sweat(10), sweat(10), sweat(10)]);
    expect(long.pieces[0]?.soaked).toBeGreaterThan(14.5);
    expect(long.pieces[0]?.soaked).toBeLessThanOrEqual(15);
  });
});

describe('the trade’s plain facts (common practice, no source)', () => {
  test('500 g of onions, ten minutes, a gentle flame: about a fifth of their weight', () => {
    const share = lost(cook([sweat(10, onions())]));
    expect(share).toBeGreaterThan(0.12);
    expect(share).toBeLessThan(0.28);
  });
  test('500 g of mushrooms on the way to gold, twelve minutes: a third to a half', () => {
    const items = [
      { ingredient: 'butter', amount: 40 },
      { ingredient: 'button-mushroom', amount: 500, cut: { shape: 'slab', edgeMm: 5 } },
    ];
    const share = lost(cook([sweat(12, items, { to: 'gold', flame: 0.8 })], emptyPot(pan(300), hob)));
    expect(share).toBeGreaterThan(0.33);
    expect(share).toBeLessThan(0.5);
  });
});

describe('what a purée thickens does not depend on how its water left', () => {
  const blend = (steps: readonly Raw[], water: number): number =>
    observe(
      cook([
        ...steps,
        { kind: 'add', items: [{ ingredient: 'water', amount: water, celsius: 90 }] },
        { kind: 'bring-to', to: 'simmer', flame: 1, lid: 'on' },
        { kind: 'simmer', minutes: 20, lid: 'on', untilTender: true },
        { kind: 'puree', fraction: 1, tool: 'stick blender' },
      ]),
      STANDARD_KITCHEN,
    ).bowlViscosity;

  test.each(['button-mushroom', 'onion', 'carrot', 'celeriac', 'courgette'])(
    '1 kg of %s sweated or not, made up to the same water, is as thick',
    (id) => {
      const items = [
        { ingredient: 'sunflower-oil', amount: 20 },
        { ingredient: id, amount: 1000, cut: { shape: 'cube', edgeMm: 8 } },
      ];
      const sweated = cook([sweat(15, items)]);
      const raw = blend([{ kind: 'add', items }], 1000);
      const made = blend([sweat(15, items)], 1000 + sweated.evaporated);
      expect(Math.abs(made / raw - 1)).toBeLessThan(0.06);
    },
  );

  test('pure mushroom purée is thicker than a gravy of 20 g of flour a litre', () => {
    const items = [
      { ingredient: 'butter', amount: 20 },
      { ingredient: 'button-mushroom', amount: 1000, cut: { shape: 'cube', edgeMm: 8 } },
    ];
    const gravy = observe(
      cook([
        {
          kind: 'roux',
          flour: { ingredient: 'plain-flour', amount: 20 },
          fat: { ingredient: 'butter', amount: 20 },
          rule: 'weight',
          colour: 'white',
          minutes: 2,
        },
        { kind: 'add', items: [{ ingredient: 'water', amount: 1000, celsius: 60 }] },
        { kind: 'bring-to', to: 'simmer', flame: 1, lid: 'on' },
        { kind: 'simmer', minutes: 5, lid: 'on' },
      ]),
      STANDARD_KITCHEN,
    ).bowlViscosity;
    expect(blend([sweat(15, items)], 0)).toBeGreaterThan(gravy);
  });
});

test('passata and paste flow and thicken from the moment they go in', () => {
  const pot = (id: string, g: number) =>
    observe(
      cook([
        { kind: 'add', items: [{ ingredient: 'water', amount: 1000, celsius: 60 }] },
        { kind: 'add', items: [{ ingredient: id, amount: g }] },
      ]),
      STANDARD_KITCHEN,
    );
  const plain = pot('water', 400).bowlViscosity;
  expect(pot('tomato-passata', 1000).bowlViscosity).toBeGreaterThan(5 * plain);
  expect(pot('tomato-paste', 400).bowlViscosity).toBeGreaterThan(5 * plain);
  // Tomatoes in pieces do not, before they are blended.
  expect(pot('tomato', 1000).bowlViscosity).toBeLessThan(2 * plain);
});
