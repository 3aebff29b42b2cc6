import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync, statSync, utimesSync, writeFileSync } from 'node:fs';
import { mkdir, readdir } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { recordEvent } from '../actions/batches';
import { readBatches } from '../queries/batches';
import { readHead } from '../queries/record/seals';
import { makeBackup, readManifest, restoreBackup } from './backup';
import { loadDemo } from './demo/demo';
import { backupName, backupsIn, keepBackups } from './keepBackups';
import { pending } from './migrate';
import { testDatabase } from './testDatabase';

const K = 'quay-house';
const folder = mkdtempSync(join(tmpdir(), 'panache-backups-'));
const FILE = join(folder, 'house.tar');
let pool: pg.Pool;
let drop: () => Promise<void>;
let url: string;
let demo: string;
let admin: pg.Client;
/** Databases made on the way. */
const made: string[] = [];

const urlOf = (name: string): string => {
  const at = new URL(process.env.TEST_DATABASE_URL ?? '');
  at.pathname = `/${name}`;
  return at.href;
};
const note = (text: string) => ({
  id: randomUUID(),
  at: new Date().toISOString(),
  station: 'Closer',
  body: { kind: 'note' as const, text },
});
const exists = async (name: string) =>
  (await admin.query('SELECT 1 FROM pg_database WHERE datname = $1', [name])).rowCount === 1;
const databases = async (like: string) =>
  (
    await admin.query<{ name: string }>('SELECT datname AS name FROM pg_database WHERE datname LIKE $1', [
      `${like}%`,
    ])
  ).rows.map((r) => r.name);
/** A name nobody has, its databases dropped at the end. */
const newName = (): string => {
  const name = `panache_test_restore_${randomUUID().slice(0, 8)}`;
  made.push(name);
  return name;
};
/** The backup, its manifest changed. */
function changed(change: (manifest: ReturnType<typeof JSON.parse>) => void): string {
  const at = mkdtempSync(join(folder, 'changed-'));
  execFileSync('tar', ['-xf', FILE, '-C', at]);
  const manifest = JSON.parse(readFileSync(join(at, 'manifest.json'), 'utf8'));
  change(manifest);
  writeFileSync(join(at, 'manifest.json'), JSON.stringify(manifest));
  execFileSync('tar', ['-cf', join(at, 'x.tar'), '-C', at, 'manifest.json', 'database.dump']);
  return join(at, 'x.tar');
}

beforeAll(async () => {
  ({ pool, drop } = await testDatabase());
  await loadDemo(pool, join(process.cwd(), 'demo'));
  demo = (await readBatches(pool, K))[0]?.id ?? '';
  await recordEvent(pool, demo, note('before'));
  const { rows } = await pool.query('SELECT current_database() AS name');
  url = urlOf(rows[0].name);
  admin = new pg.Client({ connectionString: process.env.TEST_DATABASE_URL ?? '' });
  await admin.connect();
  await makeBackup(url, FILE);
});
afterAll(async () => {
  for (const name of made)
    for (const database of await databases(name))
      await admin.query(`DROP DATABASE IF EXISTS "${database}" WITH (FORCE)`);
  await admin.end();
  rmSync(folder, { recursive: true, force: true });
  await drop();
});

test('a backup says what it is of: each table’s rows, each record’s end, every migration; nobody else reads it', async () => {
  const manifest = await readManifest(FILE);
  const head = await readHead(pool, K);
  expect(manifest.heads).toEqual([{ kitchen: K, ...head }]);
  const { rows } = await pool.query(
    'SELECT (SELECT count(*) FROM batch_event)::int AS e, (SELECT count(*) FROM seal)::int AS s',
  );
  expect(manifest.counts).toMatchObject({ batch_event: rows[0].e, seal: rows[0].s, kitchen: 1 });
  expect(rows[0].e).toBeGreaterThan(0);
  const { rows: migrations } = await pool.query('SELECT name, checksum FROM migration ORDER BY name');
  expect(manifest.migrations).toEqual(migrations);
  expect(statSync(FILE).mode & 0o077).toBe(0);
  expect(await readdir(folder)).toEqual(['house.tar']);
});

