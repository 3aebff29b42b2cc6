import { lotOf } from '../../contents/lots';
import type { Piece } from '../../pot';

/** Whether a piece is among those a step names (all, when it names none): by its ingredient, or by which go of it. */
export const meant = (piece: Piece, of: readonly string[] | undefined): boolean =>
  !of ||
  of.some((name) => {
    const { ingredient, lot } = lotOf(name);
    return ingredient === piece.ingredient && (lot === null || lot === piece.lot);
  });
