import { readFileSync } from 'node:fs';
import type pg from 'pg';
import { guard, MAY_ADD, MAY_CALL, MAY_CHANGE, MAY_CLEAR } from './roles';
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
  for (const settings of [...MAY_CHANGE, ...MAY_CLEAR]) may.delete(settings);
  const said = new Map(
    table('table | columns | why').map(([name = '', columns = '']) => [name, columns.split(', ').sort()]),
  );
  expect(new Map([...may].map(([t, columns]) => [t, columns.sort()]))).toEqual(said);
  expect(Object.keys(MAY_ADD).sort()).toEqual([...said.keys()].sort());
});

test('it may change settings, and remove only what runs out or can be worked out anew', async () => {
  const granted = async (...privileges: readonly string[]) => {
    const { rows } = await pool.query<{ table_name: string }>(
      `SELECT DISTINCT table_name FROM information_schema.role_table_grants
       WHERE grantee = $1 AND privilege_type = ANY($2)`,
      [ROLE, privileges],
    );
    return rows.map((r) => r.table_name).sort();
  };
  expect(await granted('UPDATE')).toEqual([...MAY_CHANGE, ...MAY_CLEAR].sort());
  expect(await granted('DELETE')).toEqual([...MAY_CLEAR].sort());
  expect(await granted('TRUNCATE', 'REFERENCES', 'TRIGGER')).toEqual([]);
  for (const name of [...MAY_CHANGE, ...MAY_CLEAR]) expect(doc).toContain(`\`${name}\``);
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
