import { spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { availableParallelism, tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import { parseArgs } from 'node:util';
import { parse } from '@babel/parser';
import {
  isBinaryExpression,
  isFunction,
  isLogicalExpression,
  isNumericLiteral,
  isTSType,
  isVariableDeclaration,
  traverse,
} from '@babel/types';

/**
 * How many deliberate mistakes the tests notice: each constant of the model’s rooms moved by a tenth, each comparison
 * turned round, one at a time, on copies of the project. `node --import tsx checks/mutate.ts [--kept] [--every N]
 * [--room NAME] [--file PART] [--groups N] [--lanes N]`; with `--kept` those of safety and keep, conditions too; with `--every`, one in N, evenly spread; with `--groups`, only the first N groups of tests are run, so
 * that the share is a lower bound; with `--lanes`, so many at a time. Prints what lived; exits with 1 under what is wanted.
 */
type Suite = {
  readonly rooms: readonly string[];
  /** Share that has to be noticed. */
  readonly wanted: number;
  /** Run in turn until one of them fails: first what is quick. */
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
  rooms: ['safety', 'keep'],
  wanted: 0.95,
  conditions: true,
  tests: [
    ['src/core/(safety|keep/(safe/(?!random)|lot|entries|dates|standing|ticket|probes))'],
    ['src/core/keep/safe/random', 'checks/food-code'],
    ['src/core/keep/(cool|soup)', 'checks/(labels|cooling)'],
  ],
};

type Mutant = { readonly file: string; readonly at: number; readonly was: string; readonly is: string };

const JEST = resolve('node_modules/jest/bin/jest.js');

const HOUR = 3_600_000;

/** So many times as long as without a mistake, and a minute more: what takes longer has no end. */
const SLOWER = 5;

const TURNED: Readonly<Record<string, string>> = {
  '<': '>=',
  '<=': '>',
  '>': '<=',
  '>=': '<',
  '===': '!==',
  '!==': '===',
};
const CONDITIONS: Readonly<Record<string, string>> = { '&&': '||', '||': '&&' };

/** Numbers of the file’s constants, and comparisons anywhere in it. */
function mutantsOf(file: string, conditions: boolean): readonly Mutant[] {
  const text = readFileSync(file, 'utf8');
  const { program } = parse(text, { sourceType: 'module', plugins: ['typescript'] });
  const found: Mutant[] = [];
  traverse(program, (node, parents) => {
    const at = node.start ?? 0;
    const was = text.slice(at, node.end ?? at);
    if (isNumericLiteral(node)) {
      const within = parents.map((p) => p.node);
      // A number inside a function is its own business; one in a type is none.
      const constant = within.some((n) => isVariableDeclaration(n)) && !within.some((n) => isFunction(n));
      if (!constant || within.some((n) => isTSType(n))) return;
      found.push({ file, at, was, is: node.value === 0 ? '0.1' : String(node.value * 1.1) });
    }
    if (isBinaryExpression(node) || (conditions && isLogicalExpression(node))) {
      const is = TURNED[node.operator] ?? CONDITIONS[node.operator];
      const from = text.indexOf(node.operator, node.left.end ?? at);
      if (is) found.push({ file, at: from, was: node.operator, is });
    }
  });
  return found.sort((a, b) => a.at - b.at);
}

const filesIn = (folder: string): readonly string[] =>
  readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((f) => f.endsWith('.ts') && !f.endsWith('.test.ts'))
    .sort()
    .map((f) => join(folder, f));

const fails = (home: string, tests: readonly string[], within: number): Promise<boolean> =>
  new Promise((done) => {
    // Jest itself, not a wrapper of it: what is killed is what does not end.
    const child = spawn(process.execPath, [JEST, '--bail', '--runInBand', ...tests], {
      cwd: home,
      stdio: 'ignore',
    });
    // What never ends is noticed too.
    const timer = setTimeout(() => child.kill('SIGKILL'), within);
    child.on('exit', (code) => {
      clearTimeout(timer);
      done(code !== 0);
    });
  });

const USAGE = 'checks/mutate.ts [--kept] [--every N] [--room NAME] [--file PART] [--groups N] [--lanes N]';
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
  .filter((file) => file.includes(option('file') ?? ''))
  .flatMap((file) => mutantsOf(file, suite.conditions));
const tried = all.filter((_, n) => n % every === Math.floor(every / 2));
console.log(`${tried.length} of ${all.length} mistakes are tried`);

const folder = mkdtempSync(join(tmpdir(), 'panache-mutants-'));
const lived: string[] = [];
let next = 0;
const copy = (n: number): string => {
  const home = join(folder, String(n));
  for (const part of [
    'src',
    'checks',
    'demo',
    'drill',
    'cli',
    'docs',
    'jest.config.mjs',
    'package.json',
    'tsconfig.json',
  ])
    cpSync(part, join(home, part), { recursive: true });
  symlinkSync(resolve('node_modules'), join(home, 'node_modules'));
  return home;
};
async function lane(home: string, within: readonly number[]): Promise<void> {
  for (let mutant = tried[next++]; mutant; mutant = tried[next++]) {
    const { file, at, was, is } = mutant;
    const text = readFileSync(file, 'utf8');
    writeFileSync(join(home, file), text.slice(0, at) + is + text.slice(at + was.length));
    let noticed = false;
    for (const [n, tests] of groups.entries()) noticed ||= await fails(home, tests, within[n] ?? HOUR);
    writeFileSync(join(home, file), text);
    const line = text.slice(0, at).split('\n').length;
    const says = `${file}:${line} ${was} → ${is}: ${text.split('\n')[line - 1]?.trim().slice(0, 80)}`;
    if (!noticed) lived.push(says);
    console.log(`${noticed ? 'noticed' : 'LIVED  '} ${says}`);
  }
}
try {
  const homes = Array.from({ length: Number(option('lanes') ?? availableParallelism()) }, (_, n) => copy(n));
  const within: number[] = [];
  for (const tests of groups) {
    const from = performance.now();
    if (await fails(homes[0] ?? '', tests, HOUR))
      throw new Error(`${tests.join(', ')} fail without any mistake`);
    within.push(60_000 + SLOWER * (performance.now() - from));
  }
  await Promise.all(homes.map((home) => lane(home, within)));
} finally {
  rmSync(folder, { recursive: true, force: true });
}
const share = 1 - lived.length / Math.max(1, tried.length);
console.log(`\n${lived.length} lived; ${(share * 100).toFixed(0)} % of ${tried.length} were noticed`);
process.exit(share < suite.wanted ? 1 : 0);
