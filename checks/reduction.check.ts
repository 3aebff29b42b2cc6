import { advance } from '../src/core/pot/advance';
import { boilsAt } from '../src/core/pot/cook';
import { STANDARD_KITCHEN } from '../src/core/pot/kitchen';
import { Step } from '../src/core/pot/step';
import { cook, hob, pour, saucepan } from './pots';

/**
 * Water leaves by the heat that is over: power into the pot less the wall, by 2.26 MJ a kilogram (CRC Handbook, from
 * memory). Only what is to reach a temperature can stall.
 */
const reduced = (steps: readonly Record<string, unknown>[], step: Record<string, unknown>, burner = hob) => {
  const before = cook(steps, saucepan, burner);
  const after = advance(before, Step.parse({ kind: 'reduce', ...step }), STANDARD_KITCHEN);
  return { ...after, before, minutes: (after.pot.seconds - before.seconds) / 60 };
};
const BOIL = { kind: 'bring-to', to: 'boil', flame: 1, lid: 'off' };

test('half a litre of cream at half the flame loses half in about half an hour, 600 W by 2.26 MJ/kg: it “stalled” before', () => {
  // 600 W into the pot at half the flame: 3 kW of gas at 0.4.
  const ring = { ...hob, powerW: 3000 };
  const { minutes, notes, pot, before } = reduced(
    [pour('heavy-cream', 500, 20), BOIL],
    { flame: 0.5, to: { share: 0.5 } },
    ring,
  );
  expect(notes).toEqual([]);
  expect(pot.evaporated - before.evaporated).toBeGreaterThan(230);
  expect(minutes).toBeGreaterThan(12);
  expect(minutes).toBeLessThan(35);
});

test('a pot that stands still under its boil goes on losing water: a wide pot on a low flame gets there, later', () => {
  const low = reduced([pour('vegetable-stock', 2000, 90)], { flame: 0.25, to: { share: 0.7 } });
  expect(low.notes).toEqual([]);
  expect(low.pot.celsius).toBeLessThan(boilsAt(STANDARD_KITCHEN) - 1);
  const high = reduced([pour('vegetable-stock', 2000, 90)], { flame: 1, to: { share: 0.7 } });
  expect(high.pot.evaporated).toBeCloseTo(low.pot.evaporated, -1.5);
  expect(low.minutes).toBeGreaterThan(2 * high.minutes);
});

test('on a pilot flame it never gets there, and says so', () => {
  const off = reduced([pour('vegetable-stock', 2000, 60)], { flame: 0.05, to: { share: 0.5 } });
  expect(off.notes.map((n) => n.kind)).toEqual(['stalled']);
});

test('wine down to a third, 60 mL of a deglazing to a third: neither stalls, each in the minutes its latent heat says', () => {
  const wine = reduced([pour('white-wine', 600, 20), BOIL], { flame: 1, to: { share: 1 / 3 } });
  expect(wine.notes).toEqual([]);
  const gone = wine.before.liquid.water - wine.pot.liquid.water;
  // 1,400 W into the pot, less its wall; the heat its alcohol takes is not counted (docs/model.md, Misses).
  const least = (gone * 2260) / 1400 / 60;
  expect(wine.minutes).toBeGreaterThan(least);
  expect(wine.minutes).toBeLessThan(1.6 * least);
  const glaze = reduced(
    [
      {
        kind: 'sweat',
        items: [
          { ingredient: 'shallot', amount: 100 },
          { ingredient: 'butter', amount: 20 },
        ],
        minutes: 5,
        to: 'translucent',
      },
      pour('white-wine', 60, 20),
    ],
    { flame: 1, to: { ofLast: 1 / 3 } },
  );
  expect(glaze.notes).toEqual([]);
  expect(glaze.minutes).toBeLessThan(4);
});