test('restored where nothing was it is the same: rows, ends, every line; and it can be written to', async () => {
  const name = newName();
  const { manifest, followed, aside } = await restoreBackup(urlOf(name), FILE);
  expect(aside).toBeNull();
  expect(followed).toEqual({ lines: manifest.heads[0]?.n, found: 0 });
  const other = new pg.Pool({ connectionString: urlOf(name), max: 2 });
  try {
    const all = (db: pg.Pool) => db.query('SELECT * FROM batch_event ORDER BY seq').then((r) => r.rows);
    expect(await all(other)).toEqual(await all(pool));
    expect(await readHead(other, K)).toEqual(await readHead(pool, K));
    expect((await recordEvent(other, demo, note('after'))).isNew).toBe(true);
    // Numbers go on after those there are, and what is there stays unchangeable.
    const last = (await all(other)).at(-1);
    expect(last.body.text).toBe('after');
    await expect(other.query('DELETE FROM batch_event')).rejects.toThrow(/append-only/);
    await expect(other.query('DELETE FROM batch')).rejects.toThrow(/append-only/);
    expect(await pending(other)).toEqual([]);
  } finally {
    await other.end();
  }
});

test('restored over a kitchen it takes its place; what stood there is set aside, whole', async () => {
  const name = newName();
  await restoreBackup(urlOf(name), FILE);
  const was = new pg.Client({ connectionString: urlOf(name) });
  await was.connect();
  await was.query('INSERT INTO lead_pin (kitchen_id, hash) VALUES ($1, $2)', [K, 'x']);
  await was.end();
  const { aside } = await restoreBackup(urlOf(name), FILE);
  expect(aside).toMatch(new RegExp(`^${name}_before_\\d{14}$`));
  const pins = async (database: string) => {
    const db = new pg.Client({ connectionString: urlOf(database) });
    await db.connect();
    const { rowCount } = await db.query('SELECT 1 FROM lead_pin');
    await db.end();
    return rowCount;
  };
  expect([await pins(aside ?? ''), await pins(name)]).toEqual([1, 0]);
});

describe('a restore that cannot be leaves everything as it was', () => {
  const refused = async (file: string, name = newName()) => {
    const error = await restoreBackup(urlOf(name), file).then(
      () => null,
      (e: Error) => e,
    );
    // Nothing half restored is left lying about.
    expect((await databases(name)).filter((d) => d !== name)).toEqual([]);
    return error?.message;
  };

  test('of a newer Panache', async () => {
    const newer = changed((m) => m.migrations.push({ name: '0999_from_the_future.sql', checksum: null }));
    expect(await refused(newer)).toMatch(/newer Panache.*0999_from_the_future/);
  });
  test('of one whose migrations were others', async () => {
    expect(
      await refused(
        changed((m) => {
          m.migrations[0].checksum = 'x';
        }),
      ),
    ).toMatch(/0001_.*is not the text/);
  });
  test('that is damaged', async () => {
    const at = mkdtempSync(join(folder, 'damaged-'));
    const bytes = readFileSync(FILE);
    const middle = Math.floor(bytes.length / 2);
    bytes[middle] = (bytes[middle] ?? 0) ^ 0xff;
    writeFileSync(join(at, 'x.tar'), bytes);
    expect(await refused(join(at, 'x.tar'))).toMatch(/damaged/);
  });
  test('that was cut off', async () => {
    const at = mkdtempSync(join(folder, 'cut-'));
    writeFileSync(join(at, 'x.tar'), readFileSync(FILE).subarray(0, 9000));
    expect(await refused(join(at, 'x.tar'))).toBeTruthy();
  });
  test('that is none, or is not there', async () => {
    writeFileSync(join(folder, 'letter.txt'), 'dear cook');
    expect(await refused(join(folder, 'letter.txt'))).toMatch(/is no backup/);
    expect(await refused(join(folder, 'nowhere.tar'))).toMatch(/there is no file/);
  });
  test('whose rows are not as many as it says', async () => {
    const name = newName();
    expect(
      await refused(
        changed((m) => {
          m.counts.batch_event += 1;
        }),
        name,
      ),
    ).toMatch(/batch_event has \d+ rows, not \d+/);
    expect(await exists(name)).toBe(false);
  });
  test('whose record does not end where it says', async () => {
    expect(
      await refused(
        changed((m) => {
          m.heads[0].hash = 'f'.repeat(64);
        }),
      ),
    ).toMatch(/does not end at/);
  });
  test('while somebody works in it', async () => {
    const name = newName();
    await restoreBackup(urlOf(name), FILE);
    const cook = new pg.Client({ connectionString: urlOf(name) });
    await cook.connect();
    try {
      expect(await refused(FILE, name)).toMatch(/stop it first/);
    } finally {
      await cook.end();
    }
  });
});

