import { ingredient } from '../../food/catalogue';
import type { Group } from '../../food/ingredient';
import type { Measured } from '../measured';
import type { Wishes } from '../option';
import type { Means } from '../trial/trial';
import { thicker } from './thicker';
import { lessSalty, thinner } from './thinner';

/** Each liquid to hand of the groups that `fits`, with the first starch to hand that binds what it thins; none without a starch. */
export function unsalted(
  measured: Measured,
  wishes: Wishes,
  fits: (group: Group) => boolean,
): readonly Means[] {
  const starch = thicker(measured, wishes).find(
    (d) => d.isSlurry && d.needs.every((n) => wishes.larder.includes(n)),
  );
  if (!starch) return [];
  return thinner(measured, wishes)
    .flatMap((d) => d.needs)
    .filter((id) => fits(ingredient(id).group))
    .flatMap((id) => lessSalty(measured, id, starch) ?? []);
}
