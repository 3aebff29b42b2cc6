import { existsSync, rmSync, writeFileSync } from 'node:fs';
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

/** Packages that come with a service of their own, installed without it being begun: what is tried here begins its own. */
async function withoutServices(install) {
  const policy = '/usr/sbin/policy-rc.d';
  const own = process.getuid?.() === 0 && !existsSync(policy);
  if (own) writeFileSync(policy, '#!/bin/sh\nexit 101\n', { mode: 0o755 });
  try {
    await install();
  } finally {
    if (own) rmSync(policy);
  }
}

/** `./panache drill`: all of it, some twenty minutes; `--short` a form of two; or one part by its name; `pitr` back to a moment; `failover`. */
export async function run(_name, args) {
  await npmPackages();
  if (args[0] === 'pitr') {
    await debianPackage('postgresql', ['/usr/lib/postgresql']);
    await debianPackage('pgbackrest', ['/usr/bin/pgbackrest']);
    const { code } = await runProgram(process.execPath, ['--import', 'tsx', 'drill/pitr.ts'], { cwd: root });
    process.exitCode = code;
    return;
  }
  if (args[0] === 'failover') {
    await withoutServices(async () => {
      await debianPackage('postgresql', ['/usr/lib/postgresql']);
      await debianPackage('patroni', ['/usr/bin/patroni']);
      await debianPackage('etcd-server', ['/usr/bin/etcd']);
      await debianPackage('haproxy', ['/usr/sbin/haproxy']);
    });
    await build();
    const { code } = await runProgram(process.execPath, ['--import', 'tsx', 'drill/failover.ts'], {
      cwd: root,
    });
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
