import { join } from 'node:path';
import { npmPackages } from './packages.mjs';
import { root } from './place.mjs';
import { run as runProgram } from './run.mjs';
import { sayAside } from './say.mjs';

/** plan, predict, fix and schema: the engine alone, without server or database. */
export async function run(name, args) {
  sayAside();
  await npmPackages();
  const loader = new URL('../node_modules/tsx/dist/loader.mjs', import.meta.url).href;
  const { code } = await runProgram(
    process.execPath,
    ['--import', loader, join(root, 'src/headless/main.ts'), name, ...args],
    {
      cwd: process.env.PANACHE_CALLED_FROM ?? root,
    },
  );
  process.exitCode = code;
}
