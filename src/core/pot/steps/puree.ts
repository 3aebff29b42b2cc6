import { ingredient } from '../../food/catalogue';
import { plus, times } from '../../food/composition';
import type { Thickener } from '../../thicken/granules';
import { CUTS, OPENS, openedOf, type PureeTool, pulpOf } from '../../thicken/puree';
import { THICKENERS } from '../../thickeners/thickeners';
import { shareOf, volumeMl } from '../contents/contents';
import { type CookOutcome, LONGEST, tenderness } from '../cook';
import { factorIn, type Kitchen, soupIn } from '../kitchen';
import type { Piece, Pot } from '../pot';
import type { Step } from '../step';
import { meant } from './fire/meant';
import { standing } from './fire/standing';

type Puree = Extract<Step, { kind: 'puree' }>;

/** Seconds a litre takes to go through each tool, with the filling and pouring. Common practice, no source. */
const SECONDS_PER_LITRE: Readonly<Record<PureeTool, number>> = {
  'stick blender': 25,
  'jug blender': 75,
  masher: 40,
  fork: 90,
};

/** Blended in the jug it is away from the flame; in the pot it stands on it. */
const AWAY: Readonly<Record<PureeTool, boolean>> = {
  'stick blender': false,
  'jug blender': true,
  masher: false,
  fork: false,
};

const canBlend = (piece: Piece, of: readonly string[] | undefined): boolean => {
  const i = ingredient(piece.ingredient);
  return (i.group === 'vegetable' || i.group === 'grain' || i.group === 'pulse') && meant(piece, of);
};

/** Minutes to blend a share of the pot, as the step says or as long as its tool takes. */
export const minutesOfPuree = ({ minutes, tool, fraction }: Puree, volumeMl: number): number =>
  minutes ?? Math.min(LONGEST / 60, (SECONDS_PER_LITRE[tool] * volumeMl * fraction) / 60_000);

/** Blends it, all at the end of the minutes it takes, in which the pot cooks on. */
export function blend(pot: Pot, step: Puree, kitchen: Kitchen, until: number): CookOutcome {
  const minutes = minutesOfPuree(step, volumeMl(pot));
  const away = AWAY[step.tool];
  const stood = standing(pot, minutes * 60, step.offHeat || away, kitchen, until);
  // Out of the jug it goes back on the flame it came from.
  const back = away && !step.offHeat ? { ...stood.pot, fire: pot.fire } : stood.pot;
  return { ...stood, pot: stood.cut ? back : puree(back, step, kitchen) };
}

/**
 * Blends a share of the pot at a stroke, after setting aside what is reserved of its pieces: they become liquid
 * and thicken it, the granules suffer, fat is emulsified.
 */
function puree(pot: Pot, step: Puree, kitchen: Kitchen): Pot {
  const { fraction } = step;
  let { liquid } = pot;
  const blended: Thickener[] = [];
  const pieces = pot.pieces.flatMap((piece): Piece[] => {
    if (!canBlend(piece, step.of)) return [piece];
    const g = piece.g * (1 - (step.reserve ?? 0)) * fraction;
    if (g <= 0) return [piece];
    liquid = plus(liquid, piece.composition, g);
    const kind = ingredient(piece.ingredient).puree ?? 'other';
    const pulp = pulpOf(kind, piece.composition, g);
    // Steam and juice carry no cell wall away, and starch already leached is counted where it went: both
    // follow from what the piece now holds. Hard pieces are cut, not broken open.
    const opened =
      Math.min(1, tenderness(piece)) *
      OPENS[step.tool] *
      factorIn(kitchen, 'puree', piece.ingredient) *
      soupIn(kitchen);
    blended.push(...openedOf(piece.ingredient, pulp, opened));
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
        strength: t.strength * (1 - THICKENERS[t.kind].blenderLoss * fraction * CUTS[step.tool]),
      })),
      ...blended,
    ],
  };
}
