import { NOTHING, plus, times } from '../../food/composition';
import { noLag, softeningIn } from '../../heat/softening';
import { factorIn, type Kitchen } from '../kitchen';
import type { Piece } from '../pot';

/**
 * A piece in dry heat after `seconds` with its middle at `centre` °C: `water` g of it gone as steam, `fat` g soaked up,
 * as hot as what it lies on.
 */
export function dried(
  piece: Piece,
  { water, fat, centre, seconds }: { water: number; fat: number; centre: number; seconds: number },
  kitchen: Kitchen,
): Piece {
  const g = piece.g - water + fat;
  const now = plus(times(piece.composition, piece.g), { ...NOTHING, water: -water, fat });
  return {
    ...piece,
    g,
    soaked: piece.soaked + fat,
    composition: times(now, 1 / g),
    lag: noLag(piece.cut),
    softened:
      piece.softened + softeningIn(seconds, centre) * factorIn(kitchen, 'softening', piece.ingredient),
    centrePeak: Math.max(piece.centrePeak, centre),
  };
}
