import { existsSync, readdirSync, statSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { programOf } from './bundle.mjs';
import { repeat } from './keep.mjs';
import { asOwner } from './owner.mjs';
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

/** ms until it is tried again where a backup could not be made. */
const AGAIN = 10 * 60_000;

/** Makes a backup whenever one is due, until `stopped`. What goes wrong is said, and tried again. */
export function backUp(databaseUrl, mode, { everyMs, keep, to }, stopped) {
  const due = () => newestIn(to) + everyMs - Date.now();
  const once = async () => {
    const { code } = await runProgram(
      process.execPath,
      [...programOf('backups', mode), 'keep', to, String(everyMs), String(keep)],
      { cwd: root, env: { ...process.env, DATABASE_URL: databaseUrl } },
    ).catch((error) => {
      say(`no backup could be made: ${error.message}`);
      return { code: 1 };
    });
    // Due to the second, and counted in ms: never in a circle.
    return code === 0 ? Math.max(1000, due()) : AGAIN;
  };
  return repeat(due(), once, stopped);
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
  if (name === 'restore') return asOwner('backups.ts', ['restore', fromCaller(file)]);
  if (!repeats) {
    const to = fromCaller(file ?? `panache-${new Date().toISOString().slice(0, 10)}.tar`);
    if (existsSync(to)) throw new Complaint(`${to} is there already: a backup is written over nothing.`);
    if (!existsSync(dirname(to)))
      throw new Complaint(`there is no folder ${dirname(to)} for ${basename(to)}.`);
    return asOwner('backups.ts', ['make', to]);
  }
  await npmPackages();
  const server = await postgres();
  try {
    const url = process.env.DATABASE_URL ?? (await database(server, 'panache'));
    const stopped = new Promise((done) => {
      for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, done);
    });
    await backUp(url, 'dev', { ...asked, to: file ? fromCaller(file) : asked.to }, stopped);
  } finally {
    await server.stop();
  }
}
