import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { constants, Script } from 'node:vm';
import { jestExpect } from '@jest/expect';
import { type Mutant, withSqlMutant } from './mutants';

/**
 * Runs the tests of a bundle anew for each number it is sent, with that mistake made, and answers whether one of them failed. The rest
 * are left out then.
 */
const TIMEOUT = Symbol.for('TEST_TIMEOUT_SYMBOL');
Object.assign(globalThis, { [TIMEOUT]: 30_000 });
const require = createRequire(join(process.cwd(), 'package.json'));
const circus: typeof import('jest-circus') = require('jest-circus');
const { default: hooks, afterAll, afterEach, beforeAll, beforeEach, describe, it, test } = circus;
const { ModuleMocker }: typeof import('jest-mock') = require('jest-mock');
Object.assign(globalThis, {
  ...hooks,
  jest: new ModuleMocker(globalThis),
  afterAll,
  afterEach,
  beforeAll,
  beforeEach,
  describe,
  it,
  test,
  expect: jestExpect,
});

const scripts = new Map<string, Script>();
const scriptOf = (file: string): Script => {
  const known = scripts.get(file);
  if (known) return known;
  const text = `((require, module, exports, mutantNow) => {${readFileSync(file, 'utf8')}\n})`;
  const made = new Script(text, {
    filename: file,
    importModuleDynamically: constants.USE_MAIN_CONTEXT_DEFAULT_LOADER,
  });
  scripts.set(file, made);
  return made;
};

let failed = false;
circus.addEventHandler((event) => {
  if (event.name === 'test_fn_failure' || event.name === 'hook_failure' || event.name === 'error')
    failed = true;
  if (event.name === 'test_start' && failed) event.test.mode = 'skip';
});

// A migration is read from its file: with a mistake in it, as it would be read then.
const files: typeof import('node:fs/promises') = require('node:fs/promises');
const { readFile } = files;
let sql: Mutant | null = null;
Object.assign(files, {
  readFile: async (path: string, how: BufferEncoding) => {
    const text = await readFile(path, how);
    return sql && String(path).endsWith(sql.file) ? withSqlMutant(text, sql) : text;
  },
});

async function fails(file: string, mutant: number): Promise<string | null> {
  circus.resetState();
  failed = false;
  // What a server’s process remembers of the database it had before is nothing of this one’s.
  for (const kept of Object.keys(globalThis))
    if (kept.startsWith('panache')) Reflect.deleteProperty(globalThis, kept);
  const module = { exports: {} };
  try {
    scriptOf(file).runInThisContext()(require, module, module.exports, mutant);
  } catch (error) {
    return `cannot be loaded: ${error}`;
  }
  const { testResults, unhandledErrors } = await circus.run();
  if (testResults.length === 0) return 'there is no test';
  const bad = testResults.find((t) => t.errors.length > 0);
  return bad ? `${bad.testPath.join(' › ')}: ${bad.errors[0]}` : (unhandledErrors[0]?.toString() ?? null);
}

type Run = { readonly script: string; readonly mutant: number; readonly sql: Mutant | null };

process.on('message', (run: Run) => {
  sql = run.sql;
  void fails(run.script, run.mutant).then((why) => process.send?.({ why }));
});

// A line that a test cut complains to nobody, at times after its test: that is no failure of the next one.
process.on('uncaughtException', () => undefined);
