import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import {
  chmodSync,
  chownSync,
  mkdirSync,
  mkdtempSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import pg from 'pg';
import { freePort } from '../cli/ports.mjs';
import { recordEvent } from '../src/server/actions/batches';
import { verifyRecord } from '../src/server/actions/verify';
import { loadDemo } from '../src/server/data/demo/demo';
import { migrate } from '../src/server/data/migrate';
import { makeParts } from '../src/server/data/parts';
import { readBatches } from '../src/server/queries/batches';
import { readHead, sealOld } from '../src/server/queries/record/seals';

/**
 * Back to a moment: a cluster of its own whose every change goes to pgBackRest, by the settings in deploy/pgbackrest.conf. A table is
 * dropped, and the kitchen put back to just before, with all that was tapped until then and nothing after. `./panache drill pitr`.
 */

const K = 'quay-house';
const LIB = '/usr/lib/postgresql';
const bin = join(LIB, readdirSync(LIB).sort((a, b) => Number(b) - Number(a))[0] ?? '', 'bin');

/** PostgreSQL does not run as root: root lends it Debian’s user. */
const user = ((): { uid?: number; gid?: number } => {
  if (process.getuid?.() !== 0) return {};
  const [, , uid, gid] =
    readFileSync('/etc/passwd', 'utf8')
      .split('\n')
      .find((l) => l.startsWith('postgres:'))
      ?.split(':') ?? [];
  return { uid: Number(uid), gid: Number(gid) };
})();

const base = mkdtempSync(join(tmpdir(), 'panache-pitr-'));
const own = (path: string): void => {
  if (user.uid !== undefined && user.gid !== undefined) chownSync(path, user.uid, user.gid);
};
chmodSync(base, 0o755);
own(base);
const folder = (name: string): string => {
  const path = join(base, name);
  mkdirSync(path, { mode: 0o700 });
  own(path);
  return path;
};
const [repo, logs, lock, spool, socket] = ['repo', 'log', 'lock', 'spool', 'socket'].map(folder) as [
  string,
  string,
  string,
  string,
  string,
];
const data = join(base, 'data');
const port = await freePort(56_000);
const conf = join(base, 'pgbackrest.conf');
// As it is in deploy/, but for where things are.
writeFileSync(
  conf,
  readFileSync('deploy/pgbackrest.conf', 'utf8')
    .replace('/srv/panache-backups', repo)
    .replace('/var/lib/postgresql/15/panache', data)
    .replace('pg1-port=5432', `pg1-port=${port}`)
    .concat(
      `\n[global]\nlog-path=${logs}\nlock-path=${lock}\nspool-path=${spool}\n[panache]\npg1-socket-path=${socket}\n`,
    ),
);
chmodSync(conf, 0o644);

const run = (command: string, ...args: readonly string[]): string =>
  execFileSync(command, args, { ...user, cwd: '/', encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] });
const rest = (...args: readonly string[]): string =>
  run('pgbackrest', `--config=${conf}`, '--stanza=panache', ...args);
const ctl = (...args: readonly string[]): string =>
  execFileSync(join(bin, 'pg_ctl'), ['-D', data, ...args], {
    ...user,
    cwd: '/',
    encoding: 'utf8',
    stdio: 'ignore',
  }) ?? '';

const rows: (readonly [what: string, held: boolean, made: string])[] = [];
const tell = (what: string, held: boolean, made: string): void => {
  rows.push([what, held, made]);
  console.log(`  ${held ? 'held  ' : 'FELL  '} ${what}: ${made}`);
};

const url = `postgres://panache@127.0.0.1:${port}/panache`;
const timed = <T>(work: () => T): readonly [T, seconds: number] => {
  const from = performance.now();
  return [work(), (performance.now() - from) / 1000];
};

