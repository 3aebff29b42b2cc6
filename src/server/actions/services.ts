import type pg from 'pg';
import * as z from 'zod';
import { StartRequest } from '../../contract/batches';
import {
  type DayOpened,
  SavedCycleAsked,
  type SavedService,
  SavedServiceAsked,
  StartOnBoard,
  type StoredService,
} from '../../contract/services';
import { median } from '../../core/maths/median';
import { same } from '../../core/maths/same';
import { message } from '../../core/message/message';
import { merged } from '../../core/service/merge';
import { Cycle, Day, Service } from '../../core/service/schema';
import { batchesOf, dayAfter, orderOf, turnOf } from '../../core/service/service';
import type { Queryable } from '../data/database';
import { transaction } from '../data/database';
import {
  lockServices,
  readCycle,
  readDay,
  readDays,
  readService,
  readServiceAt,
  readUsualCovers,
  writeCycle,
  writeService,
} from '../queries/services';
import { accept, cannot, stale, taken, unknown } from '../refusal';
import { acceptSaid } from '../saying';
import { beginIn, type plannedBatch } from './batches';
import { theHouse } from './kitchen';

/** Days looked at to both sides. */
const NEAR = 21;

export async function openDay(db: Queryable, input: string): Promise<DayOpened> {
  const day = accept(Day, input);
  const { id } = await theHouse(db);
  const [services, near, stored, covers] = await Promise.all([
    readDay(db, id, day),
    readDays(db, id, dayAfter(day, -NEAR), dayAfter(day, NEAR)),
    readCycle(db, id),
    readUsualCovers(db, id, day),
  ]);
  const turn = stored ? turnOf(stored.cycle, day) : { week: 0, services: [] };
  const copies = await Promise.all(turn.services.map((s) => readService(db, id, s)));
  return {
    day,
    services,
    near,
    cycle: stored?.cycle ?? null,
    cycleRevision: stored?.revision ?? 0,
    week: turn.week,
    usual: covers.length > 0 ? Math.round(median(covers)) : null,
    turn: copies.flatMap((c) => (c ? [c.service] : [])),
  };
}

/** A service by its id. Refuses one that is none’s. */
export async function theService(db: Queryable, id: string): Promise<StoredService> {
  const house = await theHouse(db);
  const found = z.uuid().safeParse(id).success ? await readService(db, house.id, id) : null;
  if (!found) throw unknown('service', id, []);
  return found;
}

/**
 * Keeps a service. Where somebody saved it since, both changes are put together: what only one of them changed is kept, what
 * both did stands as the other has it, and is told.
 */
export async function saveService(pool: pg.Pool, input: unknown): Promise<SavedService> {
  const { service: given, base, by } = acceptSaid(SavedServiceAsked, input);
  const service = accept(Service, given);
  return transaction(async (db) => {
    const house = await theHouse(db);
    await lockServices(db, service.id);
    const now = await readService(db, house.id, service.id);
    if (!now) return { service, revision: await writeService(db, house.id, service, by), told: [] };
    if (same(now.service, service)) return { ...now, told: [] };
    if (now.revision === base)
      return { service, revision: await writeService(db, house.id, service, by), told: [] };
    const from = await readServiceAt(db, house.id, service.id, base);
    if (!from) throw stale('service');
    const both = merged(from, service, now.service);
    if (same(both.service, now.service)) return { ...now, told: both.told };
    return {
      service: both.service,
      revision: await writeService(db, house.id, both.service, by),
      told: both.told,
    };
  }, pool);
}

/**
 * What a start from the board asks of the planner: the order of that batch, where it stands. Refuses a batch that
 * is not there, or is under way.
 */
export async function startOf(db: Queryable, serviceId: string, input: unknown): Promise<StartRequest> {
  const { key, by: _by, ...rest } = accept(StartOnBoard, input);
  const { service } = await theService(db, serviceId);
  const batch = batchesOf(service).find((b) => b.key === key);
  if (!batch)
    throw unknown(
      'key',
      key,
      batchesOf(service).map((b) => b.key),
    );
  const already = service.started[key];
  if (already && already !== rest.id)
    throw taken('key', message('it was started already'), message('open it on the stove'));
  return accept(StartRequest, { ...orderOf(batch, service.placed[key]), ...rest });
}

/** Starts a batch of a service and writes down on the board that it was. The same id twice does it once. */
export async function startOnBoard(
  pool: pg.Pool,
  serviceId: string,
  input: unknown,
  planned: Awaited<ReturnType<typeof plannedBatch>>,
): Promise<{ readonly id: string; readonly isNew: boolean }> {
  const { key, anyway = false, by } = acceptSaid(StartOnBoard, input);
  // On the board first: of two who light it, one finds it lit.
  return transaction(async (db) => {
    await lockServices(db, serviceId);
    const house = await theHouse(db);
    const now = await readService(db, house.id, serviceId);
    if (!now) throw unknown('service', serviceId, []);
    const already = now.service.started[key];
    if (already && already !== planned.id)
      throw taken('key', message('it was started already'), message('open it on the stove'));
    const started = await beginIn(db, planned, { anyway });
    if (!already)
      await writeService(
        db,
        house.id,
        { ...now.service, started: { ...now.service.started, [key]: started.id } },
        by,
      );
    return started;
  }, pool);
}

/** Keeps the kitchen’s menu cycle. Refuses when somebody saved it since, and services it does not know. */
export async function saveCycle(pool: pg.Pool, input: unknown): Promise<{ readonly revision: number }> {
  const { cycle: given, base, by } = acceptSaid(SavedCycleAsked, input);
  const cycle = accept(Cycle, given);
  return transaction(async (db) => {
    const house = await theHouse(db);
    await lockServices(db, 'cycle');
    const now = await readCycle(db, house.id);
    if ((now?.revision ?? 0) !== base) throw stale('cycle');
    for (const id of new Set(cycle.weeks.flat(2)))
      if (!(await readService(db, house.id, id)))
        throw cannot('weeks', id, message('services that are kept'));
    return { revision: await writeCycle(db, house.id, cycle, by) };
  }, pool);
}
