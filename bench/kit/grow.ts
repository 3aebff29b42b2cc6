import type pg from 'pg';
import { openSince } from '../../src/server/data/testDatabase';

/** How long a kitchen has gone on: what it is grown by. */
export type Growth = {
  readonly batches: number;
  readonly eventsEach: number;
  readonly recipes: number;
  readonly versionsEach: number;
  /** Days back over which its batches lie. */
  readonly days: number;
};

/** Three years of a busy kitchen: twenty thousand batches, a million events, five hundred recipes of twenty versions. */
export const THREE_YEARS: Growth = {
  batches: 20_000,
  eventsEach: 50,
  recipes: 500,
  versionsEach: 20,
  days: 1095,
};
export const FOURTH_YEAR: Growth = {
  batches: 6667,
  eventsEach: 50,
  recipes: 0,
  versionsEach: 0,
  days: 365,
};

/**
 * Grows a database with the demo in it, by its owner, in one go: batches cooked and served, each with a copy of
 * the demo’s plan and taps of the
 * usual kinds; recipes that are the demo’s own under other names. Made-up, and by no station: what was grown is not sealed.
 */
export async function grow(owner: pg.Pool, g: Growth): Promise<void> {
  const since = new Date(Date.now() - g.days * 86_400_000);
  const { rows } = await owner.query(
    "SELECT 1 FROM event_part WHERE name = 'batch_event_before' AND high > $1",
    [since],
  );
  if (rows.length > 0) {
    // The demo’s own months lie in the part from before there were any: they are set aside while it is parted.
    const aside = await owner.connect();
    try {
      await aside.query('SET session_replication_role = replica');
      await aside.query('CREATE TEMP TABLE kept AS SELECT * FROM batch_event_before');
      await aside.query('DELETE FROM batch_event_before');
      await openSince(owner, since);
      await aside.query('INSERT INTO batch_event OVERRIDING SYSTEM VALUE SELECT * FROM kept');
    } finally {
      aside.release(true);
    }
  }
  const db = await owner.connect();
  try {
    // Nobody is told, nothing refused: only what is written counts. Its ends are set as the events would have.
    await db.query(
      'SET session_replication_role = replica; SET statement_timeout = 0; SET synchronous_commit = off',
    );
    // In one, so that all of it counts from the same moment: a line says when its batch began.
    await db.query('BEGIN');
    // The same id for the same thing, of the form (RFC 9562, version 4) an address may name.
    const uuidOf = (text: string) =>
      `overlay(overlay(md5(${text}) placing '4' from 13) placing '8' from 17)::uuid`;
    const made = (what: string) => uuidOf(`'${what} ' || $1::text || ' ' || n`);
    const tag = `${g.batches} ${g.days} ${Date.now()}`;
    if (g.recipes > 0) {
      await db.query(
        `WITH demo AS (
           SELECT DISTINCT ON (recipe_id) *, row_number() OVER (ORDER BY recipe_id) AS k FROM recipe_version ORDER BY recipe_id, version DESC),
         grown AS (
           SELECT d.kitchen_id, d.body, n, d.recipe_id || '-' || n AS id
           FROM generate_series(1, $1::int) n JOIN (SELECT d.*, row_number() OVER (ORDER BY recipe_id) AS nth, count(*) OVER () AS of FROM demo d) d
             ON d.nth = n % d.of + 1),
         listed AS (
           INSERT INTO recipe (kitchen_id, id, place) SELECT kitchen_id, id, 1000 + n FROM grown RETURNING id)
         INSERT INTO recipe_version (kitchen_id, recipe_id, version, body, made_at)
         SELECT kitchen_id, id, v, body || jsonb_build_object('id', id, 'name', (body ->> 'name') || ' ' || n),
           now() - (21 - v) * interval '20 days'
         FROM grown CROSS JOIN generate_series(1, $2::int) v`,
        [g.recipes, g.versionsEach],
      );
    }
    await db.query(
      `INSERT INTO batch (id, kitchen_id, recipe_id, recipe_version, plan, started_at, serve_at, received_at, over_at, off_stove_at)
       SELECT ${made('batch')}, b.kitchen_id, b.recipe_id, b.recipe_version, b.plan, at, at + interval '2 hours', at,
         at + interval '3 hours', at + interval '3 hours'
       FROM (SELECT * FROM batch ORDER BY started_at LIMIT 1) b,
         LATERAL (SELECT n, now() - interval '1 day' - n * ($3::float8 / $2::int) * interval '1 day' AS at FROM generate_series(1, $2::int) n) t`,
      [tag, g.batches, g.days],
    );
    await db.query(
      `INSERT INTO batch_event (id, batch_id, kitchen_id, at, received_at, station, body, batch_started_at)
       SELECT ${uuidOf(`'event ' || $1::text || ' ' || n || ' ' || k`)}, ${made('batch')}, (SELECT id FROM kitchen ORDER BY id LIMIT 1), at, at, (ARRAY['Opener', 'Closer', 'Lead'])[k % 3 + 1],
         CASE WHEN k = $3 THEN '{"kind":"finished","goesTo":"pass"}'::jsonb
           WHEN k % 6 = 0 THEN jsonb_build_object('kind', 'step-done', 'step', k / 6)
           WHEN k % 6 = 1 THEN jsonb_build_object('kind', 'note', 'text', 'stirred')
           ELSE jsonb_build_object('kind', 'temperature', 'celsius', 60 + k % 35) END, at - k * interval '3 minutes'
       FROM (SELECT n, k, now() - interval '1 day' - n * ($4::float8 / $2::int) * interval '1 day' + k * interval '3 minutes' AS at
         FROM generate_series(1, $2::int) n CROSS JOIN generate_series(1, $3::int) k) t`,
      [tag, g.batches, g.eventsEach, g.days],
    );
    // What was logged of them, and what they taught: the demo’s own, again and again.
    for (const [table, columns] of [
      ['logged', 'recipe_id, words, landed, body'],
      ['lesson', 'did, body'],
    ] as const)
      await db.query(
        `WITH known AS (SELECT *, row_number() OVER (ORDER BY batch_id) AS nth, count(*) OVER () AS of FROM ${table})
         INSERT INTO ${table} (batch_id, kitchen_id, ${table === 'logged' ? 'started_at' : 'at'}, ${columns})
         SELECT b.id, b.kitchen_id, b.started_at, ${columns.replaceAll(/recipe_id|words|did|landed/g, 'k.$&').replace('body', "k.body || jsonb_build_object('id', b.id, '")}${
           table === 'logged' ? 'startedAt' : 'at'
         }', to_char(b.started_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS.MS"Z"'))
         FROM (SELECT *, row_number() OVER (ORDER BY started_at) AS n FROM batch b
           WHERE NOT EXISTS (SELECT 1 FROM ${table} t WHERE t.batch_id = b.id) AND b.off_stove_at IS NOT NULL) b
         JOIN known k ON k.nth = b.n % k.of + 1`,
      );
    await db.query('COMMIT');
    await db.query('SET session_replication_role = DEFAULT');
    await db.query('ANALYZE');
  } finally {
    db.release(true);
  }
}
