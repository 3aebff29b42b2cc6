import { ingredient } from '../../food/catalogue';
import { plus, times } from '../../food/composition';
import { BLENDER_LOSS, type Thickener } from '../../thicken/granules';
import { PUREE_STRENGTH } from '../../thicken/puree';
import { tenderness } from '../cook';
import type { Kitchen } from '../kitchen';
import type { Piece, Pot } from '../pot';
import type { Step } from '../step';

/** Seconds a litre takes to go through each tool, with the filling and pouring. Common practice, no source. */
const SECONDS_PER_LITRE = { 'stick blender': 25, 'jug blender': 75 } as const;

const canBlend = (piece: Piece, of: readonly string[] | undefined): boolean => {
  const i = ingredient(piece.ingredient);
  return (i.group === 'vegetable' || i.group === 'grain') && (!of || of.includes(i.id));
};

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
    const strength = PUREE_STRENGTH[ingredient(piece.ingredient).puree ?? 'other'];
    blended.push({
      kind: 'puree',
      from: piece.ingredient,
      dry: 0,
      // Starch already leached is counted where it went, juice carried no pulp away; hard pieces are
      // cut, not broken open.
      equivalents:
        ((g * (1 + piece.juice / piece.g)) / 1000) *
        strength *
        (1 - piece.leached) *
        Math.min(1, tenderness(piece)) *
        kitchen.factors.puree,
      swollen: 1,
      strength: 1,
      cookedMinutes: 0,
    });
    return piece.g - g > 1e-9 * piece.g
      ? [{ ...piece, g: piece.g - g, juice: piece.juice * (1 - g / piece.g) }]
      : [];
  });
  const emulsified = pot.freeFat * fraction;
  return {
    ...pot,
    pieces,
    liquid: plus(liquid, { ...times(liquid, 0), fat: emulsified }),
    freeFat: pot.freeFat - emulsified,
    thickeners: [
      ...pot.thickeners.map((t) => ({ ...t, strength: t.strength * (1 - BLENDER_LOSS[t.kind] * fraction) })),
      ...blended,
    ],
    seconds: pot.seconds + (SECONDS_PER_LITRE[step.tool] * volumeMl * fraction) / 1000,
  };
}