test('lines that are written while a backup is made are in it or not: counts and the end are of one moment', async () => {
  const file = join(folder, 'busy.tar');
  let over = false;
  const tapping = (async () => {
    for (let n = 0; !over; n++) await recordEvent(pool, demo, note(`tap ${n}`));
  })();
  await makeBackup(url, file);
  over = true;
  await tapping;
  const { manifest, followed } = await restoreBackup(urlOf(newName()), file);
  expect(followed).toEqual({ lines: manifest.heads[0]?.n, found: 0 });
});

describe('kept by themselves', () => {
  const at = join(folder, 'kept');
  const NOW = new Date('2026-12-01T10:00:00Z');
  const hours = (n: number) => new Date(NOW.getTime() + n * 3_600_000);
  const every6h = { everyMs: 6 * 3_600_000, keep: 2 };

  test('one is made when the newest is old enough, the oldest goes, and what has another name stays', async () => {
    expect((await keepBackups(url, at, every6h, NOW)).made).toBe(
      join(at, 'panache-2026-12-01T10-00-00Z.tar'),
    );
    writeFileSync(join(at, 'before-0020-panache-2026-01-01T00-00-00Z.tar'), '');
    expect(await keepBackups(url, at, every6h, hours(5.9))).toEqual({ made: null, gone: [] });
    expect((await keepBackups(url, at, every6h, hours(6))).gone).toEqual([]);
    const third = await keepBackups(url, at, every6h, hours(12));
    expect(third.gone).toEqual([backupName(NOW)]);
    expect((await backupsIn(at)).map((b) => b.at)).toEqual([hours(12), hours(6)]);
    expect(existsSync(join(at, 'before-0020-panache-2026-01-01T00-00-00Z.tar'))).toBe(true);
  });

  test('one that cannot be made lets go of nothing, and leaves nothing half made', async () => {
    const before = await readdir(at);
    await expect(
      keepBackups(urlOf('panache_test_nowhere'), at, { everyMs: 1, keep: 1 }, hours(24)),
    ).rejects.toThrow();
    expect(await readdir(at)).toEqual(before);
  });

  test('what one that was cut off left behind is cleared a day later', async () => {
    await mkdir(join(at, '.backup-old'));
    await mkdir(join(at, '.backup-new'));
    const [old, young] = [hours(-2), hours(23)].map((t) => t.getTime() / 1000);
    utimesSync(join(at, '.backup-old'), old ?? 0, old ?? 0);
    utimesSync(join(at, '.backup-new'), young ?? 0, young ?? 0);
    await keepBackups(url, at, { everyMs: 3_600_000, keep: 5 }, hours(23.5));
    expect(existsSync(join(at, '.backup-old'))).toBe(false);
    expect(existsSync(join(at, '.backup-new'))).toBe(true);
  });
});
