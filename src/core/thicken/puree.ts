import type { PureeClass } from '../food/ingredient';
import { type Cut, TENDER_AFTER } from '../heat/softening';
import { within } from '../units/range';

/**
 * Flour equivalents, g, brought by 1 kg of the cooked vegetable once blended. Our assumptions, spread
 * 0.25; tomato from published juice data, rice so that a classical bisque of 75 g a litre coats a spoon.
 */
export const PUREE_STRENGTH: { readonly [C in PureeClass]: number } = {
  'floury potato': 200,
  'waxy potato': 160,
  chestnut: 280,
  pea: 140,
  parsnip: 130,
  carrot: 100,
  celeriac: 100,
  squash: 90,
  sweetcorn: 90,
  cauliflower: 90,
  broccoli: 80,
  mushroom: 55,
  tomato: 30.5,
  allium: 40,
  rice: 300,
  pulse: 220,
  other: 40,
};

/** Starch that leaves potato dice of 12.7 mm by the time they are tender, share of their starch. Our assumption. */
const LEACHED = 0.06;
const LEACH_EDGE = 12.7;
const FLOURY = 1.4;
const OVERCOOKED = 1.5;

/** Leached starch counts double: it is free of its cell. */
export const LEACHED_STRENGTH = 2;

/**
 * Share of a potato piece's starch that is in the liquid after `softened` minutes at 100 °C:
 * (0 and up): in proportion until tender, half as much again when cooked to three times that. Throws
 * {@link OutOfRange}.
 */
export function leachedShare(kind: 'floury potato' | 'waxy potato', cut: Cut, softened: number): number {
  const done = within('softening', softened, 0, 1e6, 'min at 100 °C') / TENDER_AFTER[kind];
  const progress = done <= 1 ? done : Math.min(OVERCOOKED, 1 + ((done - 1) / 2) * (OVERCOOKED - 1));
  const share = LEACHED * (LEACH_EDGE / cut.edgeMm) * (kind === 'floury potato' ? FLOURY : 1) * progress;
  return Math.min(1, share);
}
