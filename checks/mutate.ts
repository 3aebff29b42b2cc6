import { type ChildProcess, fork } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { database, postgres } from '../cli/postgres.mjs';
import { bundle, testsLike } from './mutate/bundle';
import { type Mutant, mutantsOf, mutantsOfSql } from './mutate/mutants';

/**
 * How many deliberate mistakes the tests notice: each constant of some rooms moved by a tenth, each comparison turned
 * round, one at a time. `node --import tsx checks/mutate.ts [--of SUITE] [--every N] [--room NAME] [--file PATTERN]
 * [--groups N] [--lanes N]`. Suites: `model`; `reading`
 * (lines, recipes as they come, drafts, what an order changes); `kept` (safety, keep, cooling), `day` (service, record, batch) and
 * `server` (actions, archive, queries, the SQL in them and of the migrations; on a PostgreSQL of their own where TEST_DATABASE_URL is not set), these three with
 * conditions too. With `--every`, one in N, evenly spread; with `--groups`, only the first N groups of tests are run, so
 * that the share is a lower bound; with `--lanes`, so many at a time. Prints what lived; exits with 1 under what is wanted.
 */
type Suite = {
  /** Folders of `src`. */
  readonly rooms: readonly string[];
  /** Share that has to be noticed. */
  readonly wanted: number;
  /** Run in turn until one of them fails: first what stands beside the mistake, then as they stand here. */
  readonly tests: readonly (readonly string[])[];
  /** Also each `and` made an `or`, and the other way round: where the rules of safety are, a condition is as much as a figure. */
  readonly conditions: boolean;
  /** Which group of tests stands nearest to which files, where it is not the one in their folder. */
  readonly near?: readonly (readonly [files: RegExp, groups: readonly number[]])[];
};

const MODEL: Suite = {
  rooms: ['core/thicken', 'core/flow', 'core/dairy', 'core/heat'],
  wanted: 0.85,
  conditions: false,
  tests: [
    ['src/core/(thicken|flow|dairy|heat|refusals)', 'checks/(model-tables|dairy|conduction)'],
    [
      'checks/(?!flow-tests|json-ld|odex|model-tables|dairy|conduction|messages|names|said|lines|recipes-in|labels|scheduling|plans)',
      'src/core/(pot|season|keep)',
    ],
    ['checks/(flow-tests|plans)', 'src/core/(plan|adjust)'],
  ],
};

const KEPT: Suite = {
  rooms: ['core/safety', 'core/keep', 'core/heat/cool'],
  wanted: 0.95,
  conditions: true,
  tests: [
    ['src/core/(safety|keep/(safe/(?!random)|written|lot|events|standing|ticket|probes))'],
    ['src/core/keep/safe/random', 'checks/food-code'],
    ['src/core/keep/soup', 'checks/kept-model'],
    ['src/core/(keep|heat)/cool'],
    ['checks/cooling'],
    ['checks/labels'],
  ],
};

const DAY: Suite = {
  rooms: ['core/service', 'core/record', 'core/batch'],
  wanted: 0.9,
  conditions: true,
  tests: [
    ['src/core/(service|record)'],
    ['src/core/batch'],
    ['src/core/keep/(safe/(?!random)|written|standing)'],
    ['checks/scheduling'],
  ],
};

const READING: Suite = {
  rooms: ['core/food/lines', 'core/recipe', 'core/formats/found', 'core/formats/draft', 'core/order/changes'],
  wanted: 0.85,
  conditions: true,
  tests: [
    ['checks/(lines|recipes-in)', 'src/core/food/lines'],
    ['src/core/recipe'],
    ['src/core/formats', 'checks/json-ld'],
    ['src/core/order'],
    ['src/core/(plan|compare)'],
  ],
  near: [[/order\/changes/, [3, 4]]],
};

// What cuts lines and ends processes is tried in a process of its own: guard, direct and live are left out.
const SERVER: Suite = {
  rooms: ['server/actions', 'server/archive', 'server/queries', 'server/sql'],
  wanted: 0.9,
  conditions: true,
  tests: [
    ['src/server/keep'],
    ['src/server/services'],
    ['src/server/(editing|server)'],
    ['src/server/(rewriting|data/parts)'],
    ['src/server/(once|actions|groups)'],
  ],
  near: [
    [/keep|record|seals|verify|archive|chain|aside|imports/, [0, 3, 4]],
    [/services|service\.sql|once|landings|batches|planning/, [1, 4, 2]],
    [/groups/, [4]],
    [/recipes|kitchen|reading|listed|waterTests/, [2, 1, 4]],
    [/parts|guard|over|taken_back|long/, [3]],
  ],
};

const SUITES: Readonly<Record<string, Suite>> = {
  model: MODEL,
  kept: KEPT,
  day: DAY,
  server: SERVER,
  reading: READING,
};

/** So many times as long as without a mistake, and so many ms more: what takes longer has no end. */
const SLOWER = 5;
const MORE = 15_000;

/** No mistake. */
const NONE = -1;

const filesIn = (folder: string): readonly string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((f) => /\.(ts|sql)$/.test(f) && !/(\.test|Kit)\.ts$/.test(f))
    .sort()
    .map((f) => join(folder, f));

const USAGE =
  'checks/mutate.ts [--of SUITE] [--every N] [--room NAME] [--file PATTERN] [--groups N] [--lanes N]';
