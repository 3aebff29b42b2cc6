import { spawn } from 'node:child_process';
import { createHash } from 'node:crypto';
import { createReadStream, existsSync, readdirSync } from 'node:fs';
import { mkdtemp, open, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { basename, dirname, join } from 'node:path';
import pg from 'pg';
import * as z from 'zod';
import { verifyChain } from '../queries/record/seals';
import { checksumOf, MIGRATIONS, WrongSchema } from './migrate';

/** Why a backup could not be made or restored, in words for whoever asked; nothing was changed. */
export class NoBackup extends Error {}

const Head = z.object({ kitchen: z.string(), n: z.int().min(0), hash: z.string() });

/** What stands beside the dump in a backup: what it is of, and what has to come out of it. */
export const Manifest = z.object({
  format: z.literal('panache.backup/1'),
  madeAt: z.iso.datetime(),
  panache: z.string(),
  postgres: z.string(),
  migrations: z.array(z.object({ name: z.string(), checksum: z.string().nullable() })),
  /** Rows of each table. */
  counts: z.record(z.string(), z.int().min(0)),
  /** The end of each kitchen’s chain. */
  heads: z.array(Head),
  dump: z.object({ bytes: z.int().min(0), sha256: z.string() }),
});
export type Manifest = z.infer<typeof Manifest>;

const DUMP = 'database.dump';
const MANIFEST = 'manifest.json';

/** Debian’s programs of the newest PostgreSQL there is; by their bare name elsewhere. */
function program(name: string): string {
  const lib = '/usr/lib/postgresql';
  const versions = existsSync(lib) ? readdirSync(lib) : [];
  const found = versions
    .sort((a, b) => Number(b) - Number(a))
    .map((v) => join(lib, v, 'bin', name))
    .find((p) => existsSync(p));
  return found ?? name;
}

/** What a program of PostgreSQL needs to reach `url`, as environment: nobody reads a password off the process list. */
function environmentFor(url: string): NodeJS.ProcessEnv {
  const { hostname, port, username, password, pathname, searchParams } = new URL(url);
  const mode = searchParams.get('sslmode');
  return {
    ...process.env,
    PGHOST: hostname.replace(/^\[|\]$/g, ''),
    PGPORT: port || '5432',
    PGUSER: decodeURIComponent(username),
    PGPASSWORD: decodeURIComponent(password),
    PGDATABASE: decodeURIComponent(pathname.slice(1)),
    ...(mode && { PGSSLMODE: mode }),
  };
}

/** Runs a program to its end, its input from a file or another’s output; throws what it said last where it fails. */
function ran(
  command: string,
  args: readonly string[],
  env: NodeJS.ProcessEnv,
  from?: string,
): Promise<string> {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, { env, stdio: ['pipe', 'pipe', 'pipe'] });
    let [out, said] = ['', ''];
    child.stdout.on('data', (d) => {
      out += d;
    });
    child.stderr.on('data', (d) => {
      said += d;
    });
    child.on('error', (error: NodeJS.ErrnoException) =>
      reject(error.code === 'ENOENT' ? new NoBackup(`${command} is not installed`) : error),
    );
    child.on('close', (code) => {
      if (code === 0) resolve(out);
      else reject(new NoBackup(`${basename(command)}: ${said.trim().split('\n').slice(-3).join(' ')}`));
    });
    // Whoever ended early has said why.
    child.stdin.on('error', () => {});
    if (from) createReadStream(from).pipe(child.stdin);
    else child.stdin.end();
  });
}

async function hashOfFile(file: string): Promise<string> {
  const hash = createHash('sha256');
  for await (const piece of createReadStream(file)) hash.update(piece);
  return hash.digest('hex');
}

type Told = Pick<Manifest, 'counts' | 'heads' | 'migrations'>;

/** What a database has: rows of each table, heads of its chains, its migrations. */
async function toldOf(db: pg.ClientBase): Promise<Told> {
  const { rows: tables } = await db.query<{ name: string }>(
    `SELECT relname AS name FROM pg_class
     WHERE relnamespace = 'public'::regnamespace AND relkind IN ('r', 'p') AND NOT relispartition ORDER BY relname`,
  );
  const counts: Record<string, number> = {};
  for (const { name } of tables) {
    const { rows } = await db.query<{ n: string }>(`SELECT count(*) AS n FROM "${name}"`);
    counts[name] = Number(rows[0]?.n);
  }
  const { rows: heads } = await db.query<{ kitchen: string; n: string; hash: string }>(
    'SELECT DISTINCT ON (kitchen_id) kitchen_id AS kitchen, n, hash FROM seal ORDER BY kitchen_id, n DESC',
  );
  const { rows: migrations } = await db.query<{ name: string; checksum: string | null }>(
    'SELECT name, checksum FROM migration ORDER BY name',
  );
  return { counts, heads: heads.map((h) => ({ ...h, n: Number(h.n) })), migrations };
}

