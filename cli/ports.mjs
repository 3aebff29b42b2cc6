import { createServer } from 'node:net';
import { Complaint } from './say.mjs';

const isFree = (port, host) =>
  new Promise((resolve) => {
    const probe = createServer();
    probe.once('error', () => resolve(false));
    probe.listen(port, host, () => probe.close(() => resolve(true)));
  });

/** The first free port from `from` upward. */
export async function freePort(from, host = '127.0.0.1') {
  for (let port = from; port < from + 500; port++) if (await isFree(port, host)) return port;
  throw new Complaint(`no free port between ${from} and ${from + 500}.`);
}

/** The port asked for with PORT, which must be free; null when none is asked for. */
export async function askedPort(host) {
  const asked = process.env.PORT;
  if (asked === undefined) return null;
  const port = Number(asked);
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Complaint(`PORT is “${asked}”: use a whole number from 1 to 65535.`);
  if (!(await isFree(port, host)))
    throw new Complaint(`port ${port} is taken: stop what uses it, or set PORT to another.`);
  return port;
}
