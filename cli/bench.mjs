import { prepare, serve } from './app.mjs';
import { build } from './build.mjs';
import { debianPackage, npmPackages } from './packages.mjs';
import { root } from './place.mjs';
import { database, postgres } from './postgres.mjs';
import { run as runProgram } from './run.mjs';

/** Benchmarks on the demo data; each prints ratios measured within its own run. */
export async function run(_name, [only]) {
  await npmPackages();
  await debianPackage('chromium', ['/usr/bin/chromium']);
  const server = await postgres();
  try {
    const databaseUrl = await database(server, 'panache_bench', { fresh: true });
    await prepare(databaseUrl);
    await build();
    const app = await serve({ mode: 'start', from: 3500, databaseUrl });
    try {
      for (const bench of ['solve', 'drag']) {
        if (only && only !== bench) continue;
        const { code } = await runProgram(process.execPath, ['--import', 'tsx', `bench/${bench}.bench.ts`], {
          cwd: root,
          env: { ...process.env, BASE_URL: app.address },
        });
        if (code) process.exitCode = code;
      }
    } finally {
      await app.stop();
    }
  } finally {
    await server.stop();
  }
}
