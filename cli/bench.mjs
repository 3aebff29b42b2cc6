import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { withDemoApp } from './app.mjs';
import { installChromium } from './chromium.mjs';
import { npmPackages } from './packages.mjs';
import { own, root } from './place.mjs';
import { postgres } from './postgres.mjs';
import { run as runProgram } from './run.mjs';
import { Complaint } from './say.mjs';

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

/** kB the engine may weigh in a page. */
const MOST_CORE = 75;

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
  const held = bare <= MOST_CORE;
  console.log(
    `${held ? 'held  ' : 'MISSED'} core in a page, gzipped, without ingredient data: ${bare.toFixed(1)} kB (at most ${MOST_CORE}); ${zod.toFixed(1)} kB with zod, ${all.toFixed(1)} kB with both`,
  );
  if (!held) process.exitCode = 1;
  const { code } = await runProgram(process.execPath, ['--expose-gc', await bundled('engine.bench')], {
    cwd: root,
    env: { ...process.env, SAMPLER: await bundled('sampler') },
  });
  if (code) process.exitCode = code;
}

const constantIn = (path) => /export const (\w+)/.exec(readFileSync(path, 'utf8'))?.[1];

/** Those of the engine alone, bundled as a page's worker is; and those against the built application with the demo in it. */
const ALONE = ['fix', 'schedule', 'follow', 'solve', 'learn'];
/** Each on a database of its own, which grows. */
const GROWN = ['grown', 'backup'];
/** What takes as long as it is asked for: run by its name alone. */
const ASKED_FOR = ['scale'];
const AGAINST = ['views', 'tablet', 'hours', 'drag', 'reading', 'events', 'live', 'stations'];

/** Benchmarks, each a set of bars: ratios measured within its own run. Ends with 1 where one is missed. `--only NAME` runs one. */
export async function run(_name, args) {
  const only = args[0] === '--only' ? args[1] : args[0];
  const names = ['engine', ...ALONE, ...AGAINST, ...GROWN, ...ASKED_FOR];
  if (only && !names.includes(only)) throw new Complaint(`“${only}” is no benchmark: ${names.join(', ')}.`);
  const wanted = (name) => !only || only === name;
  const ended = (code) => {
    if (code) process.exitCode = code;
  };
  await npmPackages();
  if (wanted('engine')) await engine();
  for (const bench of ALONE.filter(wanted))
    ended((await runProgram(process.execPath, [await bundled(`${bench}.bench`)], { cwd: root })).code);
  const grown = [...GROWN.filter(wanted), ...ASKED_FOR.filter((name) => name === only)];
  if (!AGAINST.some(wanted) && grown.length === 0) return;
  await installChromium();
  const server = await postgres();
  const against = (bench) => async (address, databaseUrl) =>
    ended(
      (
        await runProgram(process.execPath, ['--import', 'tsx', `bench/${bench}.bench.ts`], {
          cwd: root,
          env: { ...process.env, BASE_URL: address, DATABASE_URL: databaseUrl },
        })
      ).code,
    );
  try {
    if (AGAINST.some(wanted))
      await withDemoApp(server, 'panache_bench', 3500, async (...app) => {
        for (const bench of AGAINST.filter(wanted)) await against(bench)(...app);
      });
    // On a database of its own: it does not grow small again.
    for (const bench of grown) await withDemoApp(server, `panache_bench_${bench}`, 3500, against(bench));
  } finally {
    await server.stop();
  }
}
