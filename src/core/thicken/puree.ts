import type { Composition } from '../food/composition';
import type { Ingredient, PureeClass } from '../food/ingredient';
import { type Cut, TENDER_AFTER } from '../heat/softening';
import { within } from '../units/range';
import type { Thickener } from './granules';

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

/** What {@link pulpOf} found of `from`, `by` times as strong, as it thickens from the moment it is open. */
export const openedOf = (
  from: string,
  { pulp, granules }: ReturnType<typeof pulpOf>,
  by: number,
): readonly Thickener[] => {
  const open = { from, dry: 0, swollen: 1, strength: 1, cookedMinutes: 0 };
  return [
    ...(pulp > 0 ? [{ ...open, kind: 'puree' as const, equivalents: pulp * by }] : []),
    ...(granules > 0 ? [{ ...open, kind: 'potato dice' as const, equivalents: granules * by }] : []),
  ];
};

/** All of {@link pulpOf} for one gram: what a dose is guessed by. */
export function pureeStrength({ puree, composition }: Pick<Ingredient, 'puree' | 'composition'>): number {
  if (!puree) return 0;
  const { pulp, granules } = pulpOf(puree, composition, 1);
  return pulp + granules;
}

/** Edge, mm, of the dice the figures below are of. Smaller ones have more face to what lies behind it, in proportion. */
const FACE_EDGE = 12.7;

/**
 * Share of its starch that is free in the liquid by the time a cube of 12.7 mm is tender: that of the cells the knife
 * opened. Half a cell of 0.2 mm on each face is a twentieth of the cube; boiled pieces lose 2 to 6 % of their dry
 * matter (Burton; Lisinska & Leszczynski, from memory). Our assumption, spread 0.30.
 */
const CUT_OPEN = 0.04;
/** Of very small dice no more than this: the rest of the opened cells is rinsed off or sets where it lies. Our assumption. */
const MOST_OPEN = 0.2;

/**
 * Share of the cells of a cube of 12.7 mm that has come off whole when it is nearly mashable, cooked three times as long
 * as to tender: closed round their gel, they are pulp. Floury cells part, waxy ones hardly. Our assumption, spread 0.30.
 */
const COME_OFF = { 'floury potato': 0.25, 'waxy potato': 0.06 } as const;
/** Of very small dice no more than this: a core is always left. Our assumption. */
const MOST_OFF = 0.6;

/** How much of both goes on where nothing moves, off the heat. Our assumption. */
export const STANDING_STILL = 0.1;

/** Whether pieces of that class give starch and cells to the liquid as they soften. */
export const leaches = (kind: PureeClass | undefined): kind is keyof typeof COME_OFF =>
  kind !== undefined && kind in COME_OFF;

/** Free starch counts double: it swells without a wall about it. */
export const FREE_STRENGTH = 2;

/** What has left a piece, as shares: of its starch, free; of its cells, closed. */
type Left = { readonly free: number; readonly cells: number };

/**
 * What has left a potato piece after `softened` minutes at 100 °C (0 and up) at a simmer: starch from its cut faces
 * until it is tender, whole cells from then until it is nearly mashable. Throws {@link OutOfRange}.
 */
export function leftPiece(kind: 'floury potato' | 'waxy potato', cut: Cut, softened: number): Left {
  const done = within('softening', softened, 0, 1e6, 'min at 100 °C') / TENDER_AFTER[kind];
  const faces = FACE_EDGE / cut.edgeMm;
  return {
    free: Math.min(MOST_OPEN, CUT_OPEN * faces) * Math.min(1, done),
    cells: Math.min(MOST_OFF, COME_OFF[kind] * faces) * Math.min(1, Math.max(0, (done - 1) / 2)),
  };
}
