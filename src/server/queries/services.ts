import type { NearDay, StoredService } from '../../contract/services';
import { Cycle, Service } from '../../core/service/schema';
import type { Queryable } from '../data/database';

/** The id a kitchen’s menu cycle is kept under. */
const CYCLE = 'cycle';

type Row = { revision: number; body: unknown };

const serviceOf = ({ revision, body }: Row): StoredService => ({ service: Service.parse(body), revision });

const NEWEST = `SELECT v.revision, v.body FROM service s
  JOIN service_version v USING (kitchen_id, id, revision)`;

/** The services of a day, the earliest on the pass first. */
export async function readDay(
  db: Queryable,
  kitchenId: string,
  day: string,
): Promise<readonly StoredService[]> {
  const { rows } = await db.query<Row>(
    `${NEWEST} WHERE s.kitchen_id = $1 AND s.day = $2::date AND NOT s.archived`,
    [kitchenId, day],
  );
  const first = ({ service }: StoredService) =>
    Math.min(...service.soups.map((s) => s.draws[0]?.at ?? 0), 2160);
  return rows.map(serviceOf).toSorted((a, b) => first(a) - first(b));
}

/** Days on which there is a service, from `from` to `to`, with its name. */
export async function readDays(
  db: Queryable,
  kitchenId: string,
  from: string,
  to: string,
): Promise<readonly NearDay[]> {
  const { rows } = await db.query<NearDay>(
    `SELECT to_char(s.day, 'YYYY-MM-DD') AS day, s.id, v.body ->> 'name' AS name,
       jsonb_array_length(v.body -> 'soups') AS soups
     FROM service s JOIN service_version v USING (kitchen_id, id, revision)
     WHERE s.kitchen_id = $1 AND s.day BETWEEN $2::date AND $3::date AND NOT s.archived ORDER BY s.day, v.made_at`,
    [kitchenId, from, to],
  );
  return rows;
}

/** The services of the days from one to another, as they stand. */
export async function readServicesBetween(
  db: Queryable,
  kitchenId: string,
  from: string,
  to: string,
): Promise<readonly StoredService[]> {
  const { rows } = await db.query<Row>(
    `${NEWEST} WHERE s.kitchen_id = $1 AND s.day BETWEEN $2::date AND $3::date AND NOT s.archived`,
    [kitchenId, from, to],
  );
  return rows.map(serviceOf);
}

/** The newest of a service; null where there is none of that id. */
export async function readService(
  db: Queryable,
  kitchenId: string,
  id: string,
): Promise<StoredService | null> {
  const { rows } = await db.query<Row>(`${NEWEST} WHERE s.kitchen_id = $1 AND s.id = $2`, [kitchenId, id]);
  return rows[0] ? serviceOf(rows[0]) : null;
}

/** A service as it was at `revision`; null where it never was. */
export async function readServiceAt(
  db: Queryable,
  kitchenId: string,
  id: string,
  revision: number,
): Promise<Service | null> {
  const { rows } = await db.query<Row>(
    'SELECT revision, body FROM service_version WHERE kitchen_id = $1 AND id = $2 AND revision = $3',
    [kitchenId, id, revision],
  );
  return rows[0] ? serviceOf(rows[0]).service : null;
}

async function write(
  db: Queryable,
  kitchenId: string,
  body: Service | Cycle,
  of: { id: string; day: string | null; archived: boolean; by: string },
): Promise<number> {
  const { rows } = await db.query<{ revision: number }>(
    `INSERT INTO service_version (kitchen_id, id, revision, day, body, made_by)
     SELECT $1, $2, coalesce(max(revision), 0) + 1, $3::date, $4::jsonb, $5
     FROM service_version WHERE kitchen_id = $1 AND id = $2 RETURNING revision`,
    [kitchenId, of.id, of.day, JSON.stringify(body), of.by],
  );
  const revision = rows[0]?.revision ?? 0;
  await db.query(
    `INSERT INTO service (kitchen_id, id, revision, day, archived) VALUES ($1, $2, $3, $4::date, $5)
     ON CONFLICT (kitchen_id, id) DO UPDATE SET revision = $3, day = $4::date, archived = $5`,
    [kitchenId, of.id, revision, of.day, of.archived],
  );
  return revision;
}

/** Keeps a service as its next revision. Run it in a transaction that holds {@link lockServices}. */
export const writeService = (db: Queryable, kitchenId: string, service: Service, by = ''): Promise<number> =>
  write(db, kitchenId, service, {
    id: service.id,
    day: service.day,
    archived: service.archived ?? false,
    by,
  });

/** One after another: who reads a service to change it waits for who is changing it. */
export async function lockServices(db: Queryable, id: string): Promise<void> {
  await db.query('SELECT pg_advisory_xact_lock(hashtext($1))', [`service ${id}`]);
}

/** The kitchen’s menu cycle and its revision; null where it has none. */
export async function readCycle(
  db: Queryable,
  kitchenId: string,
): Promise<{ readonly cycle: Cycle; readonly revision: number } | null> {
  const { rows } = await db.query<Row>(`${NEWEST} WHERE s.kitchen_id = $1 AND s.id = $2`, [kitchenId, CYCLE]);
  return rows[0] ? { cycle: Cycle.parse(rows[0].body), revision: rows[0].revision } : null;
}

export const writeCycle = (db: Queryable, kitchenId: string, cycle: Cycle, by = ''): Promise<number> =>
  write(db, kitchenId, cycle, { id: CYCLE, day: null, archived: false, by });

/** Whether a service is planned for `day` or after. */
export async function isPlanned(db: Queryable, kitchenId: string, day: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'SELECT 1 FROM service WHERE kitchen_id = $1 AND day >= $2::date AND NOT archived LIMIT 1',
    [kitchenId, day],
  );
  return rowCount === 1;
}

/** The first day from `day` on that has a service; `day` itself where none has. */
export async function nextDay(db: Queryable, kitchenId: string, day: string): Promise<string> {
  const { rows } = await db.query<{ day: string | null }>(
    `SELECT to_char(min(day), 'YYYY-MM-DD') AS day FROM service
     WHERE kitchen_id = $1 AND day >= $2::date AND NOT archived`,
    [kitchenId, day],
  );
  return rows[0]?.day ?? day;
}

/** Covers of the last `most` services on the same day of the week before `day`, the newest first. */
export async function readUsualCovers(
  db: Queryable,
  kitchenId: string,
  day: string,
  most = 4,
): Promise<readonly number[]> {
  const { rows } = await db.query<{ covers: number }>(
    `SELECT (v.body ->> 'covers')::integer AS covers
     FROM service s JOIN service_version v USING (kitchen_id, id, revision)
     WHERE s.kitchen_id = $1 AND s.day < $2::date AND NOT s.archived
       AND extract(isodow FROM s.day) = extract(isodow FROM $2::date) AND v.body ->> 'covers' IS NOT NULL
     ORDER BY s.day DESC LIMIT $3`,
    [kitchenId, day, most],
  );
  return rows.map((r) => r.covers);
}

/** Services as they stand, those put away too, by their ids from after `after` on. */
export async function readServicesFrom(
  db: Queryable,
  kitchenId: string,
  after: string,
  most: number,
): Promise<readonly Service[]> {
  const { rows } = await db.query<Row>(
    `${NEWEST} WHERE s.kitchen_id = $1 AND s.id > $2 AND s.id <> $3 ORDER BY s.id LIMIT $4`,
    [kitchenId, after, CYCLE, most],
  );
  return rows.map((row) => serviceOf(row).service);
}
