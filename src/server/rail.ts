import { type Ticket, ticketOf } from '../core/batch/ticket';
import type { Queryable } from './database';
import { readBatches } from './queries/batches';
import { readHouse } from './queries/kitchen';

/** Tickets of the pots that are live, oldest first, as they were started. */
export async function readRail(db: Queryable): Promise<readonly Ticket[]> {
  const house = await readHouse(db);
  if (!house) return [];
  const now = Date.now();
  const batches = await readBatches(db, house.id);
  return batches.flatMap((b) => ticketOf(b, now) ?? []).reverse();
}
