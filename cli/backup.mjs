import { existsSync, readdirSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { programOf } from './bundle.mjs';
import { npmPackages } from './packages.mjs';
import { fromCaller, own, root } from './place.mjs';
import { database, postgres } from './postgres.mjs';
import { run as runProgram } from './run.mjs';
import { Complaint, say } from './say.mjs';

const UNITS = { m: 60_000, h: 3_600_000, d: 86_400_000 };

/** Where backups go by themselves. */
export const BACKUPS = join(own, 'backups');

/** What is asked of backups among `args`: how often, how many are kept, where to; and what is left of them. */
export function backupsAsked(args, { every = '1d', keep = '14' } = {}) {
  const asked = { every, keep, to: process.env.PANACHE_BACKUPS ?? BACKUPS };
  const rest = [];
  for (let n = 0; n < args.length; n++) {
    const name = /^--(every|keep|to)$/.exec(args[n])?.[1];
    if (!name) rest.push(args[n]);
    else {
      n += 1;
      if (args[n] === undefined) throw new Complaint(`--${name} takes a value, as in --every 6h --keep 30.`);
      asked[name] = args[n];
    }
  }
  const to = asked.to === 'off' ? 'off' : fromCaller(asked.to);
  if (asked.every === 'never' || to === 'off') return { everyMs: null, keep: 0, to, rest };
  const [, n, unit] = /^(\d{1,4})([mhd])$/.exec(asked.every) ?? [];
  const everyMs = Number(n) * (UNITS[unit] ?? Number.NaN);
  if (!(everyMs >= UNITS.m))
    throw new Complaint(`--every ${asked.every} is no span: a number with m, h or d, as 6h, or never.`);
  if (!/^[1-9]\d{0,3}$/.test(asked.keep))
    throw new Complaint(`--keep ${asked.keep} is no number of backups: 1 to 9999.`);
  return { everyMs, keep: Number(asked.keep), to, rest };
}

/** When the newest backup of a folder was made, ms; 0 before there is one. */
const newestIn = (folder) =>
  existsSync(folder)
    ? Math.max(
        0,
        ...readdirSync(folder)
          .filter((f) => /^panache-[\dT-]+Z\.tar$/.test(f))
          .map((f) => statSync(join(folder, f)).mtimeMs),
      )
    : 0;

const program = (databaseUrl, mode, args) =>
  runProgram(process.execPath, [...programOf('backups', mode), ...args], {
    cwd: root,
    env: { ...process.env, DATABASE_URL: databaseUrl },
  });

/** ms until it is tried again where a backup could not be made. */
const AGAIN = 10 * 60_000;

/** Makes a backup whenever one is due, until `stopped`. What goes wrong is said, and tried again. */
export async function backUp(databaseUrl, mode, { everyMs, keep, to }, stopped) {
  let over = false;
  stopped.then(() => {
    over = true;
  });
  const pause = (ms) => {
    let timer;
    const rest = new Promise((r) => {
      timer = setTimeout(r, Math.min(ms, 2 ** 31 - 1));
    });
    return Promise.race([rest, stopped]).finally(() => clearTimeout(timer));
  };
  while (!over) {
    await pause(newestIn(to) + everyMs - Date.now());
    if (over) return;
    const { code } = await program(databaseUrl, mode, ['keep', to, String(everyMs), String(keep)]).catch(
      (error) => {
        say(`no backup could be made: ${error.message}`);
        return { code: 1 };
      },
    );
    if (code !== 0) await pause(AGAIN);
    // Due to the second, and counted in ms: never in a circle.
    else await pause(1000);
  }
}

/** `backup [FILE]`, or every so often with `--every`; `restore FILE`. */
export async function run(name, args) {
  const repeats = args.includes('--every') || args.includes('--keep');
  const { rest, ...asked } = backupsAsked(args);
  if (rest.length > 1 || rest.some((a) => a.startsWith('-')) || (name === 'restore' && rest.length !== 1))
    throw new Complaint(
      name === 'restore'
        ? 'restore takes FILE, a backup.'
        : 'backup takes [FILE], or [FOLDER] --every 6h --keep 30.',
    );
  const [file] = rest;
  await npmPackages();
  const server = await postgres();
  try {
    const url = process.env.DATABASE_URL ?? (await database(server, 'panache'));
    if (name === 'restore') {
      process.exitCode = (await program(url, 'dev', ['restore', fromCaller(file)])).code;
    } else if (repeats) {
      const stopped = new Promise((done) => {
        for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, done);
      });
      await backUp(url, 'dev', { ...asked, to: file ? fromCaller(file) : asked.to }, stopped);
    } else {
      const to = fromCaller(file ?? `panache-${new Date().toISOString().slice(0, 10)}.tar`);
      if (existsSync(to)) throw new Complaint(`${to} is there already: a backup is written over nothing.`);
      if (!existsSync(dirname(to)))
        throw new Complaint(`there is no folder ${dirname(to)} for ${basename(to)}.`);
      process.exitCode = (await program(url, 'dev', ['make', to])).code;
    }
  } finally {
    await server.stop();
  }
}
