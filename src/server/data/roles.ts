import type pg from 'pg';
import { transaction } from './database';

/** What is written once and never changed: the application may add to it and read it, nothing else. */
const RECORD = [
  'batch',
  'batch_event',
  'recipe_version',
  'kitchen_version',
  'water_test',
  'import',
  'import_undone',
  'imported_batch',
  'imported_version',
  'service_version',
  'keep_event',
  'seal',
];

/** Settings, which change: who changed what is for the versions to say. */
const SETTINGS = ['kitchen', 'recipe', 'service', 'lot'];

const READ_ONLY = [
  'migration',
  'kept_batch',
  'kept_version',
  'to_seal',
  'event_part',
  'event_part_moved',
  'event_away',
];

/**
 * Gives the application its own role on this database: it owns nothing and can make, change or drop no table, and
 * of the record it can only read and add lines. Run as the owner, after every migration; what was granted
 * before and is no longer here is taken away. `name` and `password` of the role are made when it is missing.
 * Throws where the owner may not make roles.
 */
export async function guard(owner: pg.Pool, name: string, password: string): Promise<void> {
  const role = `"${name.replaceAll('"', '""')}"`;
  await transaction(async (db) => {
    const { rows } = await db.query<{ there: boolean; base: string; secret: string }>(
      `SELECT EXISTS (SELECT 1 FROM pg_roles WHERE rolname = $1) AS there, current_database() AS base,
         quote_literal($2::text) AS secret`,
      [name, password],
    );
    const [{ there, base, secret } = { there: false, base: '', secret: '' }] = rows;
    const database = `"${base.replaceAll('"', '""')}"`;
    await db.query(`${there ? 'ALTER' : 'CREATE'} ROLE ${role} LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE
      NOREPLICATION NOBYPASSRLS PASSWORD ${secret}`);
    await db.query(`REVOKE ALL ON DATABASE ${database} FROM PUBLIC, ${role}`);
    await db.query(`GRANT CONNECT ON DATABASE ${database} TO ${role}`);
    await db.query(`REVOKE ALL ON SCHEMA public FROM PUBLIC, ${role}`);
    await db.query(`GRANT USAGE ON SCHEMA public TO ${role}`);
    await db.query(`REVOKE ALL ON ALL TABLES IN SCHEMA public FROM ${role}`);
    await db.query(`GRANT SELECT, INSERT ON ${RECORD.join(', ')} TO ${role}`);
    await db.query(`GRANT SELECT, INSERT, UPDATE, DELETE ON ${SETTINGS.join(', ')} TO ${role}`);
    await db.query(`GRANT SELECT ON ${READ_ONLY.join(', ')} TO ${role}`);
  }, owner);
}
