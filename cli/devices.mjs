import { spawn } from 'node:child_process';
import { createServer } from 'node:net';
import { programOf } from './bundle.mjs';
import { root } from './place.mjs';

/**
 * A port for the simulated probes, scale and flow timer, and the address they will answer on. It is one the system gives, found by
 * listening on it, and held until they begin: another kitchen started meanwhile does not get it.
 */
export async function devicesPlace() {
  const held = createServer((socket) => socket.destroy());
  await new Promise((resolve, reject) => {
    held.once('error', reject);
    held.listen(0, '127.0.0.1', resolve);
  });
  held.unref();
  const { port } = held.address();
  return { port, url: `http://127.0.0.1:${port}`, release: () => held.close() };
}

/** The simulated devices of the application at `app`, in their {@link devicesPlace}. */
export function simulatedDevices(app, { port, release }, mode = 'start') {
  release();
  const child = spawn(process.execPath, programOf('devices', mode), {
    cwd: root,
    stdio: ['pipe', 'ignore', 'inherit'],
    env: { ...process.env, APP_URL: app, PORT: String(port), PANACHE_TIED: '1' },
  });
  const ended = new Promise((resolve) => child.on('close', resolve));
  return {
    ended,
    stop: () => {
      child.kill('SIGTERM');
      return ended;
    },
  };
}
