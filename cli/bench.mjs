import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { withDemoApp } from './app.mjs';
import { debianPackage, npmPackages } from './packages.mjs';
import { own, root } from './place.mjs';
import { postgres } from './postgres.mjs';
import { run as runProgram } from './run.mjs';

/** Bundles as for production: names are not kept alive by helpers, as a development loader does. */
async function bundled(entry, more = {}) {
  const { build: bundle } = await import('esbuild');
  const outfile = join(own, 'bench', `${entry}.mjs`);
  await bundle({
    entryPoints: [join(root, 'bench', `${entry}.ts`)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    minifySyntax: true,
    ...more,
  });
  return outfile;
}

/** The engine alone: speed against reference libraries, and what it weighs in a page. */
async function engine() {
  const weigh = async (more) =>
    gzipSync(readFileSync(await bundled('browserCore', { platform: 'browser', minify: true, ...more })))
      .length / 1000;
  const data = {
    name: 'data',
    setup: (b) =>
      b.onLoad({ filter: /core\/food\/data\// }, ({ path }) => ({
        contents: `export const ${constantIn(path)} = [];`,
      })),
  };
  const zod = await weigh({ plugins: [data] });
  const bare = await weigh({ plugins: [data], external: ['zod'] });
  const all = await weigh({});
  console.log(
    `core in a page, gzipped: ${bare.toFixed(1)} kB of ours without ingredient data (bar: 60), ${zod.toFixed(1)} kB with zod, ${all.toFixed(1)} kB with both`,
  );
  const { code } = await runProgram(process.execPath, ['--expose-gc', await bundled('engine.bench')], {
    cwd: root,
    env: { ...process.env, SAMPLER: await bundled('sampler') },
  });
  if (code) process.exitCode = code;
}

const constantIn = (path) => /export const (\w+)/.exec(readFileSync(path, 'utf8'))?.[1];

/** Benchmarks on the demo data; each prints ratios measured within its own run. */
export async function run(_name, [only]) {
  await npmPackages();
  if (!only || only === 'engine') await engine();
  for (const bench of ['fix', 'schedule']) {
    if (only && only !== bench) continue;
    const { code } = await runProgram(process.execPath, [await bundled(`${bench}.bench`)], { cwd: root });
    if (code) process.exitCode = code;
  }
  if (['engine', 'fix', 'schedule'].includes(only)) return;
  await debianPackage('chromium', ['/usr/bin/chromium']);
  const server = await postgres();
  try {
    await withDemoApp(server, 'panache_bench', 3500, async (address, databaseUrl) => {
      for (const bench of ['solve', 'views', 'drag', 'reading', 'events', 'live']) {
        if (only && only !== bench) continue;
        const { code } = await runProgram(process.execPath, ['--import', 'tsx', `bench/${bench}.bench.ts`], {
          cwd: root,
          env: { ...process.env, BASE_URL: address, DATABASE_URL: databaseUrl },
        });
        if (code) process.exitCode = code;
      }
    });
  } finally {
    await server.stop();
  }
}
