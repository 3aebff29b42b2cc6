import { join } from 'node:path';
import { root } from './place.mjs';

const OUT = join(root, '.next', 'panache');

/** The programs of the server, each with what it is called by. */
const PROGRAMS = {
  main: 'src/main.ts',
  jobs: 'src/server/work/jobs.ts',
  devices: 'src/devices/main.ts',
  prepare: 'src/server/data/prepare.ts',
  stations: 'src/server/data/stations.ts',
  backups: 'src/server/data/backups.ts',
};

/** What Node is to run for one of them: built, or as it is written where `mode` is dev. */
export const programOf = (name, mode = 'start') =>
  mode === 'dev' ? ['--import', 'tsx', PROGRAMS[name]] : ['--enable-source-maps', join(OUT, `${name}.mjs`)];

/**
 * Puts each program of the server into one file, with the parts several use beside it: a process or thread that begins
 * reads a few files, and none is translated then.
 */
export async function bundle() {
  // Installed by the time something is built, not when this is read.
  const { build } = await import('esbuild');
  await build({
    absWorkingDir: root,
    entryPoints: PROGRAMS,
    outdir: OUT,
    bundle: true,
    splitting: true,
    outExtension: { '.js': '.mjs' },
    chunkNames: 'part-[hash]',
    format: 'esm',
    platform: 'node',
    target: 'node20',
    // Packages are read from where they were installed.
    packages: 'external',
    sourcemap: 'linked',
    logLevel: 'silent',
  });
}