// A whole run takes hours: it is not begun by what was only asked about.
try {
  const text = { type: 'string' } as const;
  const { values } = parseArgs({
    options: { of: text, every: text, room: text, file: text, groups: text, lanes: text },
    strict: true,
  });
  if (!SUITES[values.of ?? 'model']) throw new Error(`--of is one of ${Object.keys(SUITES).join(', ')}`);
} catch (error) {
  console.error(`${error instanceof Error ? error.message : error}\n${USAGE}`);
  process.exit(2);
}
const option = (name: string): string | undefined => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : process.argv[at + 1];
};
const every = Math.max(1, Number(option('every') ?? 1));
const suite = SUITES[option('of') ?? ''] ?? MODEL;
const groups = suite.tests.slice(0, Math.max(1, Number(option('groups') ?? suite.tests.length)));
const rooms = suite.rooms.filter((r) => !option('room') || r === option('room'));
const all = rooms
  .flatMap((room) => filesIn(join('src', room)))
  .filter((file) => new RegExp(option('file') ?? '').test(file))
  .flatMap((file) => (file.endsWith('.sql') ? mutantsOfSql(file) : mutantsOf(file, suite.conditions)));
const tried = all.filter((_, n) => n % every === Math.floor(every / 2));
console.log(`${tried.length} of ${all.length} mistakes are tried`);

const folder = mkdtempSync(join(tmpdir(), 'panache-mutants-'));
const folders = groups.map((tests) => new Set(testsLike(tests).map((f) => dirname(f))));
const scripts = groups.map((_, n) => join(folder, `${n}.cjs`));

/** One process that runs tests; begun anew after what had no end. */
class Lane {
  #child: ChildProcess | null = null;

  /** What failed with this mistake made, or null; what takes longer than `within` ms failed too. */
  run(script: string, mutant: number, within: number): Promise<string | null> {
    this.#child ??= fork(new URL('./mutate/worker.ts', import.meta.url), {
      execArgv: ['--import', 'tsx'],
      stdio: ['ignore', 'ignore', 'ignore', 'ipc'],
    });
    const child = this.#child;
    return new Promise((done) => {
      const answered = (why: string | null): void => {
        clearTimeout(timer);
        child.removeAllListeners();
        done(why);
      };
      const gone = (why: string) => (): void => {
        child.kill('SIGKILL');
        this.#child = null;
        answered(why);
      };
      const timer = setTimeout(gone('has no end'), within);
      child.once('message', ({ why }: { why: string | null }) => answered(why));
      child.once('exit', gone('ended'));
      const made = tried[mutant];
      child.send({ script, mutant, sql: made?.file.endsWith('.sql') ? made : null });
    });
  }

  end(): void {
    this.#child?.kill();
  }
}

// As the tests are run: without the demo’s history, and without what is learned of it.
process.env.PANACHE_HISTORY ??= 'off';
process.env.PANACHE_LEARN ??= 'off';
process.env.TZ = 'UTC';
// The tests of the server want a database of the machine's own PostgreSQL, where they are not given one.
const wantsDatabase = suite === SERVER && !process.env.TEST_DATABASE_URL;
const server = wantsDatabase ? await postgres() : null;
if (server) process.env.TEST_DATABASE_URL = await database(server, 'panache_mutants', { fresh: true });

const lived: string[] = [];
let next = 0;
async function go(lane: Lane, within: readonly number[]): Promise<void> {
  for (let n = next++; n < tried.length; n = next++) {
    const { file, at, was, is } = tried[n] as Mutant;
    let noticed = false;
    const near = suite.near?.find(([files]) => files.test(file))?.[1] ?? [];
    const beside = (g: number) => (near.includes(g) ? near.length - near.indexOf(g) : 0);
    const distance = (g: number) => beside(g) + Number(folders[g]?.has(dirname(file)) ?? false);
    const order = [...scripts.keys()].sort((a, b) => distance(b) - distance(a) || a - b);
    for (const g of order) noticed ||= (await lane.run(scripts[g] ?? '', n, within[g] ?? MORE)) !== null;
    const text = readFileSync(file, 'utf8');
    const line = text.slice(0, at).split('\n').length;
    const says = `${file}:${line} ${was} → ${is}: ${text.split('\n')[line - 1]?.trim().slice(0, 80)}`;
    if (!noticed) lived.push(says);
    console.log(`${noticed ? 'noticed' : 'LIVED  '} ${says}`);
  }
}
const lanes = Array.from({ length: Number(option('lanes') ?? availableParallelism()) }, () => new Lane());
try {
  await Promise.all(groups.map((tests, n) => bundle(testsLike(tests), tried, scripts[n] ?? '')));
  const within: number[] = [];
  for (const script of scripts) {
    const from = performance.now();
    const why = await lanes[0]?.run(script, NONE, 3_600_000);
    if (why) throw new Error(`fails without any mistake: ${why}`);
    within.push(MORE + SLOWER * (performance.now() - from));
  }
  console.log(
    `without any: ${within.map((ms) => `${((ms - MORE) / SLOWER / 1000).toFixed(1)} s`).join(', ')}`,
  );
  await Promise.all(lanes.map((lane) => go(lane, within)));
} finally {
  for (const lane of lanes) lane.end();
  await server?.stop();
  rmSync(folder, { recursive: true, force: true });
}
const share = 1 - lived.length / Math.max(1, tried.length);
console.log(`\n${lived.length} lived; ${(share * 100).toFixed(1)} % of ${tried.length} were noticed`);
process.exit(share < suite.wanted ? 1 : 0);
