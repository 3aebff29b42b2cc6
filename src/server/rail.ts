import { potAt, stepEndsAt } from '../core/batch/follow/ahead';
import { type Followed, follow } from '../core/batch/follow/follow';
import type { Batch } from '../core/batch/record';
import { type ByModel, type Ticket, ticketOf } from '../core/batch/ticket';
import type { Queryable } from './database';
import { readLiveBatches } from './queries/batches';
import { readHouse } from './queries/kitchen';

/** What was worked out of a batch before, so that its next event need not begin at its start; it can be lost at any time. */
const known = new Map<string, Followed>();
const MOST = 40;

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
  return { celsius: potAt(followed, now).strand.pot.celsius, endsAt: stepEndsAt(followed) };
}

/** Tickets of the pots that are live, oldest first, as they were started. */
export async function readRail(db: Queryable): Promise<readonly Ticket[]> {
  const house = await readHouse(db);
  if (!house) return [];
  const now = Date.now();
  const batches = await readLiveBatches(db, house.id);
  return batches.flatMap((b) => ticketOf(b, now, modelled(b, now)) ?? []).toReversed();
}
