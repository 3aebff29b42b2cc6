import { npmPackages } from './packages.mjs';
import { database, environmentFor, postgres } from './postgres.mjs';
import { run as runProgram } from './run.mjs';

export async function run(_name, args) {
  await npmPackages();
  const server = await postgres();
  try {
    const url = process.env.DATABASE_URL ?? (await database(server, 'panache'));
    const { code } = await runProgram('psql', args, { env: { ...process.env, ...environmentFor(url) } });
    process.exitCode = code;
  } finally {
    await server.stop();
  }
}
