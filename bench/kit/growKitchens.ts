import type pg from 'pg';

/** So many kitchens with so many lines between them, as of the last days. */
export type KitchensGrowth = {
  readonly kitchens: number;
  readonly rows: number;
  readonly eventsEach: number;
};

/** Batches a kitchen cooks in a day. */
const A_DAY = 10;

/**
 * Fills a database with the demo in it, by its owner: kitchens with the demo’s pots and one of its recipes, batches with the demo’s plan,
 * lines of the usual kinds and sizes, each with its id and its link. Made-up; a link’s hashes are none. Returns what there is then.
 */
export async function growKitchens(
  owner: pg.Pool,
  { kitchens, rows, eventsEach }: KitchensGrowth,
): Promise<{ readonly batches: number; readonly lines: number }> {
  const batches = Math.round(rows / eventsEach);
  const days = batches / kitchens / A_DAY;
  const db = await owner.connect();
  try {
    await db.query(
      "SET session_replication_role = replica; SET statement_timeout = 0; SET synchronous_commit = off; SET maintenance_work_mem = '1GB'",
    );
    await db.query(
      `CREATE TEMP TABLE k AS SELECT n, 'kitchen-' || n AS id FROM generate_series(1, ${kitchens}) n;
       INSERT INTO kitchen (id) SELECT id FROM k;
       INSERT INTO kitchen_version (kitchen_id, revision, body)
       SELECT k.id, 1, d.body || jsonb_build_object('id', k.id, 'name', 'Kitchen ' || k.n)
       FROM k, (SELECT body FROM kitchen_version ORDER BY made_at, revision LIMIT 1) d;
       INSERT INTO recipe (kitchen_id, id, place) SELECT k.id, d.recipe_id, 1
       FROM k, (SELECT recipe_id FROM batch ORDER BY started_at LIMIT 1) d;
       INSERT INTO recipe_version (kitchen_id, recipe_id, version, body)
       SELECT k.id, d.recipe_id, d.version, d.body FROM k, (SELECT v.* FROM recipe_version v
         JOIN (SELECT * FROM batch ORDER BY started_at LIMIT 1) b USING (kitchen_id, recipe_id) WHERE v.version = b.recipe_version) d`,
    );
    const id = (what: string) =>
      `overlay(overlay(md5('${what}' || ' ' || n::text${what === 'batch' ? '' : " || ' ' || e::text"}) placing '4' from 13) placing '8' from 17)::uuid`;
    const at = `now() - interval '3 hours' - ((n - 1) / ${kitchens}) * interval '${(24 / A_DAY) * 60} minutes' * ${(days * A_DAY * kitchens) / batches}`;
    await db.query(
      `INSERT INTO batch (id, kitchen_id, recipe_id, recipe_version, plan, started_at, serve_at, received_at, over_at, off_stove_at)
       SELECT ${id('batch')}, 'kitchen-' || (n - 1) % ${kitchens} + 1, b.recipe_id, b.recipe_version, b.plan, ${at}, ${at} + interval '2 hours',
         ${at}, ${at} + interval '3 hours', ${at} + interval '3 hours'
       FROM generate_series(1, ${batches}) n, (SELECT * FROM batch ORDER BY started_at LIMIT 1) b`,
    );
    await db.query(
      `INSERT INTO logged (batch_id, kitchen_id, recipe_id, started_at, words, landed, body)
       SELECT b.id, b.kitchen_id, b.recipe_id, b.started_at, l.words,
         (ARRAY['first', 'first', 'first', 'put right', 'untested'])[1 + (hashtext(b.id::text) & 2147483647) % 5], l.body
       FROM batch b, (SELECT words, body FROM logged ORDER BY started_at LIMIT 1) l WHERE b.kitchen_id LIKE 'kitchen-%'`,
    );
    // A stretch at a time, oldest first, as they would have come: indexes grow as they would have.
    const STRETCH = Math.ceil(batches / 20);
    for (let first = batches; first > 0; first -= STRETCH) {
      const some = `generate_series(${first}, ${Math.max(1, first - STRETCH + 1)}, -1) n CROSS JOIN generate_series(1, ${eventsEach}) e`;
      await db.query(
        `INSERT INTO batch_event (id, batch_id, kitchen_id, at, received_at, station, body, batch_started_at, via)
         SELECT ${id('line')}, ${id('batch')}, 'kitchen-' || (n - 1) % ${kitchens} + 1, ${at} + e * interval '2 minutes',
           ${at} + e * interval '2 minutes', (ARRAY['Opener', 'Closer', 'Lead'])[e % 3 + 1],
           CASE WHEN e = ${eventsEach} THEN '{"kind":"finished","goesTo":"pass"}'::jsonb
             WHEN e % 6 = 0 THEN jsonb_build_object('kind', 'step-done', 'step', e / 6)
             WHEN e % 6 = 1 THEN jsonb_build_object('kind', 'note', 'text', 'stirred')
             ELSE jsonb_build_object('kind', 'temperature', 'celsius', 60 + e % 35, 'from', 'Probe 1') END,
           ${at}, '{"name": "tablet at the stove", "access": "line", "station": "6f0f6f0e-5d1c-4c0e-9a53-0d2f7c1b9a01"}'::jsonb
         FROM ${some}`,
      );
      await db.query(`INSERT INTO line_id (id) SELECT ${id('line')} FROM ${some}`);
      await db.query(
        `INSERT INTO seal (kitchen_id, n, source, id, row, hash)
         SELECT 'kitchen-' || (n - 1) % ${kitchens} + 1, ((${batches} - n) / ${kitchens} + 1)::bigint * ${eventsEach} + e, 'batch_event', ${id('line')},
           md5('r' || n || e) || md5('s' || n || e), md5('h' || n || e) || md5('i' || n || e)
         FROM ${some}`,
      );
    }
    await db.query('SET session_replication_role = DEFAULT');
    await db.query('VACUUM (ANALYZE)');
  } finally {
    db.release(true);
  }
  const count = async (table: string) =>
    Number((await owner.query<{ n: string }>(`SELECT count(*) AS n FROM ${table}`)).rows[0]?.n);
  return { batches: await count('batch'), lines: await count('batch_event') };
}
