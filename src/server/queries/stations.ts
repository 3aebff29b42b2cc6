import type { StationTold } from '../../contract/stations';
import type { Access } from '../../core/record/access';
import type { Queryable } from '../data/database';

type Row = {
  id: string;
  name: string;
  access: Access;
  works_as: string;
  paired_at: Date;
  paired_by: string;
  seen_at: Date;
  revoked_at: Date | null;
};

/** Stations of a kitchen: those that may come in first, then those that may no longer. */
export async function readStations(
  db: Queryable,
  kitchenId: string,
): Promise<readonly Omit<StationTold, 'mine'>[]> {
  const { rows } = await db.query<Row>(
    `SELECT id, name, access, works_as, paired_at, paired_by, seen_at, revoked_at FROM station
     WHERE kitchen_id = $1 ORDER BY revoked_at IS NOT NULL, paired_at DESC LIMIT 500`,
    [kitchenId],
  );
  return rows.map((r) => ({
    id: r.id,
    name: r.name,
    access: r.access,
    worksAs: r.works_as,
    pairedAt: r.paired_at.toISOString(),
    pairedBy: r.paired_by,
    seenAt: r.seen_at.toISOString(),
    revokedAt: r.revoked_at?.toISOString() ?? null,
  }));
}

/** The station a key is of; null of none, and of one that was revoked. Notes that it was seen, once a minute. */
export async function readStationByKey(db: Queryable, keyHash: string) {
  const { rows } = await db.query<Pick<Row, 'id' | 'name' | 'access' | 'works_as'> & { kitchen_id: string }>({
    name: 'station-by-key',
    text: 'SELECT * FROM station_by_key($1)',
    values: [keyHash],
  });
  const [row] = rows;
  if (!row) return null;
  return {
    id: row.id,
    kitchenId: row.kitchen_id,
    name: row.name,
    access: row.access,
    worksAs: row.works_as,
  };
}

/** Stations that may come in as a lead. */
export async function countLeads(db: Queryable, kitchenId: string): Promise<number> {
  const { rows } = await db.query<{ n: number }>(
    "SELECT count(*)::int AS n FROM station WHERE kitchen_id = $1 AND access = 'lead' AND revoked_at IS NULL",
    [kitchenId],
  );
  return rows[0]?.n ?? 0;
}

export type NewStation = {
  readonly id: string;
  readonly name: string;
  readonly access: Access;
  readonly worksAs: string;
  readonly keyHash: string;
  readonly pairedBy: string;
};

export const writeStation = (db: Queryable, kitchenId: string, s: NewStation) =>
  db.query(
    `INSERT INTO station (id, kitchen_id, name, access, works_as, key_hash, paired_by) VALUES ($1, $2, $3, $4, $5, $6, $7)`,
    [s.id, kitchenId, s.name, s.access, s.worksAs, s.keyHash, s.pairedBy],
  );

/** False where there is no such station. */
export async function renameStation(
  db: Queryable,
  kitchenId: string,
  id: string,
  name: string,
): Promise<boolean> {
  const { rowCount } = await db.query('UPDATE station SET name = $3 WHERE kitchen_id = $1 AND id = $2', [
    kitchenId,
    id,
    name,
  ]);
  return rowCount === 1;
}

/** Its key opens nothing any more; the station stands in the list as it was. False where there is no such station. */
export async function revokeStation(db: Queryable, kitchenId: string, id: string): Promise<boolean> {
  const { rowCount } = await db.query(
    'UPDATE station SET revoked_at = coalesce(revoked_at, now()) WHERE kitchen_id = $1 AND id = $2',
    [kitchenId, id],
  );
  await db.query('DELETE FROM lead_session WHERE station_id = $1', [id]);
  return rowCount === 1;
}

export type Pairing = {
  readonly id: string;
  readonly codeHash: string;
  readonly name: string;
  readonly access: Access;
  readonly worksAs: string;
  readonly madeBy: string;
};

/** Keeps a code for so many ms. What has run out goes. */
export async function writePairing(db: Queryable, kitchenId: string, p: Pairing, ms: number): Promise<Date> {
  await db.query('DELETE FROM pairing WHERE expires_at < now()');
  const { rows } = await db.query<{ until: Date }>(
    `INSERT INTO pairing (id, kitchen_id, code_hash, name, access, works_as, made_by, expires_at)
     VALUES ($1, $2, $3, $4, $5, $6, $7, now() + $8 * interval '1 millisecond') RETURNING expires_at AS until`,
    [p.id, kitchenId, p.codeHash, p.name, p.access, p.worksAs, p.madeBy, ms],
  );
  return rows[0]?.until ?? new Date();
}

