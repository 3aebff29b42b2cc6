import { ingredient } from '../../food/catalogue';
import { NOTHING, plus, times } from '../../food/composition';
import { putAllIn } from '../contents/contents';
import type { Kitchen } from '../kitchen';
import type { Piece, Pot } from '../pot';
import type { Step } from '../step';

/** Share of its fat a cured meat gives up in the end, and minutes for two thirds of that. Our assumption. */
const GIVEN = 0.65;
const MINUTES = 6;

/** Share of its water lost as steam by the time it is crisp. Our assumption. */
const DRIED = 0.6;

/** Flame meat is rendered on. Common practice, no source. */
const FLAME = 0.5;

/** Fat out of cured meat; what is not kept is poured off and leaves the pot. */
export function render(pot: Pot, step: Extract<Step, { kind: 'render' }>, kitchen: Kitchen): Pot {
  const filled = putAllIn(pot, step.items, kitchen);
  const done = 1 - Math.exp(-step.minutes / MINUTES);
  let released = 0;
  let steam = 0;
  const pieces = filled.pieces.map((piece): Piece => {
    if (ingredient(piece.ingredient).group !== 'cured meat') return piece;
    const fat = piece.g * piece.composition.fat * GIVEN * done;
    const water = piece.g * piece.composition.water * DRIED * done;
    released += fat;
    steam += water;
    const left = plus(times(piece.composition, piece.g), { ...NOTHING, fat, water }, -1);
    const g = piece.g - fat - water;
    return { ...piece, g, composition: times(left, 1 / g), centrePeak: 90, doneMinutes: step.minutes };
  });
  return {
    ...filled,
    pieces,
    freeFat: filled.freeFat + released * step.keep,
    removed: filled.removed + released * (1 - step.keep),
    evaporated: filled.evaporated + steam,
    celsius: 120,
    seconds: pot.seconds + step.minutes * 60,
    lid: 'off',
    fire: { flame: FLAME },
  };
}
