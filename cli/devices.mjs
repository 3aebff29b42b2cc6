import { spawn } from 'node:child_process';
import { programOf } from './bundle.mjs';
import { root } from './place.mjs';
import { freePort } from './ports.mjs';

/** A port for the simulated probes, scale and flow timer, and the address they will answer on. */
export async function devicesPlace() {
  const port = await freePort(3090, '127.0.0.1');
  return { port, url: `http://127.0.0.1:${port}` };
}

/** The simulated devices of the application at `app`, on `port`. */
export function simulatedDevices(app, port, mode = 'start') {
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