const connected = async <T>(url: string, work: (db: pg.Client) => Promise<T>): Promise<T> => {
  const db = new pg.Client({ connectionString: url, application_name: 'panache backup' });
  await db.connect();
  try {
    return await work(db);
  } finally {
    await db.end();
  }
};

/**
 * Puts the database at `url` into `file`: a tar of `database.dump` (pg_dump, custom format) and `manifest.json`, both of one moment. It is
 * there whole or not at all. Taps go on meanwhile. Throws {@link NoBackup} where a program it takes is missing.
 */
export async function makeBackup(url: string, file: string): Promise<Manifest> {
  const folder = await mkdtemp(join(dirname(file), '.backup-'));
  try {
    const told = await connected(url, async (db) => {
      await db.query('BEGIN ISOLATION LEVEL REPEATABLE READ READ ONLY');
      const { rows } = await db.query<{ snapshot: string; postgres: string }>(
        "SELECT pg_export_snapshot() AS snapshot, current_setting('server_version') AS postgres",
      );
      const [moment] = rows;
      if (!moment) throw new NoBackup('the database gives no snapshot');
      const what = await toldOf(db);
      // Last in the line for the processor: whoever taps comes first.
      await ran(
        'nice',
        [
          '-n',
          '19',
          program('pg_dump'),
          '--format=custom',
          '--compress=3',
          '--no-owner',
          '--no-acl',
          `--snapshot=${moment.snapshot}`,
          `--file=${join(folder, DUMP)}`,
        ],
        environmentFor(url),
      );
      return { ...what, postgres: moment.postgres };
    });
    const { version } = JSON.parse(await readFile(join(process.cwd(), 'package.json'), 'utf8'));
    const manifest: Manifest = {
      format: 'panache.backup/1',
      madeAt: new Date().toISOString(),
      panache: version ?? '',
      ...told,
      dump: { bytes: (await stat(join(folder, DUMP))).size, sha256: await hashOfFile(join(folder, DUMP)) },
    };
    await writeFile(join(folder, MANIFEST), `${JSON.stringify(manifest, null, 1)}\n`);
    const part = join(folder, 'whole.tar');
    await ran('tar', ['-cf', part, '-C', folder, MANIFEST, DUMP], process.env);
    // On the disk before it has its name: a name that is there is a backup that is there.
    const handle = await open(part, 'r+');
    await handle.chmod(0o600);
    await handle.sync();
    await handle.close();
    await rename(part, file);
    return manifest;
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

/** What a backup says it is. Throws {@link NoBackup} for what is none. */
export async function readManifest(file: string): Promise<Manifest> {
  if (!existsSync(file)) throw new NoBackup(`there is no file ${file}`);
  const text = await ran('tar', ['-xOf', file, MANIFEST], process.env).catch(() => {
    throw new NoBackup(`${file} is no backup: it has no ${MANIFEST}`);
  });
  let read: unknown;
  try {
    read = JSON.parse(text);
  } catch {
    read = null;
  }
  const manifest = Manifest.safeParse(read);
  if (!manifest.success) throw new NoBackup(`${file} is no backup: its ${MANIFEST} cannot be read`);
  return manifest.data;
}

/** Refuses a database of a newer Panache than this one, or one made with other migrations. */
async function refuseNewer({ migrations }: Manifest): Promise<void> {
  const here = new Set(await readdir(MIGRATIONS));
  const newer = migrations.filter((m) => !here.has(m.name)).map((m) => m.name);
  if (newer.length > 0)
    throw new WrongSchema(
      `the backup is of a newer Panache (it has ${newer.join(', ')}): restore it with that one`,
    );
  for (const { name, checksum } of migrations)
    if (checksum && checksum !== checksumOf(await readFile(join(MIGRATIONS, name), 'utf8')))
      throw new WrongSchema(`${name} is not the text the backup’s database was made with`);
}

const named = (url: string, database: string): string => {
  const at = new URL(url);
  at.pathname = `/${database}`;
  return at.href;
};

/** What was restored differs from what the backup says, by table and kitchen; empty where nothing does. */
function differences(had: Told, has: Told): readonly string[] {
  const tables = [...new Set([...Object.keys(had.counts), ...Object.keys(has.counts)])];
  const heads = new Map(has.heads.map((h) => [h.kitchen, h]));
  return [
    ...tables
      .filter((t) => had.counts[t] !== has.counts[t])
      .map((t) => `${t} has ${has.counts[t] ?? 'no'} rows, not ${had.counts[t] ?? 'none'}`),
    ...had.heads
      .filter((h) => heads.get(h.kitchen)?.hash !== h.hash || heads.get(h.kitchen)?.n !== h.n)
      .map((h) => `the record of ${h.kitchen} does not end at ${h.n}:${h.hash}`),
  ];
}

/** What stands under a name in a server: nothing, a database without a kitchen, or one with. */
async function standing(
  admin: pg.Client,
  url: string,
  name: string,
): Promise<'nothing' | 'empty' | 'a kitchen'> {
  const { rowCount } = await admin.query('SELECT 1 FROM pg_database WHERE datname = $1', [name]);
  if (!rowCount) return 'nothing';
  return connected(named(url, name), async (db) => {
    const { rows } = await db.query<{ there: boolean }>(
      "SELECT to_regclass('public.kitchen') IS NOT NULL AS there",
    );
    if (!rows[0]?.there) return 'empty';
    return (await db.query('SELECT 1 FROM kitchen LIMIT 1')).rowCount ? 'a kitchen' : 'empty';
  });
}

/**
 * What {@link restoreBackup} came to: what the backup was; lines of its records followed, and how many things do not agree, as they did
 * not when it was made; under what name what stood there stands now.
 */
export type Restored = {
  readonly manifest: Manifest;
  readonly followed: { readonly lines: number; readonly found: number };
  readonly aside: string | null;
};

/**
 * Puts the backup in `file` where the database at `url` stands. It is restored beside it first, its rows counted, its chains followed to
 * their ends; only then it takes the name, and what stood there is set aside under another. Throws {@link NoBackup} or
 * {@link WrongSchema}, and leaves everything as it was, where the file is none, is damaged, is of a newer Panache, does not come to what
 * it says, or somebody works in that database.
 */
export async function restoreBackup(url: string, file: string): Promise<Restored> {
  const manifest = await readManifest(file);
  await refuseNewer(manifest);
  const name = decodeURIComponent(new URL(url).pathname.slice(1));
  const stamp = new Date().toISOString().replaceAll(/\D/g, '').slice(0, 14);
  const [fresh, aside] = [`${name}_restored_${stamp}`, `${name}_before_${stamp}`];
  const folder = await mkdtemp(join(dirname(file), '.restore-'));
  const admin = new pg.Client({ connectionString: named(url, 'postgres') });
  await admin.connect();
  const inUse = async () => {
    const { rowCount } = await admin.query('SELECT 1 FROM pg_stat_activity WHERE datname = $1', [name]);
    if (rowCount) throw new NoBackup('Panache works in this database: stop it first');
  };
  let made = false;
  try {
    const before = await standing(admin, url, name);
    await inUse();
    await ran('tar', ['-xf', file, '-C', folder, DUMP], process.env);
    const dump = join(folder, DUMP);
    if ((await hashOfFile(dump)) !== manifest.dump.sha256)
      throw new NoBackup(`${file} is damaged: its ${DUMP} is not what its ${MANIFEST} says`);
    await admin.query(`CREATE DATABASE "${fresh}" TEMPLATE template0 ENCODING 'UTF8'`);
    made = true;
    const at = named(url, fresh);
    await ran(
      program('pg_restore'),
      ['--no-owner', '--no-acl', '--exit-on-error', '--single-transaction', `--dbname=${fresh}`, dump],
      environmentFor(at),
    );
    const { wrong, followed } = await connected(at, async (db) => {
      let [lines, found] = [0, 0];
      for (const { kitchen, n, hash } of manifest.heads) {
        const { links, findings, more } = await verifyChain(db, kitchen, [{ n, hash }]);
        lines += links;
        found += findings.length + more;
      }
      return { wrong: differences(manifest, await toldOf(db)), followed: { lines, found } };
    });
    if (wrong.length > 0) throw new NoBackup(`what came out is not what went in: ${wrong.join('; ')}`);
    await inUse();
    if (before === 'a kitchen') await admin.query(`ALTER DATABASE "${name}" RENAME TO "${aside}"`);
    else if (before === 'empty') await admin.query(`DROP DATABASE "${name}"`);
    await admin.query(`ALTER DATABASE "${fresh}" RENAME TO "${name}"`);
    made = false;
    return { manifest, followed, aside: before === 'a kitchen' ? aside : null };
  } finally {
    if (made) await admin.query(`DROP DATABASE IF EXISTS "${fresh}" WITH (FORCE)`).catch(() => {});
    await admin.end();
    await rm(folder, { recursive: true, force: true });
  }
}
