import { potAt, stepEndsAt } from '../../core/batch/follow/ahead';
import { type Followed, follow } from '../../core/batch/follow/follow';
import type { Batch } from '../../core/batch/record';
import { type ByModel, type Ticket, ticketOf } from '../../core/batch/ticket';
import type { Queryable } from '../data/database';
import { log } from '../log';
import { readLiveBatches } from '../queries/batches';
import { readHouse } from '../queries/kitchen';
import { keptTickets } from './keptTickets';

/** What was worked out of a batch before, so that its next event need not begin at its start; it can be lost at any time. */
const known = new Map<string, Followed>();
const MOST = 40;

/** The batch by the model at `now` (ms); undefined where there is nothing to follow. */
function modelled(batch: Batch, now: number): ByModel | undefined {
  const followed = follow(batch, known.get(batch.id));
  if (!followed) return undefined;
  known.delete(batch.id);
  known.set(batch.id, followed);
  for (const oldest of known.keys()) {
    if (known.size <= MOST) break;
    known.delete(oldest);
  }
  if (followed.state.stage !== 'cooking') return undefined;
  return { celsius: potAt(followed, now).variant.pot.celsius, endsAt: stepEndsAt(followed) };
}

/** Batches the model has failed once, so that the log says it once. */
const failed = new Set<string>();

/** {@link modelled}; “lost” where the model fails: then that batch alone goes by its plan, and says so. */
function tried(batch: Batch, now: number): ByModel | 'lost' | undefined {
  try {
    return modelled(batch, now);
  } catch (error) {
    known.delete(batch.id);
    if (!failed.has(batch.id)) log().error({ batch: batch.id, err: error }, 'the model lost a batch');
    failed.add(batch.id);
    return 'lost';
  }
}

async function tickets(
  db: Queryable,
  now: number,
  model: ((batch: Batch) => ByModel | 'lost' | undefined) | null,
): Promise<readonly Ticket[]> {
  const house = await readHouse(db);
  if (!house) return [];
  const [batches, kept] = [
    await readLiveBatches(db, house.id),
    await keptTickets(db, house, now, model !== null),
  ];
  const put = new Set(kept.map((t) => t.id));
  return [
    // A batch that is kept stands once, as what is kept.
    ...batches.flatMap((b) => (put.has(b.id) ? [] : (ticketOf(b, now, model?.(b)) ?? []))).toReversed(),
    ...kept,
  ];
}

/** Tickets of the pots that are live, oldest first, as they were started, as the model has them at `now` (ms). */
export const railOf = (db: Queryable, now: number): Promise<readonly Ticket[]> =>
  tickets(db, now, (b) => tried(b, now));

/** The same by plan and readings alone: what can be said at once. */
export const railByPlan = (db: Queryable, now: number): Promise<readonly Ticket[]> => tickets(db, now, null);
