import { equivalentsFor } from '../../flow/viscosity';
import { message } from '../../message/message';
import type { Measured } from '../measured';
import { asItIs } from '../trial/pass';

/** g of flour equivalent the pot is short of at the pass, with `more` mL of a thin liquid in it; the beginning of every search. */
export function shortBy(measured: Measured, more = 0): number {
  const { seen } = asItIs(measured);
  const wanted = equivalentsFor(measured.target, seen.fatFraction);
  return Math.max(1, ((wanted - seen.equivalents) * seen.waterMl + wanted * more) / 1000);
}

/** Said of everything a boil would spoil. */
export const NO_BOIL = message('keep it under {at85} from here', { at85: { celsius: 85 } });
