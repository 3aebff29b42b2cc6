import { readFileSync } from 'node:fs';
import type pg from 'pg';
import { guard, MAY_ADD, MAY_CALL, MAY_CHANGE } from './roles';
import { testDatabase } from './testDatabase';

/** docs/security.md, the rows of the table under `head`. */
const doc = readFileSync('docs/security.md', 'utf8');
const table = (head: string): readonly (readonly string[])[] =>
  (doc.split(`| ${head} |\n`)[1] ?? '')
    .split('\n\n')[0]
    ?.split('\n')
    .slice(1)
    .map((row) =>
      row
        .slice(1, -1)
        .split('|')
        .map((cell) => cell.trim()),
    ) ?? [];

const ROLE = 'panache_roles_test';
let pool: pg.Pool;
let drop: () => Promise<void>;
beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await guard(pool, ROLE, 'a secret');
});
afterAll(() => drop());

test('what the page says the application may write is what the database lets it, column by column', async () => {
  const { rows } = await pool.query<{ table_name: string; column_name: string }>(
    `SELECT table_name, column_name FROM information_schema.column_privileges
     WHERE grantee = $1 AND table_schema = 'public' AND privilege_type = 'INSERT'`,
    [ROLE],
  );
  const may = new Map<string, string[]>();
  for (const { table_name: t, column_name: c } of rows) may.set(t, [...(may.get(t) ?? []), c]);
  for (const settings of MAY_CHANGE) may.delete(settings);
  const said = new Map(
    table('table | columns | why').map(([name = '', columns = '']) => [name, columns.split(', ').sort()]),
  );
  expect(new Map([...may].map(([t, columns]) => [t, columns.sort()]))).toEqual(said);
  expect(Object.keys(MAY_ADD).sort()).toEqual([...said.keys()].sort());
});

test('it may change settings, and remove nothing else', async () => {
  const { rows } = await pool.query<{ table_name: string }>(
    `SELECT DISTINCT table_name FROM information_schema.role_table_grants
     WHERE grantee = $1 AND privilege_type IN ('UPDATE', 'DELETE', 'TRUNCATE', 'REFERENCES', 'TRIGGER')`,
    [ROLE],
  );
  expect(rows.map((r) => r.table_name).sort()).toEqual([...MAY_CHANGE].sort());
  for (const settings of MAY_CHANGE) expect(doc).toContain(`\`${settings}\``);
});

test('what it may have done with the owner’s rights is what the page lists', async () => {
  const { rows } = await pool.query<{ name: string }>(
    `SELECT p.proname AS name FROM pg_proc p WHERE p.prosecdef AND p.pronamespace = 'public'::regnamespace
       AND has_function_privilege($1, p.oid, 'EXECUTE') AND p.prorettype <> 'trigger'::regtype`,
    [ROLE],
  );
  expect(rows.map((r) => r.name).sort()).toEqual([...MAY_CALL].sort());
  expect(table('function | does').map(([name]) => name)).toEqual([...MAY_CALL]);
});
