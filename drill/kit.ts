import { type ChildProcess, fork } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { request } from 'node:http';
import { join } from 'node:path';
import type { Report } from './tapper';

/** One thing that was tried, whether it held, and its figures. */
export type Row = { readonly tried: string; readonly held: boolean; readonly figures: string };

export const pause = (ms: number) => new Promise<void>((r) => setTimeout(r, ms));

/** `answers` made true within `ms`; how long it took, ms, or null when it never was. */
export async function until(ms: number, answers: () => Promise<boolean>): Promise<number | null> {
  const from = performance.now();
  while (performance.now() - from < ms) {
    if (await answers().catch(() => false)) return Math.round(performance.now() - from);
    await pause(50);
  }
  return null;
}

export type Health = { readonly ok: boolean; readonly memoryMb: number; readonly run: string };

export const healthOf = (address: string): Promise<Health | null> =>
  fetch(`${address}/api/health`, { signal: AbortSignal.timeout(3000) })
    .then((r) => r.json() as Promise<Health>)
    .catch(() => null);

export const isWell = async (address: string): Promise<boolean> => (await healthOf(address))?.ok === true;

export type Answer = { readonly status: number; readonly text: string };

/** A request as it is, with whatever method, headers and body; status 0 when the line was cut. */
export const ask = (
  address: string,
  path: string,
  more: { method?: string; headers?: Record<string, string>; body?: string | Buffer; timeout?: number } = {},
): Promise<Answer> =>
  new Promise((resolve) => {
    const { hostname, port } = new URL(address);
    const { method = 'GET', headers = {}, body, timeout = 60_000 } = more;
    try {
      const sent = request(
        {
          hostname,
          port,
          path,
          method,
          timeout,
          headers: {
            ...(body !== undefined && { 'content-length': String(Buffer.byteLength(body)) }),
            ...headers,
          },
        },
        (response) => {
          let text = '';
          response.setEncoding('utf8');
          response.on('data', (d: string) => {
            if (text.length < 4000) text += d;
          });
          response.on('end', () => resolve({ status: response.statusCode ?? 0, text }));
          response.on('error', () => resolve({ status: 0, text }));
        },
      );
      sent.on('timeout', () => sent.destroy());
      sent.on('error', (error) => resolve({ status: 0, text: error.message }));
      sent.on('upgrade', (_r, socket) => {
        socket.destroy();
        resolve({ status: 101, text: '' });
      });
      sent.end(body);
    } catch (error) {
      // What Node itself will not send is no request.
      resolve({ status: -1, text: String(error) });
    }
  });

export const JSON_TYPE = { 'content-type': 'application/json' };

export const post = (address: string, path: string, body: unknown, timeout?: number): Promise<Answer> =>
  ask(address, path, {
    method: 'POST',
    headers: JSON_TYPE,
    body: typeof body === 'string' ? body : JSON.stringify(body),
    ...(timeout !== undefined && { timeout }),
  });

/** Starts a batch for taps to go to. */
export async function startBatch(address: string): Promise<string> {
  const id = randomUUID();
  const answer = await post(address, '/api/batches', {
    id,
    recipeId: 'smoked-parsnip-veloute',
    litres: 8,
    target: 153,
    vesselId: 'middle-28',
    burnerId: 'front-right',
    startedAt: new Date().toISOString(),
    anyway: true,
  });
  if (answer.status !== 201) throw new Error(`no batch to drill on: ${answer.status} ${answer.text}`);
  return id;
}

export type Tapper = {
  readonly reset: () => void;
  readonly report: () => Promise<Report>;
  /** Lets it send what waits, and ends it. */
  readonly stop: () => Promise<Report>;
};

/** A station that taps every `every` ms in a process of its own. */
export function tapper(address: string, batch: string, every = 25): Tapper {
  const child: ChildProcess = fork(join(import.meta.dirname, 'tapper.ts'), [address, batch, String(every)], {
    execArgv: ['--import', 'tsx'],
  });
  const next = <T>(is: (m: unknown) => boolean) =>
    new Promise<T>((resolve) => {
      const on = (m: unknown) => {
        if (!is(m)) return;
        child.off('message', on);
        resolve(m as T);
      };
      child.on('message', on);
    });
  const report = () => {
    const told = next<Report>((m) => typeof m === 'object');
    child.send('report');
    return told;
  };
  return {
    reset: () => void child.send('reset'),
    report,
    stop: async () => {
      const done = next((m) => m === 'done');
      child.send('stop');
      await done;
      const last = await report();
      child.kill();
      return last;
    },
  };
}

/** What a tapper measured, in words. */
export const wordsOf = (r: Report): string =>
  `${r.answered} taps, longest ${r.longest} ms, p99 ${r.p99} ms${r.again ? `, ${r.again} told to come again` : ''}${
    Object.keys(r.wrong).length ? `, WRONG ${JSON.stringify(r.wrong)}` : ''
  }`;

/** So many at once. */
export const all = <T>(n: number, one: (n: number) => Promise<T>): Promise<T[]> =>
  Promise.all(Array.from({ length: n }, (_, k) => one(k)));

/** How often each status was answered, in words. */
export const statusesOf = (answers: readonly { status: number }[]): string => {
  const counts = new Map<number, number>();
  for (const { status } of answers) counts.set(status, (counts.get(status) ?? 0) + 1);
  return [...counts]
    .toSorted(([a], [b]) => a - b)
    .map(([s, n]) => `${n} × ${s}`)
    .join(', ');
};
