import { spawn } from 'node:child_process';
import { Complaint } from './say.mjs';

/** Runs a program to its end. Resolves to its exit code and, when `capture`, what it printed. */
export function run(command, args, { capture = false, ...options } = {}) {
  return new Promise((resolve, reject) => {
    const child = spawn(command, args, {
      stdio: capture ? ['ignore', 'pipe', 'pipe'] : 'inherit',
      ...options,
    });
    let out = '';
    child.stdout?.on('data', (d) => (out += d));
    child.stderr?.on('data', (d) => (out += d));
    child.on('error', (error) =>
      reject(error.code === 'ENOENT' ? new Complaint(`${command} is not installed.`) : error),
    );
    child.on('close', (code) => resolve({ code: code ?? 1, out }));
  });
}

/** As {@link run}, quiet; a failure becomes a complaint that ends with what the program said last. */
export async function must(what, command, args, options = {}) {
  const { code, out } = await run(command, args, { capture: true, ...options });
  if (code === 0) return out;
  const last = out.trim().split('\n').slice(-6).join('\n  ');
  throw new Complaint(`${what} failed (${command} ${args.slice(0, 3).join(' ')}):\n  ${last}`);
}
