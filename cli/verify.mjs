import { join } from 'node:path';
import { npmPackages } from './packages.mjs';
import { root } from './place.mjs';
import { database, postgres } from './postgres.mjs';
import { run as runProgram } from './run.mjs';
import { Complaint } from './say.mjs';

const HEAD = /^(\d+):([0-9a-f]{64})$/;

/** Follows the whole record of the private database, or of DATABASE_URL. Ends with 1 where something does not agree. */
export async function run(_name, args) {
  const heads = [];
  for (let n = 0; n < args.length; n += 2) {
    const found = args[n] === '--head' ? HEAD.exec(args[n + 1] ?? '') : null;
    if (!found)
      throw new Complaint(
        `“${[args[n], args[n + 1]].filter(Boolean).join(' ')}” is not understood: verify [--head N:HASH …], as it stands at the foot of an export.`,
      );
    heads.push({ n: Number(found[1]), hash: found[2] });
  }
  await npmPackages();
  const server = await postgres();
  try {
    const url = process.env.DATABASE_URL ?? (await database(server, 'panache'));
    const loader = new URL('../node_modules/tsx/dist/loader.mjs', import.meta.url).href;
    const { code } = await runProgram(
      process.execPath,
      ['--import', loader, join(root, 'src/server/data/verify.ts'), JSON.stringify(heads)],
      { cwd: root, env: { ...process.env, DATABASE_URL: url } },
    );
    process.exitCode = code;
  } finally {
    await server.stop();
  }
}
