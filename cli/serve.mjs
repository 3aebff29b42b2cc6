import { prepare, serve } from './app.mjs';
import { build } from './build.mjs';
import { devicesPlace, simulatedDevices } from './devices.mjs';
import { npmPackages } from './packages.mjs';
import { askedPort } from './ports.mjs';
import { database, postgres } from './postgres.mjs';
import { say } from './say.mjs';

export async function run(mode) {
  const host = process.env.HOST ?? '127.0.0.1';
  const port = await askedPort(host);
  await npmPackages();
  const server = await postgres();
  const stopped = new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, resolve);
  });
  let app;
  let devices;
  // A kitchen with its own bridge names it; the demo comes with simulated probes, scale and flow timer.
  const simulated =
    !process.env.DEVICES_URL && process.env.PANACHE_DEMO !== 'off' ? await devicesPlace() : null;
  try {
    const databaseUrl = process.env.DATABASE_URL ?? (await database(server, 'panache'));
    process.stdout.write(await prepare(databaseUrl));
    if (mode === 'start') await build();
    app = await serve({
      mode,
      host,
      port,
      databaseUrl,
      env: simulated ? { DEVICES_URL: simulated.url } : {},
    });
    if (simulated) devices = simulatedDevices(app.address, simulated.port);
    say(`ready at ${app.address} (Ctrl-C stops it)`);
    await Promise.race([stopped, app.ended]);
  } finally {
    await devices?.stop();
    await app?.stop();
    await server.stop();
  }
}
