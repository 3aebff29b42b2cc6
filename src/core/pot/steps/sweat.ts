import { plus, times } from '../../food/composition';
import { noLag, softeningIn } from '../../heat/softening';
import { putAllIn } from '../contents';
import type { Kitchen } from '../kitchen';
import type { Piece, Pot } from '../pot';
import type { Step } from '../step';

/** Share of their weight vegetables lose as steam when sweated. Our assumption, spread 0.30. */
const LOST = { translucent: 0.15, gold: 0.35 } as const;

/** Grams of fat soaked up per gram. Our assumption. */
const SOAKED = 0.03;

/** °C in the pan while the vegetables are still giving water, and once they colour. */
const PAN = { translucent: 98, gold: 115 } as const;

export function sweat(pot: Pot, step: Extract<Step, { kind: 'sweat' }>, kitchen: Kitchen): Pot {
  const filled = putAllIn(pot, step.items, kitchen);
  const seconds = step.minutes * 60;
  const lost = Math.min(0.6, LOST[step.to] * kitchen.factors.juices);
  let { freeFat, evaporated } = filled;
  const pieces = filled.pieces.map((piece): Piece => {
    const water = Math.min(piece.g * lost, piece.g * piece.composition.water * 0.9);
    const fat = Math.min(freeFat, piece.g * SOAKED);
    freeFat -= fat;
    evaporated += water;
    const grams = times(piece.composition, piece.g);
    const now = plus(plus(grams, { ...times(grams, 0), water: -water }), { ...times(grams, 0), fat });
    const g = piece.g - water + fat;
    return {
      ...piece,
      g,
      composition: times(now, 1 / g),
      lag: noLag(piece.cut),
      softened: piece.softened + softeningIn(seconds, 92) * kitchen.factors.softening,
    };
  });
  return {
    ...filled,
    pieces,
    freeFat,
    evaporated,
    celsius: PAN[step.to],
    seconds: pot.seconds + seconds,
    lid: step.lid ?? 'off',
  };
}
