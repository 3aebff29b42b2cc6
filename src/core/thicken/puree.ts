import type { Composition } from '../food/composition';
import type { Ingredient, PureeClass } from '../food/ingredient';
import { type Cut, TENDER_AFTER } from '../heat/softening';
import { within } from '../units/range';

/** What breaks vegetables open: blenders cut, a masher and a fork only crush. */
export const PUREE_TOOLS = ['stick blender', 'jug blender', 'masher', 'fork'] as const;
export type PureeTool = (typeof PUREE_TOOLS)[number];

/**
 * Share of the cells a tool opens into the soup, of the harm a blender does to swollen granules, and of the free fat it
 * emulsifies. Crushed with a masher, or with a fork against the wall, lumps stay whole, granules and fat are left
 * alone. Our assumption.
 */
export const OPENS: Readonly<Record<PureeTool, number>> = {
  'stick blender': 1,
  'jug blender': 1,
  masher: 0.6,
  fork: 0.45,
};
export const CUTS: Readonly<Record<PureeTool, number>> = {
  'stick blender': 1,
  'jug blender': 1,
  masher: 0,
  fork: 0,
};

/** What a class of vegetable brings, blended: flour equivalents for each g of its cell wall, and of its starch where it has some. */
type Pulp = { readonly wall: number; readonly starch: number };

/**
 * Flour equivalents a gram of fibre brings as pulp (where both laws meet, at 45 g/L) and a gram of starch as granules.
 * Our assumptions, spread 0.25, set so that ordinary purée soups land where cooks serve them; tomato fitted to
 * published juice data, rice so that a classical bisque of 75 g a litre coats a spoon. Where tables give starch
 * by difference and there is none (onions, celeriac, mushrooms), it counts for nothing.
 */
const PULP: { readonly [C in PureeClass]: Pulp } = {
  'floury potato': { wall: 2.75, starch: 1 },
  'waxy potato': { wall: 1.7, starch: 1 },
  chestnut: { wall: 1.2, starch: 1 },
  pea: { wall: 1.9, starch: 1 },
  parsnip: { wall: 1, starch: 1 },
  carrot: { wall: 3.1, starch: 1 },
  celeriac: { wall: 6.3, starch: 0 },
  squash: { wall: 2, starch: 0.7 },
  sweetcorn: { wall: 1, starch: 0.7 },
  cauliflower: { wall: 4.5, starch: 0 },
  broccoli: { wall: 3, starch: 0 },
  mushroom: { wall: 8, starch: 0 },
  tomato: { wall: 2.05, starch: 0 },
  allium: { wall: 2.2, starch: 0 },
  rice: { wall: 0, starch: 1.14 },
  pulse: { wall: 0.5, starch: 0.95 },
  other: { wall: 2.1, starch: 0 },
};

/** Flour equivalents, g, of `g` grams of a vegetable of `kind` and `composition` once blended: as pulp, and as granules. */
export function pulpOf(
  kind: PureeClass,
  composition: Composition,
  g: number,
): { readonly pulp: number; readonly granules: number } {
  const { wall, starch } = PULP[kind];
  return { pulp: g * composition.fibre * wall, granules: g * composition.starch * starch };
}

/** All of {@link pulpOf} for one gram: what a dose is guessed by. */
export function pureeStrength({ puree, composition }: Pick<Ingredient, 'puree' | 'composition'>): number {
  if (!puree) return 0;
  const { pulp, granules } = pulpOf(puree, composition, 1);
  return pulp + granules;
}

/** Starch that leaves potato dice of 12.7 mm by the time they are tender, share of their starch. Our assumption. */
const LEACHED = 0.06;
const LEACH_EDGE = 12.7;
const FLOURY = 1.4;
/** How many times what has gone when it is tender has gone when it is nearly mashable: floury cells come off whole. Our assumption. */
const OVERCOOKED = { 'floury potato': 4, 'waxy potato': 1.8 } as const;

/** Whether pieces of that class give starch to the liquid as they soften. */
export const leaches = (kind: PureeClass | undefined): kind is keyof typeof OVERCOOKED =>
  kind !== undefined && kind in OVERCOOKED;

/** Leached starch counts double: it is free of its cell. */
export const LEACHED_STRENGTH = 2;

/**
 * Share of a potato piece's starch that is in the liquid after `softened` minutes at 100 °C (0 and up): in
 * proportion until tender, four times as much (waxy: not twice) when cooked three times as long, and then no more.
 * Throws {@link OutOfRange}.
 */
export function leachedShare(kind: 'floury potato' | 'waxy potato', cut: Cut, softened: number): number {
  const done = within('softening', softened, 0, 1e6, 'min at 100 °C') / TENDER_AFTER[kind];
  const most = OVERCOOKED[kind];
  const progress = done <= 1 ? done : Math.min(most, 1 + ((done - 1) / 2) * (most - 1));
  const share = LEACHED * (LEACH_EDGE / cut.edgeMm) * (kind === 'floury potato' ? FLOURY : 1) * progress;
  return Math.min(1, share);
}
