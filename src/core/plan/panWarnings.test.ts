import { demoHouse } from '../../../demo/demo';
import { inEnglish } from '../text/inWords';
import { planFor } from './plan';
import { recipeOfPans, type WayOfPans } from './testKit';
import type { Warning } from './types';
import { warningLine } from './warningWords';

const house = demoHouse();
const [low, , tall, deep] = house.vessels;
const [left, , , floor] = house.burners;

/** What a plan of one of the ways warns of, in a kitchen with these things in it. */
function warned(
  way: WayOfPans,
  litres: number,
  stands: Partial<NonNullable<typeof house.kitchen.stands>> = {},
): readonly Warning[] {
  if (!tall || !deep || !left || !floor) throw new Error('the demo has pots');
  const kitchen = {
    ...house.kitchen,
    stands: { vessels: house.vessels, burners: house.burners, trays: 6, ...stands },
  };
  const [vessel, burner] = litres > 20 ? [deep, floor] : [tall, left];
  return planFor(recipeOfPans(way), { litres, target: 160 }, { vessel, burner, kitchen }).warnings;
}
const of = (warnings: readonly Warning[], kind: Warning['kind']) =>
  warnings.filter((w) => w.kind === kind).map((w) => inEnglish(warningLine(w)));

test('a kitchen with one burner is told that a side pan has to share it; with two it is not', () => {
  const way = 'roux apart into simmering base';
  expect(of(warned(way, 8, { burners: left ? [left] : [] }), 'no-burner')).toEqual([
    'No burner is left for “roux pan”: it has to share Front left. Cook it before the pot goes on, or write another burner down in the kitchen.',
  ]);
  expect(of(warned(way, 8), 'no-burner')).toEqual([]);
});

test('what is roasted in a kitchen without an oven is said, with what to do instead', () => {
  const way = 'squash roasted on two trays while the base cooks';
  expect(of(warned(way, 8, { trays: 0 }), 'no-oven')[0]).toMatch(
    /^Step \d roasts, and the kitchen has no oven\./,
  );
  expect(of(warned(way, 8), 'no-oven')).toEqual([]);
});

test('ten times the mushrooms are many lots: how long that takes, and the pan that takes them at once', () => {
  const way = 'mushrooms browned in lots, a third kept back';
  expect(of(warned(way, 4, { vessels: low && tall ? [low, tall] : [] }), 'many-lots')).toEqual([]);
  const said = of(warned(way, 40, { vessels: low && deep ? [low, deep] : [] }), 'many-lots')[0];
  // 9 kg at 6 kg/m² are 1.5 m² (common practice, no source): 1.4 m across, which no pan is.
  expect(said).toMatch(
    /takes 2\d lots, one layer each: \d{3} min at the pan\. Brown it in several pans, or roast it in the oven\.$/,
  );
});

test('roasted in more loads than trays go in at once, the minutes are those of all loads', () => {
  const way = 'squash roasted on two trays while the base cooks';
  const few = of(warned(way, 40, { trays: 1 }), 'many-lots')[0];
  const many = of(warned(way, 40, { trays: 20 }), 'many-lots');
  expect(few).toMatch(/takes \d loads of the oven, one layer each: \d+ min\./);
  expect(many).toEqual([]);
});

test('a pan picked for so much that no pot holds it is said to overflow', () => {
  const way = 'soup moved to a larger pot before the milk';
  const said = warned(way, 140, { vessels: low ? [low] : [] });
  const full = said.find((w) => w.kind === 'pan-full');
  expect(full?.severity).toBe('stop');
  expect(of(said, 'pan-full')[0]).toMatch(/^“first pot” comes to .+ L, and .+ holds .+ L to the rim\./);
});

test('a side pan is picked by what it has to hold and lie in, and never a great pot for a little cream', () => {
  const placed = (way: WayOfPans, litres: number) => {
    if (!tall || !left) throw new Error('the demo has pots');
    return planFor(
      recipeOfPans(way),
      { litres, target: 160 },
      { vessel: tall, burner: left, kitchen: house.kitchen },
    ).beside;
  };
  const cream = placed('cream thickened on the next ring', 4)['cream pan'];
  expect(cream?.guessed).toBe(true);
  expect(cream?.vessel.diameterMm).toBeLessThanOrEqual(200);
  const skillet = placed('mushrooms browned in lots, a third kept back', 4).skillet;
  expect(skillet?.vessel.id).toBe('low-wide-26');
  expect(skillet?.burner?.id).not.toBe(left?.id);
  const first = placed('soup moved to a larger pot before the milk', 8)['first pot'];
  expect(first?.vessel.id).toBe('middle-28');
  const oven = placed('squash roasted on two trays while the base cooks', 8).trays;
  expect(oven?.burner).toBeNull();
  expect(oven?.trays).toBeGreaterThan(1);
});

test('seafood lifted out half cooked has its caution at that step, and onions kept back have none', () => {
  const cautions = (way: WayOfPans) => {
    if (!tall || !left) throw new Error('the demo has pots');
    const { steps } = planFor(
      recipeOfPans(way),
      { litres: 8, target: 160 },
      { vessel: tall, burner: left, kitchen: house.kitchen },
    );
    return steps.flatMap((s) => s.cautions.filter((c) => c.id === 'waits').map(() => s.step.kind));
  };
  expect(cautions('crab half cooked, chilled, put back at the end')).toEqual(['pour']);
  expect(cautions('mushrooms browned in lots, a third kept back')).toEqual([]);
});
