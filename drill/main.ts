import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { serve } from '../cli/app.mjs';
import { freePort } from '../cli/ports.mjs';
import type { Row } from './kit';
import { beside } from './parts/beside';
import { clockJumps } from './parts/clock';
import { diskFull } from './parts/disk';
import { flood } from './parts/flood';
import { foreignPage } from './parts/foreign';
import { histories } from './parts/histories';
import { kills, stale } from './parts/kills';
import { lineFaults } from './parts/line';
import { randomRequests } from './parts/requests';

/** Attacks the application on the database in DATABASE_URL, and one of its own; ends with a table of what was tried and what held. */
const short = process.argv.includes('--short');
const only = process.argv.slice(2).find((a) => !a.startsWith('-'));
const databaseUrl = process.env.DATABASE_URL ?? '';
// Kitchens of the drill’s own: PostgreSQL’s user has to reach them.
const folder = mkdtempSync(join(tmpdir(), 'panache-drill-'));
chmodSync(folder, 0o755);
const home = join(folder, 'home');

const rows: Row[] = [];
const part = async (name: string, work: () => Promise<readonly Row[]>, { long = false } = {}) => {
  if (only ? only !== name : short && long) return;
  console.log(`drill: ${name} …`);
  const found = await work().catch((error: Error): Row[] => [
    { tried: name, held: false, figures: `the drill itself failed: ${error.message.slice(0, 300)}` },
  ]);
  rows.push(...found);
  for (const { tried, held, figures } of found)
    console.log(`  ${held ? 'held' : 'FELL'}  ${tried}: ${figures}`);
};

const one = async (work: (address: string) => Promise<readonly Row[]>) => {
  const app = await serve({ mode: 'start', from: 3700, databaseUrl, env: { DEVICES_URL: '' } });
  try {
    return await work(app.address);
  } finally {
    await app.stop();
  }
};

try {
  await part('histories', () => histories(20_000), { long: true });
  await part('requests', () => one((address) => randomRequests(address, short ? 900 : 20_000)));
  await part('foreign', () => one(foreignPage));
  await part('flood', () => one((address) => flood(address, !short)));
  await part('beside', () => one((address) => beside(address, process.env.OWNER_URL ?? databaseUrl, !short)));
  await part('line', () => lineFaults(databaseUrl, 3720), { long: true });
  await part('clock', () => clockJumps(databaseUrl, folder, 3740), { long: true });
  await part('kills', async () => {
    const port = await freePort(3760);
    const found = await kills(home, port, short ? 1 : 10, short ? 400 : 10_000);
    return [...found, ...(await stale(home, port))];
  });
  await part('disk', async () => diskFull(folder, await freePort(3780)), { long: true });
} finally {
  rmSync(folder, { recursive: true, force: true });
}

const wide = Math.max(...rows.map((r) => r.tried.length), 5);
console.log(`\n${'tried'.padEnd(wide)}  held  figures`);
for (const r of rows) console.log(`${r.tried.padEnd(wide)}  ${r.held ? 'yes ' : 'NO  '}  ${r.figures}`);
const fell = rows.filter((r) => !r.held).length;
console.log(`\ndrill: ${rows.length - fell} passed, ${fell} failed`);
process.exit(fell > 0 ? 1 : 0);
