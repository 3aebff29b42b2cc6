import { prepare } from './app.mjs';
import { build } from './build.mjs';
import { installChromium } from './chromium.mjs';
import { debianPackage, npmPackages } from './packages.mjs';
import { root } from './place.mjs';
import { database, postgres } from './postgres.mjs';
import { run as runProgram } from './run.mjs';

/** Attacks the built application on a database made for it. Resolves to the exit code and what was said. */
export async function drill(server, args, options = {}) {
  const owner = await database(server, 'panache_drill', { fresh: true });
  await build();
  const { url } = await prepare(owner);
  return runProgram(process.execPath, ['--import', 'tsx', 'drill/main.ts', ...args], {
    cwd: root,
    env: { ...process.env, DATABASE_URL: url, OWNER_URL: owner },
    ...options,
  });
}

/** `./panache drill`: all of it, some twenty minutes; `--short` a form of two; or one part by its name; `pitr` back to a moment. */
export async function run(_name, args) {
  await npmPackages();
  if (args[0] === 'pitr') {
    await debianPackage('postgresql', ['/usr/lib/postgresql']);
    await debianPackage('pgbackrest', ['/usr/bin/pgbackrest']);
    const { code } = await runProgram(process.execPath, ['--import', 'tsx', 'drill/pitr.ts'], { cwd: root });
    process.exitCode = code;
    return;
  }
  await installChromium();
  if (process.getuid?.() === 0 && !args.includes('--short'))
    await debianPackage('faketime', ['/usr/bin/faketime']).catch(() => {});
  const server = await postgres();
  try {
    const { code } = await drill(server, args);
    process.exitCode = code;
  } finally {
    await server.stop();
  }
}
