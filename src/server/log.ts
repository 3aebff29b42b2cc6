import pino, { type Logger } from 'pino';
import { requestOf } from './guard/asking';

/** One log a process: `main.ts` makes it; whatever else runs in the process, bundled or not, finds it there. */
const holder = globalThis as typeof globalThis & { panacheLog?: Logger; panacheAway?: Map<string, number> };
holder.panacheAway ??= new Map();
/** What is away, and since when. */
const since = holder.panacheAway;

/** JSON lines: to the file in PANACHE_LOG, begun anew at 10 MB with five kept, else to standard error. */
export function log(): Logger {
  holder.panacheLog ??= pino(
    {
      level: process.env.PANACHE_LOG_LEVEL ?? 'info',
      base: { pid: process.pid },
      // What happened while a request was answered names it.
      mixin: () => {
        const request = requestOf();
        return request ? { request } : {};
      },
    },
    process.env.PANACHE_LOG
      ? pino.transport({
          target: 'pino-roll',
          options: { file: process.env.PANACHE_LOG, size: '10m', limit: { count: 5 }, mkdir: true },
        })
      : pino.destination(2),
  );
  return holder.panacheLog;
}

/** A message without the values it may carry: an error's own words, on one line. */
export const said = (error: unknown): string =>
  (error instanceof Error ? error.message || error.name : String(error)).split('\n')[0] ?? '';

/** Says once that `what` is away, however often it is tried. */
export function away(what: string, error: unknown): void {
  if (since.has(what)) return;
  since.set(what, Date.now());
  log().error({ what, error: said(error) }, `${what} is away`);
}

/** Says once that `what`, which was away, is back. */
export function back(what: string): void {
  const from = since.get(what);
  if (from === undefined) return;
  since.delete(what);
  log().info({ what, seconds: (Date.now() - from) / 1000 }, `${what} is back`);
}
