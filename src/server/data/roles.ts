import type pg from 'pg';
import { transaction } from './database';

/**
 * What the application may write, column by column, and why: docs/security.md has the same list. Of a line of the record it says what
 * happened; when it was received, its number and its place in the chain are the database’s to say.
 */
export const MAY_ADD: Readonly<Record<string, readonly string[]>> = {
  batch: ['id', 'kitchen_id', 'recipe_id', 'recipe_version', 'plan', 'started_at', 'serve_at', 'via'],
  batch_event: ['id', 'batch_id', 'at', 'station', 'body', 'clock_ms', 'batch_started_at', 'via'],
  keep_event: ['id', 'kitchen_id', 'lot_id', 'at', 'station', 'clock_ms', 'body', 'via'],
  recipe_version: ['kitchen_id', 'recipe_id', 'version', 'body', 'made_at', 'note', 'made_by'],
  kitchen_version: ['kitchen_id', 'revision', 'body', 'made_by', 'note'],
  service_version: ['kitchen_id', 'id', 'revision', 'day', 'body', 'made_by'],
  water_test: ['id', 'kitchen_id', 'pot_id', 'burner_id', 'readings', 'loss_factor', 'into_pot_w'],
  learning_act: ['id', 'kitchen_id', 'station', 'body'],
  import: ['id', 'kitchen_id', 'taken', 'kitchen_before', 'revision_after'],
  import_undone: ['import_id'],
  import_sealed: ['import_id'],
  imported_batch: ['import_id', 'batch_id'],
  imported_version: ['import_id', 'kitchen_id', 'recipe_id', 'version'],
  published: ['id', 'group_id', 'kind', 'subject', 'edition', 'body', 'note', 'made_by'],
  published_answer: ['kitchen_id', 'published_id', 'answer', 'taken_as', 'made_by'],
};

/** Settings, which change and are never removed: who changed what is for the versions to say. */
export const MAY_CHANGE = ['kitchen', 'recipe', 'service', 'lot', 'learned', 'station', 'lead_pin'] as const;

/** What runs out, and what is worked out of the record and can be worked out anew: it may go, too. */
export const MAY_CLEAR = ['to_log', 'logged', 'lesson', 'pairing', 'lead_session'] as const;

/** What does with the owner’s rights what the application may not do itself. */
export const MAY_CALL = [
  'seal_lines',
  'bring_batch',
  'bring_lines',
  'bring_kept',
  'bring_water_test',
  'bring_act',
  'remove_recipe',
  'station_by_key',
  'logged_with',
  'lessons_with',
  'kitchen_ids',
  'kitchens_to_log',
  'group_figures',
  'group_answers',
  'asked_group',
  'leads_group',
  'only_kitchen',
] as const;

const READ_ONLY = [
  'migration',
  'kept_batch',
  'kept_version',
  'to_seal',
  'seal',
  'event_part',
  'event_part_moved',
  'event_away',
  'quarantine',
  'kitchen_group',
  'group_member',
];

/**
 * Gives the application its own role on this database: it owns nothing and can make, change or drop no table, and
 * of the record it can only read and add lines, and of those only what is its own to say. Run as the owner, after
 * every migration; what was granted
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
    for (const [table, columns] of Object.entries(MAY_ADD))
      await db.query(`GRANT SELECT, INSERT (${columns.join(', ')}) ON ${table} TO ${role}`);
    await db.query(`GRANT SELECT, INSERT, UPDATE ON ${MAY_CHANGE.join(', ')} TO ${role}`);
    await db.query(`GRANT SELECT, INSERT, UPDATE, DELETE ON ${MAY_CLEAR.join(', ')} TO ${role}`);
    const { rows: functions } = await db.query<{ call: string }>(
      'SELECT oid::regprocedure::text AS call FROM pg_proc WHERE proname = ANY($1)',
      [MAY_CALL],
    );
    await db.query(`REVOKE ALL ON ALL FUNCTIONS IN SCHEMA public FROM ${role}`);
    for (const { call } of functions) await db.query(`GRANT EXECUTE ON FUNCTION ${call} TO ${role}`);
    await db.query(`GRANT SELECT ON ${READ_ONLY.join(', ')} TO ${role}`);
  }, owner);
}
