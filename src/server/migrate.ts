import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import type pg from 'pg';
import { transaction } from './database';

/** Any number: held while migrating, so that two processes starting together do not both do it. */
const LOCK = 7_261_423;

/** Found from the project's root, where every command runs. */
const folder = join(process.cwd(), 'src/server/sql');

/** Applies the numbered SQL files not yet applied, in order, each in its own transaction. Returns their names. */
export async function migrate(pool: pg.Pool): Promise<readonly string[]> {
  const files = (await readdir(folder)).filter((f) => /^\d{4}_.*\.sql$/.test(f)).sort();
  const applied: string[] = [];
  for (const file of files) {
    await transaction(async (client) => {
      await client.query('SELECT pg_advisory_xact_lock($1)', [LOCK]);
      await client.query(
        'CREATE TABLE IF NOT EXISTS migration (name text PRIMARY KEY, applied_at timestamptz NOT NULL DEFAULT now())',
      );
      const known = await client.query('SELECT 1 FROM migration WHERE name = $1', [file]);
      if (known.rowCount) return;
      await client.query(await readFile(join(folder, file), 'utf8'));
      await client.query('INSERT INTO migration (name) VALUES ($1)', [file]);
      applied.push(file);
    }, pool);
  }
  return applied;
}