try {
  run(join(bin, 'initdb'), '-D', data, '-U', 'panache', '-A', 'trust', '-E', 'UTF8', '--locale=C.UTF-8');
  const settings = readFileSync('deploy/postgresql-archiving.conf', 'utf8').replaceAll(
    '/etc/pgbackrest.conf',
    conf,
  );
  execFileSync('sh', ['-c', 'cat >> "$0"', join(data, 'postgresql.conf')], {
    input: `${settings}\nport = ${port}\nlisten_addresses = '127.0.0.1'\nunix_socket_directories = '${socket}'\n`,
  });
  ctl('-w', '-l', join(logs, 'server.log'), 'start');
  run(join(bin, 'createdb'), '-h', '127.0.0.1', '-p', String(port), '-U', 'panache', 'panache');
  let pool = new pg.Pool({ connectionString: url, max: 2 });
  pool.on('error', () => {});
  await migrate(pool);
  await makeParts(pool);
  await loadDemo(pool, join(process.cwd(), 'demo'));
  await sealOld(pool);
  const batch = (await readBatches(pool, K))[0]?.id ?? '';
  const tap = async (text: string): Promise<string> => {
    const id = randomUUID();
    await recordEvent(pool, batch, {
      id,
      at: new Date().toISOString(),
      station: 'Closer',
      body: { kind: 'note', text },
    });
    return id;
  };
  rest('stanza-create');
  rest('check');
  const [, backup] = timed(() => rest('backup', '--type=full'));
  tell('a full backup while it serves', true, `${backup.toFixed(1)} s`);

  const kept: string[] = [];
  for (let n = 0; n < 200; n++) kept.push(await tap(`before ${n}`));
  const head = await readHead(pool, K);
  const { rows: moment } = await pool.query<{ at: string }>(
    "SELECT to_char(clock_timestamp() AT TIME ZONE 'UTC', 'YYYY-MM-DD HH24:MI:SS.US') || '+00' AS at",
  );
  await new Promise((r) => setTimeout(r, 1200));
  const after: string[] = [];
  for (let n = 0; n < 50; n++) after.push(await tap(`after ${n}`));
  await pool.query('DROP TABLE keep_event CASCADE');
  await pool.query('SELECT pg_switch_wal()');
  await pool.end();
  ctl('-m', 'fast', '-w', 'stop');

  const [, restore] = timed(() => {
    rmSync(data, { recursive: true });
    mkdirSync(data, { mode: 0o700 });
    own(data);
    rest('restore', '--type=time', `--target=${moment[0]?.at}`, '--target-action=promote');
    ctl('-w', '-t', '120', '-l', join(logs, 'server.log'), 'start');
  });
  pool = new pg.Pool({ connectionString: url, max: 2 });
  pool.on('error', () => {});
  // It takes connections while it still catches up; it writes when it is there.
  for (let n = 0; n < 240; n++) {
    const { rows: still } = await pool.query<{ r: boolean }>('SELECT pg_is_in_recovery() AS r');
    if (!still[0]?.r) break;
    await new Promise((r) => setTimeout(r, 250));
  }
  const there = async (ids: readonly string[]) =>
    Number((await pool.query('SELECT count(*) AS n FROM batch_event WHERE id = ANY($1)', [ids])).rows[0].n);
  const [was, came] = [await there(kept), await there(after)];
  tell(
    'taps until that moment',
    was === kept.length,
    `${was} of ${kept.length}, put back in ${restore.toFixed(1)} s`,
  );
  tell('taps after it', came === 0, `${came} of ${after.length}`);
  const { rows: table } = await pool.query("SELECT to_regclass('keep_event') IS NOT NULL AS there");
  tell('the table that was dropped', table[0].there, table[0].there ? 'is there' : 'is gone');
  const now = await readHead(pool, K);
  tell('where the record ends', now.hash === head.hash && now.n === head.n, `${now.n}, and it was ${head.n}`);
  const { findings, links } = await verifyRecord(pool, [head]);
  tell('each line of it followed', findings.length === 0, `${links} lines, ${findings.length} findings`);
  await tap('and it goes on');
  tell('it is written to again', true, 'one tap more');
  await pool.end();
} finally {
  try {
    ctl('-m', 'immediate', 'stop');
  } catch {
    // It never came up.
  }
  rmSync(base, { recursive: true, force: true });
}
const fell = rows.filter(([, held]) => !held).length;
console.log(`drill: ${rows.length - fell} passed, ${fell} failed`);
if (fell > 0) process.exitCode = 1;
