import { firstCode, prepare, serve } from './app.mjs';
import { backUp, backupsAsked } from './backup.mjs';
import { build } from './build.mjs';
import { devicesPlace, simulatedDevices } from './devices.mjs';
import { keep, repeat, running, watch } from './keep.mjs';
import { npmPackages } from './packages.mjs';
import { askedPort } from './ports.mjs';
import { database, postgres } from './postgres.mjs';
import { Complaint, say } from './say.mjs';
import { certificate } from './tls.mjs';

/** Whether nobody but this machine gets there. */
const isOwn = (host) => host === 'localhost' || host === '::1' || host.startsWith('127.');

/** ms between two looks at the certificate: the machine may have another address, or it runs out. */
const LOOKS = 10 * 60_000;

/** Makes the certificate anew whenever it is time, until `stopped`; the server takes it up by itself. */
const renewed = (stopped) =>
  repeat(
    LOOKS,
    async () => {
      const { made } = await certificate().catch((error) => ({
        made: `it could not be made: ${error.message}`,
      }));
      if (made) say(`a new certificate for this machine: ${made}`);
      return LOOKS;
    },
    stopped,
  );

/** Serves until told to stop; what ends by itself meanwhile, server, database or devices, is started again. */
export async function run(mode, args) {
  const lan = args.includes('--lan') || process.env.PANACHE_LAN === 'on';
  const { rest, ...backups } = backupsAsked(
    args.filter((a) => a !== '--lan'),
    mode === 'dev' ? { every: 'never' } : {},
  );
  if (rest.length > 0)
    throw new Complaint(`${mode} takes [--lan] [--every 6h --keep 30 --to FOLDER], not ${rest.join(' ')}.`);
  const host = process.env.HOST ?? (lan ? '0.0.0.0' : '127.0.0.1');
  const asked = await askedPort(host);
  await npmPackages();
  // The first time both take a while, and neither wants the other.
  const building = mode === 'start' ? build() : null;
  building?.catch(() => {});
  const server = await postgres();
  const stopped = new Promise((resolve) => {
    for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, resolve);
  });
  let app;
  let devices;
  const kept = [];
  // A kitchen with its own bridge names it; the demo comes with simulated probes, scale and flow timer.
  const simulated =
    !process.env.DEVICES_URL && process.env.PANACHE_DEMO !== 'off' ? await devicesPlace() : null;
  try {
    const owner = process.env.DATABASE_URL ?? (await database(server, 'panache'));
    await building;
    const tls = lan ? await certificate() : null;
    // An upgrade makes one first.
    process.env.PANACHE_BACKUPS = backups.to;
    const { out, url: databaseUrl } = await prepare(owner, mode);
    process.stdout.write(out);
    const begin = async (port) => {
      app = await serve({
        mode,
        host,
        port,
        databaseUrl,
        env: {
          ...(simulated && { DEVICES_URL: simulated.url }),
          ...(tls && {
            PANACHE_TLS_CERT: tls.cert,
            PANACHE_TLS_KEY: tls.key,
            PANACHE_TLS_ROOT: tls.root,
          }),
        },
      });
      void watch(app, stopped);
      return app;
    };
    const { port } = await begin(asked);
    kept.push(keep('the server', app, () => begin(port), stopped));
    if (server.again) {
      const again = async () => {
        await server.again();
        return running(server);
      };
      kept.push(keep('the database', running(server), again, stopped));
    }
    if (simulated) {
      const attach = async () => {
        devices = simulatedDevices(app.address, simulated, mode);
        return devices;
      };
      kept.push(keep('the simulated devices', await attach(), attach, stopped));
    }
    say(`ready at ${app.address} (Ctrl-C stops it)`);
    if (tls) {
      const at = tls.addresses.find((a) => a.includes('.') && !isOwn(a)) ?? tls.names[0];
      say(
        `on the kitchen’s network at https://${at}:${app.port}; each device trusts it once by http://${at}:${app.port}/trust`,
      );
      say(`its root’s fingerprint (SHA-256): ${tls.fingerprint}`);
      kept.push(renewed(stopped));
    }
    if (!isOwn(host)) process.stdout.write(await firstCode(databaseUrl, mode));
    if (backups.everyMs !== null) kept.push(backUp(owner, mode, backups, stopped));
    await stopped;
  } finally {
    await Promise.all(kept);
    await devices?.stop();
    await app?.stop();
    await server.stop();
  }
}
