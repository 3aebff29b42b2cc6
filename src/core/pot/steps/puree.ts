import { ingredient } from '../../food/catalogue';
import { plus, times } from '../../food/composition';
import { BLENDER_LOSS, type Thickener } from '../../thicken/granules';
import { pulpOf } from '../../thicken/puree';
import { tenderness } from '../cook';
import type { Kitchen } from '../kitchen';
import type { Piece, Pot } from '../pot';
import type { PureeTool, Step } from '../step';

/** Seconds a litre takes to go through each tool, with the filling and pouring. Common practice, no source. */
const SECONDS_PER_LITRE: Readonly<Record<PureeTool, number>> = {
  'stick blender': 25,
  'jug blender': 75,
  masher: 40,
};

/**
 * Share of the cells a tool opens into the soup, of the harm a blender does to swollen granules, and of the free fat it
 * emulsifies. A masher crushes: lumps stay whole, granules and fat are left alone. Our assumption.
 */
const OPENS: Readonly<Record<PureeTool, number>> = { 'stick blender': 1, 'jug blender': 1, masher: 0.6 };
const CUTS: Readonly<Record<PureeTool, number>> = { 'stick blender': 1, 'jug blender': 1, masher: 0 };

const canBlend = (piece: Piece, of: readonly string[] | undefined): boolean => {
  const i = ingredient(piece.ingredient);
  return (
    (i.group === 'vegetable' || i.group === 'grain' || i.group === 'pulse') && (!of || of.includes(i.id))
  );
};

/** A share of a piece, as it is. */
const shareOf = (piece: Piece, share: number): Piece => ({
  ...piece,
  g: piece.g * share,
  fresh: piece.fresh * share,
  soaked: piece.soaked * share,
  juice: piece.juice * share,
});

/** Blends a share of the pot, after setting aside what is reserved of its pieces: they become liquid and thicken it, the granules suffer, fat is emulsified. */
export function puree(
  pot: Pot,
  step: Extract<Step, { kind: 'puree' }>,
  kitchen: Kitchen,
  volumeMl: number,
): Pot {
  const { fraction } = step;
  let { liquid } = pot;
  const blended: Thickener[] = [];
  const pieces = pot.pieces.flatMap((piece): Piece[] => {
    if (!canBlend(piece, step.of)) return [piece];
    const g = piece.g * (1 - (step.reserve ?? 0)) * fraction;
    if (g <= 0) return [piece];
    liquid = plus(liquid, piece.composition, g);
    const kind = ingredient(piece.ingredient).puree ?? 'other';
    const { pulp, granules } = pulpOf(kind, piece.composition, g);
    // Steam and juice carry no cell wall away, and starch already leached is counted where it went: both
    // follow from what the piece now holds. Hard pieces are cut, not broken open.
    const opened = Math.min(1, tenderness(piece)) * OPENS[step.tool] * kitchen.factors.puree;
    const open = { from: piece.ingredient, dry: 0, swollen: 1, strength: 1, cookedMinutes: 0 };
    if (pulp > 0) blended.push({ ...open, kind: 'puree', equivalents: pulp * opened });
    if (granules > 0) blended.push({ ...open, kind: 'potato dice', equivalents: granules * opened });
    return piece.g - g > 1e-9 * piece.g ? [shareOf(piece, 1 - g / piece.g)] : [];
  });
  const emulsified = pot.freeFat * fraction * CUTS[step.tool];
  return {
    ...pot,
    pieces,
    liquid: plus(liquid, { ...times(liquid, 0), fat: emulsified }),
    freeFat: pot.freeFat - emulsified,
    thickeners: [
      ...pot.thickeners.map((t) => ({
        ...t,
        strength: t.strength * (1 - BLENDER_LOSS[t.kind] * fraction * CUTS[step.tool]),
      })),
      ...blended,
    ],
    seconds: pot.seconds + (SECONDS_PER_LITRE[step.tool] * volumeMl * fraction) / 1000,
  };
}
