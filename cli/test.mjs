import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism } from 'node:os';
import { join } from 'node:path';
import { withDemoApp } from './app.mjs';
import { installChromium } from './chromium.mjs';
import { drill } from './drill.mjs';
import { debianPackage, npmPackages } from './packages.mjs';
import { bin, own, root } from './place.mjs';
import { database, postgres } from './postgres.mjs';
import { run as runProgram } from './run.mjs';
import { say } from './say.mjs';

// Figures that tests read are those of the book: what is learned, and three months of it, has tests of its own.
process.env.PANACHE_HISTORY ??= 'off';
process.env.PANACHE_LEARN ??= 'off';

const env = (more = {}) => ({ ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...more });

async function program(name, command, args, tally) {
  say(`${name} …`);
  const { code } = await runProgram(command, args, { cwd: root, env: env() });
  tally(name, code === 0 ? 1 : 0, code === 0 ? 0 : 1);
}

const readReport = (file) => (existsSync(file) ? JSON.parse(readFileSync(file, 'utf8')) : null);

/** Jest, over unit, checks and database tests. */
async function jest(databaseUrl, args, tally) {
  say('unit, checks and database tests …');
  const report = join(own, 'jest.json');
  rmSync(report, { force: true });
  const { code } = await runProgram(
    process.execPath,
    // One more than cores: a suite waits for its database, or for a program it starts, as often as it works.
    [bin('jest'), '--json', `--maxWorkers=${availableParallelism() + 1}`, `--outputFile=${report}`, ...args],
    {
      cwd: root,
      env: env({ TEST_DATABASE_URL: databaseUrl, TZ: 'UTC' }),
      stdio: ['ignore', 'ignore', 'inherit'],
    },
  );
  const r = readReport(report);
  const failed = r ? r.numFailedTests + r.numRuntimeErrorTestSuites : 1;
  tally('unit, checks and database', r?.numPassedTests ?? 0, code === 0 ? failed : Math.max(1, failed));
}

/** So many browsers work at once, each on an application and a database of its own: one more than cores, since a test waits as often as it works. */
const BROWSERS = Math.min(4, availableParallelism() + 1);

/** `work` with `count` demo applications beside each other, as {@link withDemoApp} has one. */
async function withDemoApps(server, count, work, env, apps = []) {
  if (apps.length === count) return work(apps);
  const n = apps.length;
  return withDemoApp(
    server,
    `panache_test_e2e_${n}`,
    // Each with ports to spare for the servers its own tests start.
    3400 + 200 * n,
    (address, databaseUrl, devicesUrl) =>
      withDemoApps(server, count, work, env, [...apps, { address, databaseUrl, devicesUrl }]),
    env,
  );
}

/** Playwright, against the built application on databases of their own with the demo. */
async function endToEnd(server, args, tally) {
  say('end-to-end tests …');
  const report = join(own, 'playwright.json');
  rmSync(report, { force: true });
  const work = async (apps) => {
    const { code } = await runProgram(process.execPath, [bin('playwright'), 'test', ...args], {
      cwd: root,
      env: env({ PANACHE_APPS: JSON.stringify(apps), PLAYWRIGHT_JSON_OUTPUT_NAME: report }),
    });
    const stats = readReport(report)?.stats;
    const failed = stats ? stats.unexpected + stats.flaky : 1;
    tally('end-to-end', stats?.expected ?? 0, code === 0 ? failed : Math.max(1, failed));
  };
  // Pages in these tests live in time that is made up.
  await withDemoApps(server, BROWSERS, work, { PANACHE_CLOCK: 'own' });
}

/** The short form of the drill: each thing tried counts as a test. */
async function drilled(server, args, tally) {
  say('the drill, in its short form …');
  const { code, out } = await drill(server, ['--short', ...args], { capture: true });
  process.stdout.write(out);
  const [, passed = 0, failed = 0] = /^drill: (\d+) passed, (\d+) failed$/m.exec(out)?.map(Number) ?? [];
  tally('drill', passed, code === 0 ? failed : Math.max(1, failed));
}

/** The Debian packages the suites need, one after the other, and the server of their databases where any wants one. */
async function debianParts(wants) {
  await debianPackage('units', ['/usr/share/units/definitions.units']);
  if (wants('e2e') || wants('drill')) await installChromium();
  return wants('unit') || wants('e2e') || wants('drill') ? postgres() : null;
}

/** All suites; the last line is “N passed, N failed”. `./panache test unit …` or `e2e …` runs one with arguments. */
export async function run(_name, [only, ...args]) {
  const results = [];
  const tally = (name, passed, failed) => results.push({ name, passed, failed });
  const wants = (suite) => only === undefined || only === suite;
  mkdirSync(own, { recursive: true });
  await npmPackages();
  const installed = debianParts(wants);
  // What is fetched from afar comes while what is here is read.
  installed.catch(() => {});
  if (wants('static')) {
    await runProgram(bin('next'), ['typegen'], { cwd: root, env: env(), stdio: 'ignore' });
    // Beside each other: neither uses two cores all the time.
    await Promise.all([
      program('types', bin('tsc'), ['--noEmit'], tally),
      program('format, lint and boundaries', bin('biome'), ['ci', '--reporter=summary', '.'], tally),
    ]);
  }
  const server = await installed;
  try {
    if (server && wants('unit'))
      await jest(await database(server, 'panache_test_unit', { fresh: true }), args, tally);
    if (server && wants('e2e')) await endToEnd(server, args, tally);
    if (server && wants('drill')) await drilled(server, args, tally);
  } finally {
    await server?.stop();
  }
  for (const r of results) console.log(`${r.name}: ${r.passed} passed, ${r.failed} failed`);
  const sum = (key) => results.reduce((total, r) => total + r[key], 0);
  console.log(`${sum('passed')} passed, ${sum('failed')} failed`);
  if (sum('failed') > 0) process.exitCode = 1;
}
