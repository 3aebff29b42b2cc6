import type pg from 'pg';
import { v5 } from 'uuid';
import * as z from 'zod';
import type { KeepOpened } from '../../../contract/keep';
import type { RecordedLine } from '../../../contract/routes';
import type { BatchEvent } from '../../../core/batch/events';
import { KeepEvent, OF_THE_KITCHEN } from '../../../core/keep/events';
import type { Lot, LotState } from '../../../core/keep/lot';
import { lotState } from '../../../core/keep/safe/fold';
import type { House } from '../../../core/kitchen/house';
import { message } from '../../../core/message/message';
import { takenBack } from '../../../core/record/counting';
import { type Queryable, transaction } from '../../data/database';
import { written } from '../../guard/lines';
import { appendEvents, readBatch, UNBOUND } from '../../queries/batches';
import {
  appendLine,
  holdLot,
  moveRow,
  openRow,
  readFilmLines,
  readKitchenLines,
  readLineOwner,
  readLot,
  readLots,
} from '../../queries/keep';
import { readHead, seal } from '../../queries/record/seals';
import { accept, cannot, taken, unknown } from '../../refusal';
import { theHouse } from '../kitchen';
import { OWN, openFromBatch, openMissing } from './fromBatch';
import { refuseForeign, refuseMoment, refusePlace, refuseUnfit, refuseUntrue } from './untrue';

/** What is kept as it stands; with `mend` a batch finished to be kept whose first line is missing is put by first. */
export async function openKeep(pool: pg.Pool, { mend = false } = {}): Promise<KeepOpened> {
  const house = await theHouse(pool);
  if (mend) await openMissing(pool, house);
  const [{ lots, more }, kitchenLines, filmLines, head] = await Promise.all([
    readLots(pool, house.id),
    readKitchenLines(pool, house.id),
    readFilmLines(pool, house.id),
    readHead(pool, house.id),
  ]);
  return {
    lots,
    more,
    kitchenLines,
    filmLines,
    head,
    house: { keeping: house.keeping, vessels: house.vessels },
  };
}

/** After a line of a batch: finished to be kept, it is put by; that taken back, it is not; and that taken back again, it is. */
export async function afterBatchEvent(pool: pg.Pool, batchId: string, event: BatchEvent): Promise<void> {
  const { body } = event;
  const ends = body.kind === 'finished' && (body.goesTo === 'hold' || body.goesTo === 'cool');
  if (!ends && body.kind !== 'withdrawn') return;
  const house = await theHouse(pool);
  const batch = await readBatch(pool, batchId);
  if (!batch) return;
  if (ends) return openFromBatch(pool, house, batch);
  const lot = await readLot(pool, house.id, batchId);
  const gone = takenBack(batch.events);
  const goneThere = takenBack(lot?.events ?? []);
  for (const finished of batch.events) {
    if (finished.body.kind !== 'finished') continue;
    const put = v5(finished.id, OWN);
    if (!lot?.events.some((e) => e.id === put) || gone.has(finished.id) === goneThere.has(put)) continue;
    // What puts it by counts as what it was put by for does: taken back with it, and counting again with it.
    const names = gone.has(finished.id)
      ? put
      : lot.events.findLast(
          (e) => e.body.kind === 'withdrawn' && e.body.event === put && !goneThere.has(e.id),
        )?.id;
    if (names)
      await recordKeep(pool, batchId, {
        id: v5(`${event.id} ${put}`, OWN),
        at: new Date().toISOString(),
        station: 'Stove',
        body: { kind: 'withdrawn', event: names },
      });
  }
}

/** Writes a line of the kitchen: a probe checked or put right, days signed. */
async function recordOfKitchen(pool: pg.Pool, house: House, event: KeepEvent): Promise<RecordedLine> {
  const { body } = event;
  if (!OF_THE_KITCHEN.has(body.kind) && body.kind !== 'withdrawn')
    throw cannot(
      'body.kind',
      body.kind,
      message('one of {known}', { known: { listed: [...OF_THE_KITCHEN] } }),
    );
  if (body.kind === 'signed' && body.to < body.from)
    throw cannot('body.to', body.to, message('not before {from}', { from: body.from }));
  return transaction(async (db) => {
    const isNew = await appendLine(db, house.id, null, event);
    const head = isNew
      ? await seal(db, house.id, [{ source: 'keep_event', ids: [event.id] }])
      : await readHead(db, house.id);
    return { id: event.id, isNew, head };
  }, pool);
}

/**
 * Writes a line of something kept, or of the kitchen where `lotId` is “kitchen”. Refuses what cannot be true, by
 * its field. The same id twice is kept once.
 */