/** Codes that stand, held until the transaction ends. */
export async function holdPairings(db: Queryable): Promise<readonly (Pairing & { kitchenId: string })[]> {
  const { rows } = await db.query<{
    id: string;
    kitchen_id: string;
    code_hash: string;
    name: string;
    access: Access;
    works_as: string;
    made_by: string;
  }>('SELECT * FROM pairing WHERE expires_at > now() ORDER BY expires_at FOR UPDATE');
  return rows.map((r) => ({
    id: r.id,
    kitchenId: r.kitchen_id,
    codeHash: r.code_hash,
    name: r.name,
    access: r.access,
    worksAs: r.works_as,
    madeBy: r.made_by,
  }));
}

export const removePairing = (db: Queryable, id: string) =>
  db.query('DELETE FROM pairing WHERE id = $1', [id]);

/** Counts a wrong code against all that stand; one that was guessed at too often is gone. */
export async function countWrongCode(db: Queryable, most: number): Promise<void> {
  await db.query('UPDATE pairing SET wrong = wrong + 1');
  await db.query('DELETE FROM pairing WHERE wrong >= $1', [most]);
}

export type LeadPin = { readonly hash: string; readonly wrong: number; readonly waitMs: number };

/** The PIN’s hash, how often in a row it was wrong, and how long it waits, ms; held where `hold` is asked. Null where none is set. */
export async function readPin(db: Queryable, kitchenId: string, hold = false): Promise<LeadPin | null> {
  const { rows } = await db.query<{ hash: string; wrong: number; wait: number }>(
    `SELECT hash, wrong, greatest(0, CASE WHEN wait_until = '-infinity' THEN 0
       ELSE extract(epoch FROM wait_until - clock_timestamp()) * 1000 END)::float8 AS wait
     FROM lead_pin WHERE kitchen_id = $1 ${hold ? 'FOR UPDATE' : ''}`,
    [kitchenId],
  );
  const [row] = rows;
  return row ? { hash: row.hash, wrong: row.wrong, waitMs: Math.ceil(row.wait) } : null;
}

/** Keeps a PIN; whoever was a lead by the one before is none. */
export async function writePin(db: Queryable, kitchenId: string, hash: string): Promise<void> {
  await db.query(
    `INSERT INTO lead_pin (kitchen_id, hash) VALUES ($1, $2)
     ON CONFLICT (kitchen_id) DO UPDATE SET hash = excluded.hash, set_at = now(), wrong = 0, wait_until = '-infinity'`,
    [kitchenId, hash],
  );
  await endSessionsOfAll(db, kitchenId);
}

export async function removePin(db: Queryable, kitchenId: string): Promise<void> {
  await db.query('DELETE FROM lead_pin WHERE kitchen_id = $1', [kitchenId]);
  await endSessionsOfAll(db, kitchenId);
}

const endSessionsOfAll = (db: Queryable, kitchenId: string) =>
  db.query('DELETE FROM lead_session WHERE station_id IN (SELECT id FROM station WHERE kitchen_id = $1)', [
    kitchenId,
  ]);

/** How the last tries went: so many wrong in a row, and not again before so many ms. */
export const writeTries = (db: Queryable, kitchenId: string, wrong: number, waitMs: number) =>
  db.query(
    `UPDATE lead_pin SET wrong = $2, wait_until = CASE WHEN $3::float8 > 0
       THEN clock_timestamp() + $3 * interval '1 millisecond' ELSE '-infinity' END WHERE kitchen_id = $1`,
    [kitchenId, wrong, waitMs],
  );

/** A station is a lead’s for so many ms, by a token only it has. */
export async function beginSession(
  db: Queryable,
  stationId: string,
  tokenHash: string,
  ms: number,
): Promise<void> {
  await db.query('DELETE FROM lead_session WHERE until < now() OR station_id = $1', [stationId]);
  await db.query(
    "INSERT INTO lead_session (token_hash, station_id, until) VALUES ($1, $2, now() + $3 * interval '1 millisecond')",
    [tokenHash, stationId, ms],
  );
}

/** Whether a station is a lead’s by this token; used, it goes on for `ms` from now. */
export async function goOnWithSession(
  db: Queryable,
  stationId: string,
  tokenHash: string,
  ms: number,
): Promise<boolean> {
  const { rowCount } = await db.query(
    `UPDATE lead_session SET until = now() + $3 * interval '1 millisecond'
     WHERE token_hash = $2 AND station_id = $1 AND until > now()`,
    [stationId, tokenHash, ms],
  );
  return rowCount === 1;
}

export const endSession = (db: Queryable, stationId: string) =>
  db.query('DELETE FROM lead_session WHERE station_id = $1', [stationId]);
