import { type ChildProcess, fork } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { parseArgs } from 'node:util';
import { bundle, testsLike } from './mutate/bundle';
import { type Mutant, mutantsOf } from './mutate/mutants';

/**
 * How many deliberate mistakes the tests notice: each constant of the model’s rooms moved by a tenth, each comparison
 * turned round, one at a time. `node --import tsx checks/mutate.ts [--kept] [--every N]
 * [--room NAME] [--file PATTERN] [--groups N] [--lanes N]`; with `--kept` those of safety, keep and cooling,
 * conditions too; with `--every`, one in N, evenly spread; with `--groups`, only the first N groups of tests are
 * run, so
 * that the share is a lower bound; with `--lanes`, so many at a time. Prints what lived; exits with 1 under what is wanted.
 */
type Suite = {
  readonly rooms: readonly string[];
  /** Share that has to be noticed. */
  readonly wanted: number;
  /** Run in turn until one of them fails: first what stands beside the mistake, then as they stand here. */
  readonly tests: readonly (readonly string[])[];
  /** Also each `and` made an `or`, and the other way round: where the rules of safety are, a condition is as much as a figure. */
  readonly conditions: boolean;
};

const MODEL: Suite = {
  rooms: ['thicken', 'flow', 'dairy', 'heat'],
  wanted: 0.85,
  conditions: false,
  tests: [
    ['src/core/(thicken|flow|dairy|heat|refusals)', 'checks/(model-tables|dairy|conduction)'],
    [
      'checks/(?!flow-tests|json-ld|odex|model-tables|dairy|conduction|messages|labels|scheduling|plans)',
      'src/core/(pot|season|keep)',
    ],
    ['checks/(flow-tests|plans)', 'src/core/(plan|adjust)'],
  ],
};

const KEPT: Suite = {
  rooms: ['safety', 'keep', 'heat/cool'],
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

/** So many times as long as without a mistake, and so many ms more: what takes longer has no end. */
const SLOWER = 5;
const MORE = 15_000;

/** No mistake. */
const NONE = -1;

const filesIn = (folder: string): readonly string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts') && !/(\.test|Kit)\.ts$/.test(f))
    .sort()
    .map((f) => join(folder, f));

const USAGE = 'checks/mutate.ts [--kept] [--every N] [--room NAME] [--file PATTERN] [--groups N] [--lanes N]';
// A whole run takes hours: it is not begun by what was only asked about.
try {
  const text = { type: 'string' } as const;
  const options = { every: text, room: text, file: text, groups: text, lanes: text };
  parseArgs({ options: { ...options, kept: { type: 'boolean' } }, strict: true });
} catch (error) {
  console.error(`${error instanceof Error ? error.message : error}\n${USAGE}`);
  process.exit(2);
}
const option = (name: string): string | undefined => {
  const at = process.argv.indexOf(`--${name}`);
  return at < 0 ? undefined : process.argv[at + 1];
};
const every = Math.max(1, Number(option('every') ?? 1));
const suite = process.argv.includes('--kept') ? KEPT : MODEL;
const groups = suite.tests.slice(0, Math.max(1, Number(option('groups') ?? suite.tests.length)));
const rooms = suite.rooms.filter((r) => !option('room') || r === option('room'));
const all = rooms
  .flatMap((room) => filesIn(join('src/core', room)))
  .filter((file) => new RegExp(option('file') ?? '').test(file))
  .flatMap((file) => mutantsOf(file, suite.conditions));
const tried = all.filter((_, n) => n % every === Math.floor(every / 2));
console.log(`${tried.length} of ${all.length} mistakes are tried`);

const folder = mkdtempSync(join(tmpdir(), 'panache-mutants-'));
const folders = groups.map((tests) => new Set(testsLike(tests).map((f) => dirname(f))));
const scripts = groups.map((_, n) => join(folder, `${n}.cjs`));

/** One process that runs tests; begun anew after what had no end. */
class Lane {
  #child: ChildProcess | null = null;

  /** What failed with this mistake made, or null; what takes longer than `within` ms failed too. */
  run(file: string, mutant: number, within: number): Promise<string | null> {
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
      child.send({ file, mutant });
    });
  }

  end(): void {
    this.#child?.kill();
  }
}

const lived: string[] = [];
let next = 0;
async function go(lane: Lane, within: readonly number[]): Promise<void> {
  for (let n = next++; n < tried.length; n = next++) {
    const { file, at, was, is } = tried[n] as Mutant;
    let noticed = false;
    const beside = (g: number) => Number(folders[g]?.has(dirname(file)) ?? false);
    const order = [...scripts.keys()].sort((a, b) => beside(b) - beside(a) || a - b);
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
  rmSync(folder, { recursive: true, force: true });
}
const share = 1 - lived.length / Math.max(1, tried.length);
console.log(`\n${lived.length} lived; ${(share * 100).toFixed(1)} % of ${tried.length} were noticed`);
process.exit(share < suite.wanted ? 1 : 0);
