import { within } from '../units/range';

/** Grams of salt for a gram of sodium. */
export const SALT_PER_SODIUM = 2.54;

/** Where the salt in a pot comes from and what to do about it. Percentages are by weight of the pot. */
type SaltBalance = {
  readonly percent: number;
  /** g of salt still to add; 0 when there is enough. */
  readonly toAdd: number;
  /** g of unsalted liquid that would bring it down to the target; 0 when it is not over. */
  readonly unsaltedLiquid: number;
};

/** Salt against `target` %; never a negative amount to add: too salty is cured by dilution. */
export function saltBalance(massG: number, sodiumG: number, target: number): SaltBalance {
  within('mass', massG, 1, 1e7, 'g');
  within('sodium', sodiumG, 0, massG, 'g');
  within('target', target, 0.1, 3, '%');
  const salt = sodiumG * SALT_PER_SODIUM;
  const percent = (salt / massG) * 100;
  // Adding s g of salt also adds to the mass.
  const toAdd = Math.max(0, (massG * target - 100 * salt) / (100 - target));
  const unsaltedLiquid = Math.max(0, (salt * 100) / target - massG);
  return { percent, toAdd, unsaltedLiquid };
}
