import type { KeepBody, KeepEvent } from '../events';
import type { KeptBy, Lot } from '../lot';
import type { Deviation } from './deviation';
import { lotState } from './fold';

/** The id of a line that is not written yet. */
const NOT_YET = '00000000-0000-4000-8000-000000000000';

/** What writing `body` at `at` (ms) would go against, by the same fold that reads the record afterwards. */
export function wouldGoAgainst(lot: Lot, keeping: KeptBy, body: KeepBody, at: number): readonly Deviation[] {
  const event: KeepEvent = { id: NOT_YET, at: new Date(at).toISOString(), station: '', body };
  const after = lotState({ ...lot, events: [...lot.events, event] }, keeping);
  return after?.deviations.filter((d) => d.event === NOT_YET) ?? [];
}

/** The id a deviation has once its line was written under an id of its own. */
export const deviationOf = ({ kind }: Deviation, event: string): string => `${kind} ${event}`;
