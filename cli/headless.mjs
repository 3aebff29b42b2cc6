import { existsSync, mkdirSync, readFileSync, renameSync, statSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { npmPackages } from './packages.mjs';
import { root } from './place.mjs';
import { run as runProgram } from './run.mjs';
import { sayAside } from './say.mjs';

/** Beside the packages, from where it is to find them. */
const FOLDER = join(root, 'node_modules', '.cache', 'panache');
const PROGRAM = join(FOLDER, 'headless.mjs');
/** What it was made of: each file with its size and when it was last written. */
const MADE_OF = join(FOLDER, 'headless.json');

const stampOf = (file) => {
  const { size, mtimeMs } = statSync(join(root, file), { throwIfNoEntry: false }) ?? {};
  return `${size} ${mtimeMs}`;
};

const isFresh = () =>
  existsSync(PROGRAM) &&
  existsSync(MADE_OF) &&
  Object.entries(JSON.parse(readFileSync(MADE_OF, 'utf8'))).every(([file, stamp]) => stampOf(file) === stamp);

/** The engine in one file: a plan does not wait for four hundred to be translated. Made anew when one of them was written. */
async function program() {
  if (isFresh()) return PROGRAM;
  const { build } = await import('esbuild');
  mkdirSync(FOLDER, { recursive: true });
  // Of two that make it at once, each its own; the last one stays.
  const making = `${PROGRAM}.${process.pid}.mjs`;
  const { metafile } = await build({
    absWorkingDir: root,
    entryPoints: ['src/headless/main.ts'],
    outfile: making,
    bundle: true,
    format: 'esm',
    platform: 'node',
    target: 'node20',
    packages: 'external',
    sourcemap: 'inline',
    metafile: true,
    logLevel: 'silent',
  });
  writeFileSync(
    `${MADE_OF}.${process.pid}`,
    JSON.stringify(Object.fromEntries(Object.keys(metafile.inputs).map((file) => [file, stampOf(file)]))),
  );
  renameSync(making, PROGRAM);
  renameSync(`${MADE_OF}.${process.pid}`, MADE_OF);
  return PROGRAM;
}

/** plan, predict, fix and schema: the engine alone, without server or database. */
export async function run(name, args) {
  sayAside();
  await npmPackages();
  const { code } = await runProgram(
    process.execPath,
    ['--enable-source-maps', await program(), name, ...args],
    { cwd: process.env.PANACHE_CALLED_FROM ?? root },
  );
  process.exitCode = code;
}
