import { spawn } from 'node:child_process';
import { bin, root } from './place.mjs';
import { must } from './run.mjs';
import { Complaint } from './say.mjs';

/** Migrates and, unless told off, loads the demo into an empty database. Returns what it printed. */
export const prepare = (databaseUrl) =>
  must('preparing the database', process.execPath, ['--import', 'tsx', 'src/server/prepare.ts'], {
    cwd: root,
    env: { ...process.env, DATABASE_URL: databaseUrl },
  });

/** Serves the application; resolves once it answers. `mode` is start or dev. */
export async function serve({ mode, host, port, databaseUrl }) {
  const child = spawn(process.execPath, [bin('next'), mode, '-p', String(port), '-H', host], {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
    env: { ...process.env, DATABASE_URL: databaseUrl, NEXT_TELEMETRY_DISABLED: '1' },
  });
  const ended = new Promise((resolve) => child.on('close', resolve));
  const address = `http://${host === '0.0.0.0' ? '127.0.0.1' : host}:${port}`;
  for (let i = 0; i < 300; i++) {
    if (child.exitCode !== null) throw new Complaint('the server ended before it answered.');
    const ok = await fetch(`${address}/api/rail`)
      .then((r) => r.ok)
      .catch(() => false);
    if (ok) {
      const stop = () => {
        child.kill('SIGTERM');
        return ended;
      };
      return { address, ended, stop };
    }
    await new Promise((r) => setTimeout(r, 200));
  }
  child.kill('SIGKILL');
  throw new Complaint(`the server did not answer on ${address} within a minute.`);
}
