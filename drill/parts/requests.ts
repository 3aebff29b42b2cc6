import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { seeded } from '../../src/core/maths/random';
import { ask, isWell, type Row, startBatch } from '../kit';

const app = join(import.meta.dirname, '../../src/app');

/** Every address the application answers to, as its folders have them. */
function routes(): readonly string[] {
  const found = readdirSync(app, { recursive: true, withFileTypes: true })
    .filter((f) => /^(page\.tsx|route\.ts)$/.test(f.name))
    .map((f) => f.parentPath.slice(app.length) || '/');
  return [
    ...found,
    '/api/batches/[id]/events',
    '/api/live',
    '/api/health',
    '/api/clock',
    '/sw.js',
    '/nowhere',
  ];
}

const ODD = [
  '%',
  '%00',
  '%ff',
  '%F0%28',
  '..',
  '../../etc/passwd',
  '%2e%2e%2f',
  '\u00e9',
  "'; DROP TABLE batch; --",
  '\\',
  '%5c',
  '0',
  '-1',
  '1e999',
  'NaN',
  'null',
  '[]',
  '{}',
  '$(x)',
  '<script>',
  'a'.repeat(3000),
  '\ud800',
  '00000000-0000-4000-8000-000000000000',
];
const METHODS = [
  'GET',
  'GET',
  'POST',
  'POST',
  'PUT',
  'HEAD',
  'DELETE',
  'PATCH',
  'OPTIONS',
  'TRACE',
  'PROPFIND',
];
const TYPES = [
  'application/json',
  'application/json',
  'application/json',
  'text/plain',
  'multipart/form-data',
  '',
];
/** What a browser, a proxy or a page's own script may send beside, and whoever makes it up. */
const HEADERS = [
  'accept',
  'accept-encoding',
  'accept-language',
  'cookie',
  'if-none-match',
  'if-modified-since',
  'range',
  'referer',
  'user-agent',
  'purpose',
  'sec-fetch-site',
  'x-forwarded-for',
  'x-forwarded-host',
  'x-forwarded-port',
  'x-forwarded-proto',
  'x-middleware-subrequest',
  'x-nextjs-data',
  'next-action',
  'next-router-prefetch',
  'next-router-segment-prefetch',
  'next-router-state-tree',
  'next-url',
  'rsc',
];
const VALUES = [
  '1',
  '',
  'https',
  'panache.language=en-XA',
  'panache.language=%ff; panache.theme="',
  '[""]',
  '["",{"children":["plan",{}]},null,null,true]',
  '%5B%22%22%2C%7B%7D%5D',
  '{"a":',
  '/nowhere',
  'bytes=0-1,5-',
  'gzip;q=nan, *',
  '127.0.0.1, 10.0.0.1',
  'x'.repeat(2300),
  '%'.repeat(500),
  'a,'.repeat(1000),
  "'; DROP TABLE seal; --",
];

const KEYS = [
  'recipe',
  'litres',
  'pot',
  'burner',
  'target',
  'at',
  'as',
  'paper',
  'batch',
  'from',
  'part',
  'rehearse',
  'celsius',
  'way',
  'share',
  '_rsc',
];

/** A value of no shape in particular. */
function anything(random: () => number, known: readonly string[], depth = 0): unknown {
  const how = random();
  const of = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  if (how < 0.15) return of([null, true, false, '', 0, -1, 1e308, 1.5]);
  if (how < 0.3) return of(ODD.filter((o) => o.length < 100));
  if (how < 0.4) return `a \u0000 in it`;
  if (how < 0.5) return of(known);
  if (how < 0.6) return random() * 1e6;
  if (depth > 4) return 'deep';
  if (how < 0.75)
    return Array.from({ length: Math.floor(random() * 4) }, () => anything(random, known, depth + 1));
  const fields = [
    'id',
    'body',
    'note',
    'base',
    'kitchen',
    'revision',
    'recipeId',
    'litres',
    'target',
    'vesselId',
    'burnerId',
    'startedAt',
    'at',
    'station',
    'kind',
    'step',
    'event',
    'format',
    'steps',
    'items',
    'name',
    'lines',
    'version',
    'archived',
    'readings',
    'vesselId',
    'thin',
    'thick',
    'anyway',
    '__proto__',
  ];
  return Object.fromEntries(
    Array.from({ length: Math.floor(random() * 8) }, () => [of(fields), anything(random, known, depth + 1)]),
  );
}

