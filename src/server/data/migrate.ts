import { createHash } from 'node:crypto';
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type pg from 'pg';
import { transaction } from './database';

/** Any number, the same in every process: only one migrates at a time. */
const LOCK = 7_426_224;

/** Where the migrations of this Panache stand. */
export const MIGRATIONS = join(process.cwd(), 'src/server/sql');

const FILE = /^\d{4}_.*\.sql$/;

/** A database this code must not be let loose on, in words for whoever starts it. */
export class WrongSchema extends Error {}

/** What a migration is known by: its text may not change once it was applied. */
export const checksumOf = (text: string): string => createHash('sha256').update(text).digest('hex');

/** Migrations of this Panache that `pool`’s database has not had; none where it has never had any. */
export async function pending(pool: pg.Pool): Promise<readonly string[]> {
  const { rows: there } = await pool.query<{ there: boolean }>(
    "SELECT to_regclass('migration') IS NOT NULL AS there",
  );
  if (!there[0]?.there) return [];
  const { rows } = await pool.query<{ name: string }>('SELECT name FROM migration');
  const known = new Set(rows.map((r) => r.name));
  return known.size === 0
    ? []
    : (await readdir(MIGRATIONS)).filter((f) => FILE.test(f) && !known.has(f)).sort();
}

/**
 * Applies the numbered SQL files of `folder` not yet applied, in order, each in its own transaction. Returns
 * their names. Refuses with {@link WrongSchema} a database that has migrations this code does not know, made by a newer
 * one, or one whose text has been changed since it was applied.
 */
export async function migrate(pool: pg.Pool, folder = MIGRATIONS): Promise<readonly string[]> {
  const files = (await readdir(folder)).filter((f) => FILE.test(f)).sort();
  await transaction(async (db) => {
    await db.query('SELECT pg_advisory_xact_lock($1)', [LOCK]);
    await db.query(
      'CREATE TABLE IF NOT EXISTS migration (name text PRIMARY KEY, applied_at timestamptz NOT NULL DEFAULT now())',
    );
    await db.query('ALTER TABLE migration ADD COLUMN IF NOT EXISTS checksum text');
    const { rows } = await db.query<{ name: string }>('SELECT name FROM migration ORDER BY name');
    const newer = rows.map((r) => r.name).filter((name) => !files.includes(name));
    if (newer.length > 0)
      throw new WrongSchema(
        `the database was brought up to date by a newer Panache (it has ${newer.join(', ')}): start that one, or give this one a database of its own`,
      );
  }, pool);
  const applied: string[] = [];
  for (const file of files) {
    const text = await readFile(join(folder, file), 'utf8');
    const checksum = checksumOf(text);
    await transaction(async (client) => {
      await client.query('SELECT pg_advisory_xact_lock($1)', [LOCK]);
      const { rows } = await client.query<{ checksum: string | null }>(
        'SELECT checksum FROM migration WHERE name = $1',
        [file],
      );
      const [known] = rows;
      if (known?.checksum && known.checksum !== checksum)
        throw new WrongSchema(
          `${file} is not the text this database was made with: put the old text back, and write a new migration`,
        );
      if (known) {
        await client.query('UPDATE migration SET checksum = $2 WHERE name = $1 AND checksum IS NULL', [
          file,
          checksum,
        ]);
        return;
      }
      await client.query(text);
      await client.query('INSERT INTO migration (name, checksum) VALUES ($1, $2)', [file, checksum]);
      applied.push(file);
    }, pool);
  }
  return applied;
}
