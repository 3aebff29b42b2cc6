import { FILL_LIMIT, rimVolume } from '../../heat/vessel';
import { message } from '../../message/message';
import { unsalting } from '../means/thinner';
import { unsalted } from '../means/unsalted';
import type { Cure } from '../option';
import { tried } from '../trial/trial';
import { type Case, shareOf } from './case';

/** More than what is owed by this share is more than is wanted. Our assumption. */
const TOO_MUCH = 1.1;

/** The least of it that is worth ladling out, share. Our assumption. */
const WORTH = 0.04;

/**
 * A salty pot there is no room for, or no use for, once it is let down enough: some of it is ladled out first, to season
 * another pot, and the rest stretched to what is owed. Null where it is not too salty, or letting down does by itself.
 */
export function stretched({ measured, wishes, ml, cure }: Case): Cure | null {
  const liquid = unsalting(measured, 'water') ?? 0;
  const rim = rimVolume(measured.pot.vessel) * FILL_LIMIT;
  const room = Math.min(rim, Math.max(measured.owedMl, ml) * TOO_MUCH);
  if (liquid <= 0 || ml + liquid <= room) return null;
  const wanted = Math.min(rim, Math.max(measured.owedMl, ml));
  const out = 1 - wanted / (ml + liquid);
  if (out < WORTH) return null;
  const rest = shareOf(measured, 1 - out);
  const options = unsalted(rest, wishes, (group) => group === 'liquid')
    .map((draft) => tried(rest, draft, wishes))
    .toSorted((a, b) => Number(a.struck !== null) - Number(b.struck !== null) || b.chance - a.chance);
  return cure({
    title: message('Ladle {out} out, and stretch the rest', { out: { ml: out * ml } }),
    how: [
      message('ladle {out} into a clean pan: it seasons another pot', { out: { ml: out * ml } }),
      message('read the level of what is left, and write it down'),
      message('then let the rest down, and bind what that thins'),
    ],
    saves: message('All but what is ladled out, at the salt the house wants.'),
    cannot: message(
      'No potato draws salt out: it only thickens. Acid, cream or a little sugar hide some of it.',
    ),
    option: options[0] ?? null,
    minutes: 2,
  });
}
