import type { House } from '../../core/kitchen/house';
import { houseOf, KitchenFile, kitchenFileOf } from '../../core/kitchen/kitchenFile';
import type { OwnNumbers } from '../../core/pot/kitchen';
import type { Queryable } from '../data/database';
import { perKitchen } from '../guard/asking';
import { stale } from '../refusal';

/** Who saved something, by role, and why, in their words; empty when nobody said. */
type Saying = { readonly by?: string; readonly note?: string };

type KitchenVersion = {
  readonly revision: number;
  readonly madeAt: string;
  readonly by: string;
  readonly note: string;
  readonly body: KitchenFile;
};

const NEWEST = `
  FROM kitchen k JOIN kitchen_version v ON v.kitchen_id = k.id
  WHERE k.id = asked_kitchen() ORDER BY v.revision DESC LIMIT 1`;

/**
 * The house read last: a revision never changes, and every page and thread reads it. Never of another database:
 * what was written then tells them apart.
 */
const read = perKitchen<{ last: { readonly key: string; readonly house: House } | null }>(() => ({
  last: null,
}));

/** The house that is asked for; null when none has been loaded yet. */
export async function readHouse(db: Queryable): Promise<House | null> {
  const { rows: newest } = await db.query<{ key: string }>({
    name: 'newest-kitchen',
    text: `SELECT concat_ws(' ', k.id, v.revision, v.made_at, current_database(), pg_postmaster_start_time(),
             (SELECT l.revision FROM learned l WHERE l.kitchen_id = k.id)) AS key ${NEWEST}`,
  });
  const [now] = newest;
  if (!now) return null;
  const known = read();
  if (known.last?.key === now.key) return known.last.house;
  const { rows } = await db.query<{
    revision: number;
    body: unknown;
    learned: string | null;
    own: OwnNumbers | null;
    pace: Record<string, number> | null;
  }>(
    `SELECT v.revision, v.body,
       (SELECT l.revision FROM learned l WHERE l.kitchen_id = k.id) AS learned,
       (SELECT l.own -> 'pot' FROM learned l WHERE l.kitchen_id = k.id) AS own,
       (SELECT l.own -> 'pace' FROM learned l WHERE l.kitchen_id = k.id) AS pace ${NEWEST}`,
  );
  const [row] = rows;
  if (!row) return null;
  const file = houseOf(KitchenFile.parse(row.body), row.revision);
  const { own, pace, learned } = row;
  const house: House = {
    ...file,
    learned: Number(learned ?? 0),
    kitchen: own && Object.keys(own).length > 0 ? { ...file.kitchen, own } : file.kitchen,
    ...(pace && Object.keys(pace).length > 0 && { pace }),
  };
  known.last = { key: now.key, house };
  return house;
}

/** The house as its own file says it, or null. */
export async function readKitchenFile(db: Queryable): Promise<KitchenFile | null> {
  const house = await readHouse(db);
  return house && kitchenFileOf(house);
}

/** Every revision of the kitchen that was kept, newest first. */
export async function readKitchenVersions(
  db: Queryable,
  kitchenId: string,
): Promise<readonly KitchenVersion[]> {
  const { rows } = await db.query<{
    revision: number;
    made_at: Date;
    made_by: string;
    note: string;
    body: unknown;
  }>(
    `SELECT revision, made_at, made_by, note, body FROM kitchen_version
     WHERE kitchen_id = $1 ORDER BY revision DESC`,
    [kitchenId],
  );
  return rows.map(({ made_at, made_by, body, ...v }) => ({
    ...v,
    by: made_by,
    madeAt: made_at.toISOString(),
    body: KitchenFile.parse(body),
  }));
}

/** Writes revision `revision`; false when there is one already. */
async function add(db: Queryable, file: KitchenFile, revision: number, { by = '', note = '' }: Saying) {
  const { rowCount } = await db.query(
    `INSERT INTO kitchen_version (kitchen_id, revision, body, made_by, note)
     VALUES ($1, $2, $3::jsonb, $4, $5) ON CONFLICT (kitchen_id, revision) DO NOTHING`,
    [file.id, revision, JSON.stringify(file), by, note],
  );
  return rowCount === 1;
}

/** Writes a kitchen into a database that has none. Run it in a transaction. */
export async function writeHouse(db: Queryable, file: KitchenFile): Promise<void> {
  await db.query('INSERT INTO kitchen (id) VALUES ($1)', [file.id]);
  await add(db, file, 1, {});
}

/**
 * Keeps a changed kitchen as the revision after the one it was read from, and returns its number. Refuses when
 * somebody saved in between. Run it in a transaction.
 */
export async function replaceHouse(
  db: Queryable,
  file: KitchenFile,
  revision: number,
  saying: Saying = {},
): Promise<number> {
  const { rows } = await db.query<{ newest: number }>(
    'SELECT max(revision) AS newest FROM kitchen_version WHERE kitchen_id = $1',
    [file.id],
  );
  if (rows[0]?.newest !== revision || !(await add(db, file, revision + 1, saying))) throw stale('kitchen');
  return revision + 1;
}
