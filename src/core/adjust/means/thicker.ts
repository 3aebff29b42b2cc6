import { catalogue } from '../../food/catalogue';
import { message } from '../../message/message';
import { boilsAt } from '../../pot/cook';
import { observe } from '../../pot/observe';
import type { Measured } from '../measured';
import type { Wishes } from '../option';
import type { Means } from '../trial/trial';
import { blend, cookedIn, toCookIn } from './blended';
import { liaison, stirred } from './dairy';
import { joined } from './joined';
import { shortBy } from './short';
import { boiledCream, SLURRIES, slurry, worked } from './starch';

function reduction(measured: Measured): Means {
  return {
    id: 'reduce',
    title: message('Boil it down'),
    how: [message('lid off, full flame, stir the bottom'), message('watch the level on the wall')],
    steps: (minutes) => [{ kind: 'reduce', flame: 1, to: { minutes } }],
    guess: 10,
    most: 120,
    unit: 'minutes',
    needs: [],
    makeReady: 0,
    hangsOn: 'waterLoss',
    forecloses:
      observe(measured.pot, measured.kitchen).saltPercent > 0.8
        ? [message('it gets saltier as it goes')]
        : [],
  };
}

/** Every way to thicken a pot that stands on the stove. */
export function thicker(measured: Measured, { larder }: Wishes): readonly Means[] {
  const short = shortBy(measured);
  const melts = catalogue().filter(
    (i) =>
      larder.includes(i.id) && ['cream cheese', 'hard cheese', 'potato flakes'].includes(i.thickener ?? ''),
  );
  // A pot that boils cannot be held under the limit of a yolk that is already in it: those ways are struck by what they do.
  const boils = boilsAt(measured.kitchen);
  return [
    ...SLURRIES.map((id) => slurry(id, short, measured)),
    worked('kneaded butter', short),
    worked('cooked roux', short),
    boiledCream(short),
    blend(measured),
    ...toCookIn(measured, larder).map((id) => cookedIn(measured, id, short)),
    ...melts.map((i) => stirred(measured, i.id, short)),
    measured.pot.celsius < boils + 1 ? liaison(measured, short, larder) : null,
    reduction(measured),
  ].filter((d): d is Means => d !== null);
}

/** Part of the work a second means does beside a slurry. */
const HALF = 0.5;

/** Two means together: one does half of what is wanted, the other is solved for the rest. */
export function together(
  measured: Measured,
  first: Means,
  amount: number,
  rest: Means,
  minutesLeft: number,
): Means {
  const half =
    first.unit === 'minutes'
      ? Math.min(amount * HALF, Math.max(2, minutesLeft - rest.makeReady - 5))
      : amount * HALF;
  return { ...joined(first, half, rest), guess: Math.max(1, shortBy(measured) * HALF) };
}
