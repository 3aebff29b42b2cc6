import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { wordsFor } from '../../core/text/inWords';
import { type Spoken, spoken } from '../../core/text/spoken';
import { type Problem, Refusal } from '../refusal';
import { KitchenPool } from './database';
import { migrate } from './migrate';
import { makeParts } from './parts';
import { guard } from './roles';

/** A database of one's own on the test server, migrated unless it is to be `empty`, and the way to drop it. For tests. */
export async function testDatabase({
  empty = false,
} = {}): Promise<{ pool: pg.Pool; drop: () => Promise<void> }> {
  const server = process.env.TEST_DATABASE_URL;
  if (!server) throw new Error('TEST_DATABASE_URL is not set: run ./panache test unit');
  const name = `panache_test_${randomUUID().replaceAll('-', '')}`;
  const admin = new pg.Pool({ connectionString: server, max: 1 });
  await admin.query(`CREATE DATABASE ${name}`);
  const url = new URL(server);
  url.pathname = `/${name}`;
  const pool = new pg.Pool({ connectionString: url.href, max: 8 });
  if (!empty) {
    await migrate(pool);
    await makeParts(pool);
  }
  return {
    pool,
    drop: async () => {
      await pool.end();
      // The pool is done before its connections are: cut off they would complain.
      for (let i = 0; i < 100; i++) {
        const { rows } = await admin.query('SELECT count(*) FROM pg_stat_activity WHERE datname = $1', [
          name,
        ]);
        if (Number(rows[0].count) === 0) break;
        await new Promise((r) => setTimeout(r, 20));
      }
      await admin.query(`DROP DATABASE ${name} WITH (FORCE)`);
      await admin.end();
    },
  };
}

/**
 * The database of `owner` as the application’s own role has it, under a name of the test’s own; `leave` takes the role away. For
 * tests.
 */
export async function asApplication(
  owner: pg.Pool,
  role: string,
): Promise<{ app: KitchenPool; url: string; leave: () => Promise<void> }> {
  await guard(owner, role, 'a secret');
  const url = new URL(owner.options.connectionString ?? '');
  [url.username, url.password] = [role, 'a secret'];
  const app = new KitchenPool({ connectionString: url.href, max: 4 });
  return {
    app,
    url: url.href,
    leave: async () => {
      await app.end();
      await owner.query(`DROP OWNED BY ${role}; DROP ROLE ${role}`);
    },
  };
}

/** Gives an empty record the parts of a kitchen that has been open since the month of `since`. For tests and benchmarks. */
export async function openSince(owner: pg.Pool, since: Date): Promise<void> {
  const month = (n: number) =>
    new Date(Date.UTC(since.getUTCFullYear(), since.getUTCMonth() + n, 1)).toISOString();
  await owner.query(
    `BEGIN;
     ALTER TABLE batch_event DETACH PARTITION batch_event_before;
     ALTER TABLE batch_event ATTACH PARTITION batch_event_before FOR VALUES FROM (MINVALUE) TO ('${month(0)}');
     UPDATE event_part SET high = '${month(0)}' WHERE name = 'batch_event_before';
     COMMIT`,
  );
  for (let n = 0; month(n) < new Date().toISOString(); n++)
    await owner.query('SELECT make_event_part($1)', [month(n)]);
}

/** The refusal `work` ends in, in English; fails the test when it does not. */
export async function refusal(
  work: Promise<unknown>,
): Promise<{ status: Refusal['status']; message: string; problems: readonly Spoken<Problem>[] }> {
  const error = await work.then(
    () => null,
    (e: unknown) => e,
  );
  if (!(error instanceof Refusal)) throw new Error(`expected a refusal, got ${String(error)}`);
  const { status, message, problems, show } = error;
  return { status, message, problems: spoken(problems, wordsFor(show)) };
}