/** `count` made-up requests on every route: nothing a client can send is an error of the server’s. */
export async function randomRequests(address: string, count: number): Promise<readonly Row[]> {
  const batch = await startBatch(address);
  const known = [
    batch,
    'smoked-parsnip-veloute',
    'middle-28',
    'front-right',
    new Date().toISOString(),
    '9999-12-31T23:59:59.9999999Z',
    '0000-01-01T00:00:00Z',
  ];
  const all = routes();
  const random = seeded(20_261_126);
  const of = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
  const statuses = new Map<number, number>();
  const fell: string[] = [];
  const made = () => {
    const route = of(all).replace(/\[\w+\]/g, () =>
      random() < 0.4 ? of([batch, 'smoked-parsnip-veloute', 'tare']) : of(ODD),
    );
    const query =
      random() < 0.5
        ? `?${Array.from({ length: 1 + Math.floor(random() * 3) }, () => `${of(KEYS)}=${random() < 0.5 ? of(ODD) : of(known)}`).join('&')}`
        : '';
    const path = `${route}${query}`.replace(/[^\x21-\x7e]/g, (c) =>
      c.isWellFormed() ? encodeURIComponent(c) : '%ED%A0%80',
    );
    const method = of(METHODS);
    const how = random();
    const body =
      method === 'GET' || method === 'HEAD' || how < 0.1
        ? undefined
        : how < 0.2
          ? of(['', '{', 'null', '[[[[', `${'['.repeat(10_000)}${']'.repeat(10_000)}`, '"\\ud800"', '1e999'])
          : JSON.stringify(anything(random, known));
    const type = of(TYPES);
    const beside = Object.fromEntries(
      Array.from({ length: random() < 0.5 ? 1 + Math.floor(random() * 3) : 0 }, () => [
        of(HEADERS),
        of(VALUES),
      ]),
    );
    return { path, method, body, headers: { ...beside, ...(type && { 'content-type': type }) } };
  };
  const one = async () => {
    const { path, method, body, headers } = made();
    // The stream has no end: that it opens is enough. Nothing else takes longer than this.
    const timeout = path.startsWith('/api/live') ? 300 : 10_000;
    const { status, text } = await ask(address, path, {
      method,
      headers: headers as Record<string, string>,
      timeout,
      ...(body !== undefined && { body }),
    });
    statuses.set(status, (statuses.get(status) ?? 0) + 1);
    const hung = status === 0 && !path.startsWith('/api/live');
    if (status >= 500 || hung)
      fell.push(
        `${method} ${path.slice(0, 200)} ${body?.slice(0, 200) ?? ''} → ${status} ${text.slice(0, 200)}`,
      );
  };
  for (let done = 0; done < count; done += 4) await Promise.all(Array.from({ length: 4 }, one));
  for (const says of fell.slice(0, 8)) console.log(`  ${says}`);
  const upgrade = await ask(address, '/plan', {
    headers: { connection: 'upgrade', upgrade: 'websocket' },
    timeout: 5000,
  });
  return [
    {
      tried: `${count} made-up requests with made-up headers on ${all.length} routes`,
      held: fell.length === 0 && (await isWell(address)),
      figures: `${fell.length} errors of the server’s or left hanging; ${[...statuses]
        .toSorted(([a], [b]) => a - b)
        .map(([s, n]) => `${n} × ${s}`)
        .join(', ')}`,
    },
    {
      tried: 'an upgrade to what there is not',
      held: upgrade.status === 426,
      figures: `answered ${upgrade.status}`,
    },
  ];
}
