import { spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { join } from 'node:path';
import { build } from './build.mjs';
import { programOf } from './bundle.mjs';
import { devicesPlace, simulatedDevices } from './devices.mjs';
import { own, root } from './place.mjs';
import { freePort } from './ports.mjs';
import { appUrl, database } from './postgres.mjs';
import { must } from './run.mjs';
import { Complaint } from './say.mjs';

/**
 * Migrates as the owner, makes the application its role and, unless told off, loads the demo into an empty database.
 * Returns what it printed, and the address the application is to use: its own role's, or the owner's where none could be made.
 */
export async function prepare(databaseUrl, mode = 'start') {
  const own = appUrl(databaseUrl);
  const out = await must('preparing the database', process.execPath, programOf('prepare', mode), {
    cwd: root,
    env: { ...process.env, DATABASE_URL: databaseUrl, APP_DATABASE_URL: own },
  });
  return { out, url: (await opens(own)) ? own : databaseUrl };
}

/** What stands at a kitchen’s machine for whoever starts it on a network: the first lead’s code. */
export const firstCode = (databaseUrl, mode = 'start') =>
  must('making a code', process.execPath, [...programOf('stations', mode), 'first'], {
    cwd: root,
    env: { ...process.env, DATABASE_URL: databaseUrl },
  });

async function opens(url) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  try {
    await client.connect();
    await client.query('SELECT 1 FROM kitchen LIMIT 1');
    return true;
  } catch {
    return false;
  } finally {
    await client.end().catch(() => {});
  }
}

const MINUTE = 60_000;
const PATIENCE = 3000;

/** One server process on `port`; null when it ended before it answered, as it does when another took the port first. */
async function attempt({ mode, host, port, databaseUrl, env }) {
  const run = randomUUID();
  const child = spawn(process.execPath, [...programOf('main', mode), mode, '-p', String(port), '-H', host], {
    cwd: root,
    stdio: ['pipe', 'ignore', 'pipe'],
    env: {
      ...process.env,
      ...env,
      DATABASE_URL: databaseUrl,
      PANACHE_RUN: run,
      PANACHE_LOG: process.env.PANACHE_LOG ?? join(own, 'log', 'panache'),
      PANACHE_TIED: '1',
      NEXT_TELEMETRY_DISABLED: '1',
      NODE_ENV: mode === 'dev' ? 'development' : 'production',
    },
  });
  let errors = '';
  let ready = false;
  child.stderr.on('data', (d) => {
    if (ready) process.stderr.write(d);
    else errors += d;
  });
  const ended = new Promise((resolve) => child.on('close', resolve));
  const stop = () => {
    child.kill('SIGTERM');
    // Stations keep a stream open as long as they are on: it is not waited for.
    const last = setTimeout(() => child.kill('SIGKILL'), PATIENCE);
    return ended.finally(() => clearTimeout(last));
  };
  /** As when the power goes. */
  const kill = () => {
    child.kill('SIGKILL');
    return ended;
  };
  const address = `http://${host === '0.0.0.0' || host === '::' ? '127.0.0.1' : host}:${port}`;
  for (const until = Date.now() + MINUTE; Date.now() < until; ) {
    if (child.exitCode !== null) return { failed: errors };
    const health = await fetch(`${address}/api/health`)
      .then((r) => r.json())
      .catch(() => null);
    // Another server may be answering on this port while ours is still finding out that it is taken.
    if (health?.run === run) {
      ready = true;
      return {
        address,
        port,
        pid: child.pid,
        ended,
        stop,
        kill,
        how: () => child.signalCode ?? child.exitCode,
      };
    }
    await new Promise((r) => setTimeout(r, 150));
  }
  await stop();
  throw new Complaint(
    `the server did not answer on ${address} within a minute. ${errors.trim().split('\n').at(-1) ?? ''}`,
  );
}

/**
 * Serves the application and resolves once it answers. `mode` is start or dev. With `port` null it
 * takes the first free one from `from` upward, moving on if another process is quicker.
 */
export async function serve({ mode, host = '127.0.0.1', port = null, from = 3000, databaseUrl, env = {} }) {
  let next = from;
  for (let tries = 0; tries < 8; tries++) {
    const chosen = port ?? (await freePort(next, host));
    const app = await attempt({ mode, host, port: chosen, databaseUrl, env });
    if (!app.failed && app.address) return app;
    if (port !== null || !/EADDRINUSE/.test(app.failed)) {
      throw new Complaint(
        `the server ended before it answered: ${app.failed.trim().split('\n').slice(0, 3).join(' ')}`,
      );
    }
    next = chosen + 1;
  }
  throw new Complaint('no free port could be held.');
}

/**
 * Runs `work` against the built application on a fresh database `name` with the demo in it, and
 * stops the application after; its simulated devices with it. What tests, benchmarks and screenshots need alike.
 */
export async function withDemoApp(server, name, from, work, env = {}) {
  const databaseUrl = await database(server, name, { fresh: true });
  await build();
  const prepared = await prepare(databaseUrl);
  const place = await devicesPlace();
  const app = await serve({
    mode: 'start',
    from,
    databaseUrl: prepared.url,
    env: { DEVICES_URL: place.url, ...env },
  });
  const devices = simulatedDevices(app.address, place);
  try {
    return await work(app.address, databaseUrl, place.url, app);
  } finally {
    await devices.stop();
    await app.stop();
  }
}
