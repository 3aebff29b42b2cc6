import { portionsIn } from '../../pot/contents/portions';
import type { Portion } from '../../pot/step';
import type { BatchEvent } from '../events';
import type { Batch } from '../record';
import type { Followed } from './follow';

/** What only looks at a pot and does nothing to it. */
const LOOKS_ON: ReadonlySet<BatchEvent['body']['kind']> = new Set([
  'temperature',
  'depth',
  'volume',
  'mass',
  'flow',
  'salt',
  'dice',
  'look',
]);

/** What was done in a batch, without what was measured; an amount solved anew from a measurement counts as weighed. */
export function deedsOf(batch: Batch, known: Followed | null): readonly BatchEvent[] {
  const doses = known
    ? [...known.solved].flatMap(([key, step]): BatchEvent[] => {
        if (typeof key !== 'number') return [];
        const at = batch.startedAt;
        return portionsIn<Portion>(step).map((p, item) => ({
          id: batch.id,
          at,
          station: 'truth',
          body: { kind: 'weighed', step: key, item, g: p.amount },
        }));
      })
    : [];
  const given = batch.events.filter((e) => !LOOKS_ON.has(e.body.kind));
  return [
    ...doses.map((e, n) => ({ ...e, id: `${e.id.slice(0, 28)}${String(n).padStart(8, '0')}` })),
    ...given,
  ];
}
