import type pg from 'pg';
import { inKitchen } from '../guard/asking';
import { pool } from './database';
import { testDatabase } from './testDatabase';

let owner: pg.Pool;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ pool: owner, drop } = await testDatabase());
  const { rows } = await owner.query('SELECT current_database() AS base');
  const url = new URL(process.env.TEST_DATABASE_URL ?? '');
  url.pathname = `/${rows[0].base}`;
  process.env.DATABASE_URL = url.href;
});
afterEach(() => {
  delete process.env.PANACHE_POOLER;
});
afterAll(() => drop());

const setting = async (db: pg.Pool, name: string): Promise<string> =>
  (await db.query(`SELECT current_setting('${name}', true) AS v`)).rows[0].v;
const prepared = async (db: pg.Pool): Promise<number> =>
  (await db.query('SELECT count(*)::int AS n FROM pg_prepared_statements')).rows[0].n;
const NAMED = { name: 'one', text: 'SELECT $1::int AS v', values: [1] };

test('each statement is limited, and of its kitchen for as long as it lasts', async () => {
  const db = pool('taps');
  expect([await setting(db, 'statement_timeout'), await setting(db, 'lock_timeout')]).toEqual(['3s', '3s']);
  await db.query(NAMED);
  expect(await inKitchen('quay', () => setting(db, 'panache.kitchen'))).toBe('quay');
  // Nothing of that is left on the connection for whoever has it next, however it is asked.
  const client = await db.connect();
  try {
    const { rows } = await client.query("SELECT coalesce(current_setting('panache.kitchen', true), '') AS v");
    expect(rows).toEqual([{ v: '' }]);
  } finally {
    client.release();
  }
  expect(db.totalCount).toBe(1);
  await db.end();
});

test('behind a pooler the transaction brings its limits along, leaves none behind, and prepares nothing by name', async () => {
  process.env.PANACHE_POOLER = 'transaction';
  const db = pool('pages');
  expect([
    await setting(db, 'statement_timeout'),
    await setting(db, 'lock_timeout'),
    await setting(db, 'idle_in_transaction_session_timeout'),
  ]).toEqual(['10s', '3s', '15s']);
  expect((await db.query(NAMED)).rows).toEqual([{ v: 1 }]);
  expect(await prepared(db)).toBe(0);
  const client = await db.connect();
  try {
    const { rows } = await client.query('SHOW statement_timeout');
    expect(rows[0].statement_timeout).toBe('0');
  } finally {
    client.release();
  }
  await db.end();
});

test('what goes past the pooler keeps its limits on its own line', async () => {
  process.env.PANACHE_POOLER = 'transaction';
  process.env.PANACHE_DIRECT_URL = process.env.DATABASE_URL;
  const db = pool('direct');
  const client = await db.connect();
  try {
    expect((await client.query('SHOW statement_timeout')).rows[0].statement_timeout).toBe('2min');
  } finally {
    client.release();
    await db.end();
  }
});

test('a statement that fails leaves its connection as it was for the next', async () => {
  const db = pool('keys');
  await expect(db.query('SELECT 1 / 0')).rejects.toThrow(/division by zero/);
  expect((await db.query('SELECT 1 AS v')).rows).toEqual([{ v: 1 }]);
  expect(db.totalCount).toBe(1);
  await db.end();
});