export async function recordKeep(pool: pg.Pool, lotId: string, input: unknown): Promise<RecordedLine> {
  const event = written(accept(KeepEvent, input));
  const house = await theHouse(pool);
  refuseMoment(event.at);
  if (lotId === 'kitchen') return recordOfKitchen(pool, house, event);
  const id = z.uuid().safeParse(lotId);
  if (!id.success) throw unknown('lot', lotId, []);
  if (OF_THE_KITCHEN.has(event.body.kind))
    throw cannot('body.kind', event.body.kind, message('a line of something kept'));
  return transaction(async (db) => {
    await holdLot(db, id.data);
    const known = await readLineOwner(db, event.id);
    if (known) {
      if (known.lot !== id.data.toLowerCase())
        throw taken(
          'id',
          message('{id} is the id of an event of another batch', { id: event.id }),
          message('an id of its own for each event'),
        );
      return { id: event.id, isNew: false, head: await readHead(db, house.id) };
    }
    const lot = await readLot(db, house.id, id.data);
    const before = lot && lotState(lot, house.keeping);
    if (event.body.kind === 'put by') await open(db, house, id.data, before, event);
    else if (!lot || (!before && event.body.kind !== 'withdrawn')) throw unknown('lot', lotId, []);
    // Its putting by was taken back: that can be taken back again, and nothing else.
    else if (!before) refuseForeign(lot, event);
    else refuseUntrue(house, lot, before, event, await readKitchenLines(db, house.id));
    await appendLine(db, house.id, id.data, event);
    // Read anew: what it was parted from stands there, and what the server says of the line.
    const now = await readLot(db, house.id, id.data);
    const after = now && lotState(now, house.keeping);
    await moveRow(db, id.data, after);
    const batchLine = await leavesPot(db, lot, before, after, event);
    const head = await seal(db, house.id, [{ source: 'keep_event', ids: [event.id] }]);
    return { id: event.id, isNew: true, head: batchLine ? await readHead(db, house.id) : head };
  }, pool);
}

async function open(
  db: Queryable,
  house: House,
  id: string,
  before: LotState | null,
  event: KeepEvent,
): Promise<void> {
  const { body } = event;
  if (body.kind !== 'put by') return;
  if (before)
    throw taken(
      'body.kind',
      message('it is stored already'),
      message('an id of its own for each thing kept'),
    );
  refusePlace(house, 'body.place', body.place);
  refuseUnfit(house, 'body.container', body.container, body.ml);
  if (Date.parse(body.madeAt) > Date.parse(event.at) + 60_000)
    throw cannot('body.madeAt', body.madeAt, message('not after it is stored, {at}', { at: event.at }));
  if (body.batch && !(await readBatch(db, body.batch))) throw unknown('body.batch', body.batch, []);
  if (body.from) {
    const parent = await readLot(db, house.id, body.from);
    const stands = parent && lotState(parent, house.keeping);
    if (!parent || !stands || body.from.toLowerCase() === id.toLowerCase())
      throw unknown('body.from', body.from, []);
    // Taken out of it before or after this line: no more than there was.
    const parted = parent.events.findLast((e) => e.body.kind === 'parted' && e.body.into === id)?.body;
    const there = parted?.kind === 'parted' ? parted.ml : stands.ml;
    if (body.ml > there + 1)
      throw cannot(
        'body.ml',
        message('{ml}', { ml: { ml: body.ml } }),
        message('at most the {left} there are of what it is out of', { left: { ml: there } }),
      );
  }
  await openRow(db, { id, kitchenId: house.id, batchId: body.batch ?? null, at: event.at });
}

/** What was in a batch's pot and is no longer: the batch is over, and its pot free. */
async function leavesPot(
  db: Queryable,
  lot: Lot | null,
  before: LotState | null,
  after: LotState | null,
  event: KeepEvent,
): Promise<boolean> {
  const batch = before?.put.batch;
  if (!lot || !before || !batch || batch !== lot.id) return false;
  const inPot = (s: LotState | null) =>
    s !== null && !s.over && s.container.kind === 'pot' && ['hot', 'cooling'].includes(s.stage);
  if (!inPot(before) || inPot(after)) return false;
  await appendEvents(db, [
    {
      batch,
      event: {
        id: v5(`cleared ${event.id}`, OWN),
        at: event.at,
        station: event.station,
        via: event.via,
        body: { kind: 'cleared' },
      },
      bounds: UNBOUND,
    },
  ]);
  return true;
}

/** One thing kept, over or not, by its id. Refuses one that is none’s. */
export async function theLot(db: Queryable, id: string): Promise<Lot> {
  const house = await theHouse(db);
  const lot = z.uuid().safeParse(id).success ? await readLot(db, house.id, id) : null;
  if (!lot) throw unknown('lot', id, []);
  return lot;
}
