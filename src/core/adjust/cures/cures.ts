import type { Fault } from '../faults';
import type { Measured } from '../measured';
import type { Cure, Wishes } from '../option';
import { type Case, caseOf } from './case';
import { OF_THE_POT } from './pot';
import { stretched } from './salty';
import { OF_THE_SOUP } from './soup';

const ALL: Partial<Record<Fault, (c: Case) => Cure | null>> = {
  ...OF_THE_SOUP,
  ...OF_THE_POT,
  'too salty': stretched,
};

/**
 * What saves what where no dose mends it, worked out for this pot; null for a fault that a dose does mend.
 * `again` is how long a new batch takes, s.
 */
export const cureFor = (fault: Fault, measured: Measured, wishes: Wishes, again: number): Cure | null =>
  ALL[fault]?.(caseOf(fault, measured, wishes, again)) ?? null;
