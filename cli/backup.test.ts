import { spawnSync } from 'node:child_process';
import { chmodSync, copyFileSync, existsSync, mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type pg from 'pg';
import { readManifest } from '../src/server/data/backup';
import { loadDemo } from '../src/server/data/demo/demo';
import { migrate, pending } from '../src/server/data/migrate';
import { testDatabase } from '../src/server/data/testDatabase';
import { readHead } from '../src/server/queries/record/seals';

const folder = mkdtempSync(join(tmpdir(), 'panache-backup-cli-'));
// The user a cluster runs as has to get in.
chmodSync(folder, 0o755);
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const urlOf = async (pool: pg.Pool): Promise<string> => {
  const { rows } = await pool.query('SELECT current_database() AS name');
  const at = new URL(process.env.TEST_DATABASE_URL ?? '');
  at.pathname = `/${rows[0].name}`;
  return at.href;
};
const run = (command: string, args: readonly string[], more: Record<string, string | undefined>) => {
  const { PANACHE_HOME: _home, DATABASE_URL: _url, ...env } = process.env;
  const { status, stdout, stderr } = spawnSync(command, args, {
    env: { ...env, ...more } as NodeJS.ProcessEnv,
    encoding: 'utf8',
  });
  return { status, said: stdout + stderr };
};

describe('what is asked of backups', () => {
  /** What the command makes of `args`: a program of Node’s own kind, which these tests cannot read. */
  const asked = (...args: readonly string[]): unknown => {
    const { said } = run(
      process.execPath,
      [
        '--input-type=module',
        '-e',
        `import { backupsAsked } from './cli/backup.mjs';
         try { console.log(JSON.stringify(backupsAsked(${JSON.stringify(args)}))); }
         catch (error) { console.log(JSON.stringify(error.message)); }`,
      ],
      {},
    );
    return JSON.parse(said);
  };
  test('by itself a day apart, fourteen of them; as often and as many as one says', () => {
    expect(asked()).toMatchObject({ everyMs: 86_400_000, keep: 14, rest: [] });
    expect(asked('--every', '6h', '--keep', '30', '--to', '/mnt/usb')).toEqual({
      everyMs: 6 * 3_600_000,
      keep: 30,
      to: '/mnt/usb',
      rest: [],
    });
    expect(asked('--every', '90m', 'x.tar')).toMatchObject({ everyMs: 90 * 60_000, rest: ['x.tar'] });
    expect(asked('--every', 'never')).toMatchObject({ everyMs: null });
  });
  test.each([
    [['--every', '6x'], '6x is no span'],
    [['--every', '0h'], '0h is no span'],
    [['--keep', '0'], '0 is no number'],
    [['--keep', 'all'], 'all is no number'],
    [['--every'], 'takes a value'],
  ])('%j is refused', (args, says) => {
    expect(asked(...args)).toContain(says);
  });
});

test('a kitchen put away by one clone and restored by a second is the same: its rows and where its record ends', async () => {
  const { pool, drop } = await testDatabase();
  const home = join(folder, 'second');
  try {
    await loadDemo(pool, join(process.cwd(), 'demo'));
    const head = await readHead(pool, 'quay-house');
    const file = join(folder, 'house.tar');
    expect(run('./panache', ['backup', file], { DATABASE_URL: await urlOf(pool) })).toMatchObject({
      status: 0,
    });
    // A backup is written over nothing.
    expect(run('./panache', ['backup', file], { DATABASE_URL: await urlOf(pool) })).toMatchObject({
      status: 1,
    });
    const restored = run('./panache', ['restore', file], { PANACHE_HOME: home });
    expect(restored.said).toContain(`quay-house ends at ${head.n}:${head.hash}, as it did`);
    const { counts } = await readManifest(file);
    const rows = Object.values(counts).reduce((a, b) => a + b, 0);
    expect(restored.said).toContain(`${rows} rows counted`);
    const verified = run('./panache', ['verify', '--head', `${head.n}:${head.hash}`], { PANACHE_HOME: home });
    expect(verified).toMatchObject({ status: 0 });
    expect(verified.said).toContain(`${head.n}`);
  } finally {
    await drop();
    const pid = join(home, 'postgres', 'postmaster.pid');
    expect(existsSync(pid)).toBe(false);
  }
}, 120_000);

test('a kitchen that is brought up to date is put away first, as it stood; where that cannot be, it stays as it is', async () => {
  const { pool, drop } = await testDatabase({ empty: true });
  try {
    const before = mkdtempSync(join(folder, 'sql-'));
    const all = readdirSync('src/server/sql').sort();
    for (const f of all.slice(0, -1)) copyFileSync(join('src/server/sql', f), join(before, f));
    await migrate(pool, before);
    await pool.query("INSERT INTO kitchen (id) VALUES ('k')");
    const last = all.at(-1) ?? '';
    expect(await pending(pool)).toEqual([last]);
    const prepare = (to: string) =>
      run(process.execPath, ['--import', 'tsx', 'src/server/data/prepare.ts'], {
        DATABASE_URL: new URL(url).href,
        PANACHE_BACKUPS: to,
        PANACHE_DEMO: 'off',
      });
    const url = await urlOf(pool);
    const nowhere = prepare(join(folder, 'house.tar', 'in-a-file'));
    expect(nowhere.status).toBe(1);
    expect(await pending(pool)).toEqual([last]);
    const to = join(folder, 'upgrades');
    expect(prepare(to)).toMatchObject({ status: 0 });
    expect(await pending(pool)).toEqual([]);
    const [file = ''] = readdirSync(to);
    expect(file).toMatch(new RegExp(`^before-${last.slice(0, 4)}-panache-.*\\.tar$`));
    const { migrations, counts } = await readManifest(join(to, file));
    expect(migrations.map((m) => m.name)).toEqual(all.slice(0, -1));
    expect(counts.kitchen).toBe(1);
    // Up to date as it is, none is made.
    expect(prepare(to).said).not.toContain('backup:');
    expect(readdirSync(to)).toHaveLength(1);
  } finally {
    await drop();
  }
}, 60_000);
