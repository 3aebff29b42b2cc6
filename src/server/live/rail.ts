import type { BatchEvent } from '../../core/batch/events';
import { potAt, stepEndsAt } from '../../core/batch/follow/ahead';
import { type Followed, follow } from '../../core/batch/follow/follow';
import type { Batch } from '../../core/batch/record';
import { type ByModel, type Ticket, ticketOf } from '../../core/batch/ticket';
import type { Lot } from '../../core/keep/lot';
import type { Queryable } from '../data/database';
import { perKitchen } from '../guard/asking';
import { log } from '../log';
import { readLiveBatches } from '../queries/batches';
import { readHouse } from '../queries/kitchen';
import { keptTickets, readKept } from './keptTickets';

/** What was worked out of a batch before, so that its next event need not begin at its start; it can be lost at any time. */
const known = new Map<string, Followed>();
/** When the step at hand ends, by what was followed: it is the same until the next event. */
const ends = new WeakMap<Followed, number>();
const MOST = 200;

const endsAt = (followed: Followed): number => {
  const found = ends.get(followed) ?? stepEndsAt(followed);
  ends.set(followed, found);
  return found;
};

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
  return { celsius: potAt(followed, now).variant.pot.celsius, endsAt: endsAt(followed) };
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

/** What is alive: batches, newest first, and what is kept and wants to be seen to. */
type Living = { readonly batches: readonly Batch[]; readonly lots: readonly Lot[] };

async function readLiving(db: Queryable): Promise<Living | null> {
  const house = await readHouse(db);
  if (!house) return null;
  return { batches: await readLiveBatches(db, house.id), lots: await readKept(db, house.id) };
}

async function tickets(
  db: Queryable,
  { batches, lots }: Living,
  now: number,
  model: ((batch: Batch) => ByModel | 'lost' | undefined) | null,
): Promise<readonly Ticket[]> {
  const house = await readHouse(db);
  if (!house) return [];
  const kept = await keptTickets(db, { house, lots, now, model: model !== null });
  const put = new Set(kept.map((t) => t.id));
  return [
    // A batch that is kept stands once, as what is kept.
    ...batches.flatMap((b) => (put.has(b.id) ? [] : (ticketOf(b, now, model?.(b)) ?? []))).toReversed(),
    ...kept,
  ];
}

/** Tickets of the pots that are live, oldest first, as they were started, as the model has them at `now` (ms). */
export async function railOf(db: Queryable, now: number): Promise<readonly Ticket[]> {
  const living = await readLiving(db);
  return living ? tickets(db, living, now, (b) => tried(b, now)) : [];
}

/** The same by plan and readings alone: what can be said at once. */
export async function railByPlan(db: Queryable, now: number): Promise<readonly Ticket[]> {
  const living = await readLiving(db);
  return living ? tickets(db, living, now, null) : [];
}

/** What has happened since the rail was worked out last. */
export type Moves = {
  /** Something may have been missed, or something begun: everything is read anew. */
  readonly anew: boolean;
  readonly told: readonly { readonly batch: string; readonly event: BatchEvent }[];
  /** Something kept has a new line. */
  readonly kept: boolean;
};

/** What this thread knows to be alive in a kitchen; null before it has read it. */
const alive = perKitchen<{ living: Living | null }>(() => ({ living: null }));

const withTold = (batch: Batch, told: Moves['told']): Batch => {
  const had = new Set(batch.events.map((e) => e.id));
  const fresh = told.filter((t) => t.batch === batch.id && !had.has(t.event.id)).map((t) => t.event);
  return fresh.length > 0 ? { ...batch, events: [...batch.events, ...fresh] } : batch;
};

/**
 * The rail at `now` (ms) after `moves`: what was alive is remembered, and moved by each event. Read anew where it has to be:
 * the first time, where something began or came back to life.
 */
export async function railMoved(db: Queryable, moves: Moves, now: number): Promise<readonly Ticket[]> {
  const here = alive();
  const had = here.living;
  const revived = moves.told.some(
    (t) => t.event.body.kind === 'withdrawn' && !had?.batches.some((b) => b.id === t.batch),
  );
  if (!had || moves.anew || revived) here.living = await readLiving(db);
  else {
    const house = moves.kept ? await readHouse(db) : null;
    here.living = {
      batches: had.batches.map((b) => withTold(b, moves.told)),
      lots: house ? await readKept(db, house.id) : had.lots,
    };
  }
  return here.living ? tickets(db, here.living, now, (b) => tried(b, now)) : [];
}
