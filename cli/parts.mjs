import { resolve } from 'node:path';
import { npmPackages } from './packages.mjs';
import { root } from './place.mjs';
import { database, postgres } from './postgres.mjs';
import { run as runProgram } from './run.mjs';
import { Complaint } from './say.mjs';

const TAKES = {
  parts: [],
  'put-away': ['NAME', 'FILE'],
  'bring-back': ['FILE'],
};

/** Shows the parts of the record of the private database, or of DATABASE_URL, puts one away in a file, brings one back. */
export async function run(name, args) {
  const takes = TAKES[name];
  if (args.length !== takes.length || args.some((a) => a.startsWith('-')))
    throw new Complaint(
      `${name} takes ${takes.length ? takes.join(' and ') : 'nothing'}; ./panache parts shows what there is.`,
    );
  await npmPackages();
  const server = await postgres();
  try {
    const url = process.env.DATABASE_URL ?? (await database(server, 'panache'));
    const loader = new URL('../node_modules/tsx/dist/loader.mjs', import.meta.url).href;
    // A file is where the caller stands, not where the program is.
    const told = args.map((a, n) => (takes[n] === 'FILE' ? resolve(a) : a));
    const { code } = await runProgram(
      process.execPath,
      ['--import', loader, 'src/server/data/moveParts.ts', name, ...told],
      { cwd: root, env: { ...process.env, DATABASE_URL: url } },
    );
    process.exitCode = code;
  } finally {
    await server.stop();
  }
}
