import { ingredient } from '../../food/catalogue';
import { times } from '../../food/composition';
import { surfaceArea, type Vessel } from '../../heat/vessel';
import { shareOf } from '../contents/contents';
import type { Pot } from '../pot';
import type { Portion } from '../step';

/**
 * kg that lie in one layer on a square metre of pan: sliced mushrooms, shells, and other things by how they are cut; on
 * a tray, where they may touch, so many times that. Common practice, no source.
 */
const LAYER = { mushroom: 6, shells: 4, other: 8 } as const;
export const ON_A_TRAY = 1.5;

/** m² of floor that `g` of something want in one layer. */
function floorFor(id: string, g: number): number {
  const { softening, strainedOff, group } = ingredient(id);
  if (group === 'fat' || group === 'flour' || group === 'starch') return 0;
  const kg = softening === 'mushroom' ? LAYER.mushroom : strainedOff ? LAYER.shells : LAYER.other;
  return g / 1000 / kg;
}

/** m² of floor that these want in one layer. */
export const floorForAll = (
  items: readonly { readonly ingredient: string; readonly amount: number }[],
): number => items.reduce((sum, i) => sum + floorFor(i.ingredient, i.amount), 0);

/** A little over one layer is pushed together: so much more than fits is still one lot. Our assumption. */
const PUSHED = 1.1;

/** How many lots these are in that pan, one layer each; at least one. */
export const lotsIn = (vessel: Vessel, items: readonly Portion[], times = 1): number =>
  Math.max(1, Math.ceil(floorForAll(items) / (surfaceArea(vessel) * times * PUSHED)));

/** The same things, so many times as much of each. */
export const timesEach = (items: readonly Portion[], by: number): Portion[] =>
  items.map((i) => ({ ...i, amount: i.amount * by }));

/** All that is in a pot, so many times as much of each. */
export function timesAll(pot: Pot, by: number): Pot {
  if (by === 1) return pot;
  return {
    ...pot,
    liquid: times(pot.liquid, by),
    freeFat: pot.freeFat * by,
    mounted: pot.mounted * by,
    thickeners: pot.thickeners.map((t) => ({ ...t, dry: t.dry * by, equivalents: t.equivalents * by })),
    pieces: pot.pieces.map((p) => shareOf(p, by)),
    sodium: pot.sodium * by,
    buffer: { capacity: pot.buffer.capacity * by, moment: pot.buffer.moment * by },
    lastPoured: pot.lastPoured * by,
  };
}

/**
 * What is done in so many lots, one after another, each alike: `cooks` is given the pot with what is one lot of it, and
 * when on its clock it is looked at. All of it comes out together, so many times as late.
 */
export function inLots(pot: Pot, lots: number, until: number, cooks: (pot: Pot, until: number) => Pot): Pot {
  if (lots === 1) return cooks(pot, until);
  const one = timesAll(pot, 1 / lots);
  const done = cooks(one, pot.seconds + (until - pot.seconds) / lots);
  const all = timesAll(done, lots);
  return {
    ...all,
    seconds: pot.seconds + (done.seconds - pot.seconds) * lots,
    evaporated: pot.evaporated + (done.evaporated - one.evaporated) * lots,
  };
}
