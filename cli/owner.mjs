import { join } from 'node:path';
import { npmPackages } from './packages.mjs';
import { root } from './place.mjs';
import { database, postgres } from './postgres.mjs';
import { run as runProgram } from './run.mjs';

/** Runs a program of `src/server/data` as the owner of the private database, or of DATABASE_URL. Ends with what it ends with. */
export async function asOwner(program, args) {
  await npmPackages();
  const server = await postgres();
  try {
    const url = process.env.DATABASE_URL ?? (await database(server, 'panache'));
    const loader = new URL('../node_modules/tsx/dist/loader.mjs', import.meta.url).href;
    const { code } = await runProgram(
      process.execPath,
      ['--import', loader, join(root, 'src/server/data', program), ...args],
      { cwd: root, env: { ...process.env, DATABASE_URL: url } },
    );
    process.exitCode = code;
  } finally {
    await server.stop();
  }
}
