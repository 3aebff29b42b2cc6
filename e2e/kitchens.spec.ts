import { type ChildProcess, spawn } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import { chmodSync, mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { request as ask } from 'node:http';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { chromium, expect, test } from '@playwright/test';
import pg from 'pg';
import { prepare, serve } from '../cli/app.mjs';
import { chromiumOptions } from '../cli/chromium.mjs';
import { debianProgram } from '../cli/packages.mjs';
import { publish } from '../src/server/actions/groups';
import { makeCode, pair, setPin } from '../src/server/actions/stations';
import { KitchenPool } from '../src/server/data/database';
import { addKitchen } from '../src/server/data/demo/demo';
import { NEEDS } from '../src/server/guard/access';
import { inKitchen } from '../src/server/guard/asking';
import { writeGroup } from '../src/server/queries/kitchens';
import { emptyDatabase, VIEWS } from './kit';
import { looksRight } from './looks';

/**
 * Two kitchens on one server and in one database, each with a lead’s station. Every route there is is asked by the second for what is the
 * first’s: by its ids, in its words. Then the first asks the same of its own, so that what was asked was worth asking. Between server and
 * database stands a pooler that hands three connections from one transaction to the next, whosever they are.
 */
const NAME = 'panache_test_kitchens';
const HOST = 'kitchens.test';
const A = 'quay-house';
const PIN = '2468';

let app: Awaited<ReturnType<typeof serve>>;
let owner: pg.Pool;
let end: () => Promise<void>;
let B: string;
/** A station’s cookies, as its browser keeps them. */
type Station = { readonly id: string; cookie: string };
let [ofA, ofB]: Station[] = [];

type Answer = { readonly status: number; readonly text: string };
/** What is sent; where it has to fit what stands, by what stands in the kitchen of whoever asks. */
type Asked = {
  readonly method: string;
  readonly path: string;
  readonly body?: unknown;
  readonly fits?: (kitchen: string) => Promise<unknown>;
};

/** A request as a station makes it, over the network by its name. */
const asked = (
  station: Station | undefined,
  { method, path, body }: Asked,
): Promise<Answer & { cookies: string[] }> =>
  new Promise((done, failed) => {
    const { port } = new URL(app.address);
    const sent = body === undefined ? undefined : typeof body === 'string' ? body : JSON.stringify(body);
    const outgoing = ask(
      {
        host: '127.0.0.1',
        port,
        method,
        path,
        headers: {
          host: `${HOST}:${port}`,
          ...(station && { cookie: station.cookie }),
          ...(sent !== undefined && {
            'content-type': 'application/json',
            'content-length': Buffer.byteLength(sent),
          }),
        },
      },
      (response) => {
        const pieces: Buffer[] = [];
        const whole = () => {
          const [fresh] = response.headers['set-cookie'] ?? [];
          const lead = /^panache-lead=[^;]+/.exec(fresh ?? '')?.[0];
          if (station && lead) station.cookie = `${station.cookie.split(';')[0]}; ${lead}`;
          done({
            status: response.statusCode ?? 0,
            text: Buffer.concat(pieces).toString('latin1'),
            cookies: response.headers['set-cookie'] ?? [],
          });
        };
        response.on('data', (d) => pieces.push(d)).on('end', whole);
        // What goes on for ever has said what it knows by then.
        if (response.headers['content-type']?.startsWith('text/event-stream'))
          setTimeout(() => {
            whole();
            outgoing.destroy();
          }, 1500);
      },
    );
    outgoing.on('error', failed).end(sent);
  });

/** Lets a lead’s station into a kitchen, and types the PIN there. */
async function station(kitchen: string, db: KitchenPool): Promise<Station> {
  const { key, id } = await inKitchen(kitchen, async () => {
    await setPin(db, { pin: PIN });
    return pair(db, { code: (await makeCode(db, { name: `Pass of ${kitchen}`, access: 'lead' })).code });
  });
  const let_: Station = { id, cookie: `panache-key=${key}` };
  const { status } = await asked(let_, { method: 'POST', path: '/api/stations/pin', body: { pin: PIN } });
  expect(status).toBe(200);
  return let_;
}

const LIBRARIES = { x64: 'x86_64-linux-gnu', arm64: 'aarch64-linux-gnu' }[process.arch as 'x64'] ?? '';

/** PgBouncer by the file in deploy/, before the database of `url`: the address it answers at. */
async function pooled(url: string): Promise<{ readonly url: string; readonly stop: () => void }> {
  const program = await debianProgram('pgbouncer', '/usr/sbin/pgbouncer');
  // What it is linked to and a machine may not have.
  const libraries = [
    await debianProgram('libc-ares2', `/usr/lib/${LIBRARIES}/libcares.so.2`),
    await debianProgram('libevent-2.1-7', `/usr/lib/${LIBRARIES}/libevent-2.1.so.7`),
  ];
  const folder = mkdtempSync(join(tmpdir(), 'panache-pooler-'));
  const to = new URL(url);
  const port = 9700 + Number(process.env.TEST_PARALLEL_INDEX ?? 0);
  const [name, password] = [decodeURIComponent(to.username), decodeURIComponent(to.password)];
  writeFileSync(join(folder, 'users'), `"${name}" "${password}"\n`);
  writeFileSync(
    join(folder, 'pgbouncer.ini'),
    readFileSync('deploy/pgbouncer.ini', 'utf8')
      .replace(
        'panache = host=127.0.0.1 port=5432 dbname=panache',
        `${NAME} = host=${to.hostname} port=${to.port || 5432} dbname=${NAME}`,
      )
      .replace('/etc/pgbouncer/userlist.txt', join(folder, 'users'))
      .replace('listen_port = 6432', `listen_port = ${port}`)
      .replace('default_pool_size = 20', 'default_pool_size = 3'),
  );
  for (const [path, mode] of [
    [folder, 0o755],
    [join(folder, 'users'), 0o644],
    [join(folder, 'pgbouncer.ini'), 0o644],
  ] as const)
    chmodSync(path, mode);
  // As root it will not run.
  const asNobody = process.getuid?.() === 0 ? ['-u', 'nobody'] : [];
  const child: ChildProcess = spawn(program, ['-q', ...asNobody, join(folder, 'pgbouncer.ini')], {
    stdio: 'ignore',
    env: { ...process.env, LD_LIBRARY_PATH: libraries.map((l) => dirname(l)).join(':') },
  });
  to.hostname = '127.0.0.1';
  to.port = String(port);
  return {
    url: to.href,
    stop: () => {
      child.kill('SIGKILL');
      rmSync(folder, { recursive: true, force: true });
    },
  };
}

/** All rows of a kitchen, by table, as one hash each: what was written to it would show. What a station does by asking is left out. */
async function printOf(kitchen: string): Promise<Readonly<Record<string, string>>> {
  const { rows: tables } = await owner.query<{ name: string }>(
    `SELECT c.relname AS name FROM pg_class c JOIN pg_attribute a ON a.attrelid = c.oid AND a.attname = 'kitchen_id'
     WHERE c.relnamespace = 'public'::regnamespace AND c.relkind IN ('r', 'p') AND NOT c.relispartition ORDER BY 1`,
  );
  const { rows } = await owner.query<{ name: string; print: string }>(
    tables
      .map(({ name }) => {
        const row = name === 'station' ? "to_jsonb(t) - 'seen_at'" : 't';
        return `SELECT '${name}' AS name, coalesce(md5(string_agg(h, '' ORDER BY h)), '') AS print
          FROM (SELECT md5((${row})::text) AS h FROM ${name} t WHERE kitchen_id = $1) t`;
      })
      .join(' UNION ALL '),
    [kitchen],
  );
  return Object.fromEntries(rows.map((r) => [r.name, r.print]));
}

test.beforeAll(async () => {
  test.setTimeout(240_000);
  const base = await emptyDatabase(NAME);
  // With three months of the log: what was learned is a kitchen’s own, too.
  const history = process.env.PANACHE_HISTORY;
  delete process.env.PANACHE_HISTORY;
  const { url } = await prepare(base.url).finally(() => {
    process.env.PANACHE_HISTORY = history;
  });
  owner = new pg.Pool({ connectionString: base.url, max: 2 });
  owner.on('error', () => {});
  B = await addKitchen(owner, 'Harbour View');
  const pooler = await pooled(url);
  app = await serve({
    mode: 'start',
    host: '127.0.0.1',
    from: 3590,
    databaseUrl: pooler.url,
    env: {
      DEVICES_URL: '',
      PANACHE_HOSTS: HOST,
      PANACHE_LEARN: 'off',
      PANACHE_POOLER: 'transaction',
      PANACHE_DIRECT_URL: url,
    },
  });
  const db = new KitchenPool({ connectionString: url, max: 2 });
  [ofA, ofB] = [await station(A, db), await station(B, db)];
  // Of the first’s group the second is none.
  const third = await addKitchen(owner, 'Cliff Top');
  await writeGroup(owner, { id: 'quay', name: 'Quay Group', head: third, kitchens: [A, third] });
  await inKitchen(third, () => publish(db, { kind: 'rules', note: 'for Quay House alone' }));
  end = async () => {
    await db.end();
    await app.stop();
    pooler.stop();
    await owner.end();
    await base.drop();
  };
});
test.afterAll(() => end());

const one = async <T>(sql: string): Promise<T> => (await owner.query<{ v: T }>(sql)).rows[0]!.v;
const at = () => new Date().toISOString();
const line = (body: object) => ({ id: randomUUID(), at: at(), station: 'Lead', body });

const fitted = async (probe: Asked, kitchen: string): Promise<Asked> =>
  probe.fits ? { ...probe, body: await probe.fits(kitchen) } : probe;

/** What each route is asked for of the first kitchen’s, and whether the first is answered with 2xx. A route left out does not compile. */
async function probes(): Promise<Readonly<Record<keyof typeof NEEDS, Asked & { readonly does?: false }>>> {
  const batch = await one<string>(
    'SELECT id AS v FROM batch WHERE over_at IS NULL AND off_stove_at IS NULL ORDER BY started_at DESC LIMIT 1',
  );
  const lot = await one<string>(
    "SELECT l.id AS v FROM lot l WHERE stage = 'hot' AND over_at IS NULL LIMIT 1",
  );
  const service = await one<string>(
    'SELECT id AS v FROM service WHERE NOT archived ORDER BY day DESC LIMIT 1',
  );
  const day = await one<string>(
    'SELECT day::text AS v FROM service WHERE NOT archived ORDER BY day DESC LIMIT 1',
  );
  const logged = await one<string>(
    "SELECT batch_id AS v FROM logged WHERE recipe_id = 'smoked-parsnip-veloute' ORDER BY started_at DESC LIMIT 1",
  );
  const body = await one<{ name: string }>(
    "SELECT body AS v FROM recipe_version WHERE recipe_id = 'smoked-parsnip-veloute' ORDER BY version DESC LIMIT 1",
  );
  const kitchen = await one<object>(
    `SELECT body AS v FROM kitchen_version WHERE kitchen_id = '${A}' ORDER BY revision DESC LIMIT 1`,
  );
  // As the first’s is, under no name of the first’s.
  const renamed = JSON.parse(JSON.stringify(kitchen).replaceAll(/"name":"[^"]*"/g, '"name":"Ours"'));
  const planned = await one<{ soups: { key: string }[] }>(
    `SELECT v.body AS v FROM service s JOIN service_version v USING (kitchen_id, id, revision) WHERE s.id = '${service}'`,
  );
  const published = await one<string>('SELECT id AS v FROM published LIMIT 1');
  const second = await one<string>(
    `INSERT INTO station (id, kitchen_id, name, access, key_hash) VALUES (gen_random_uuid(), '${A}', 'A tablet', 'line', 'x') RETURNING id AS v`,
  );
  const undone = await one<string>(
    `INSERT INTO import (id, kitchen_id, taken, kitchen_before, revision_after)
     SELECT gen_random_uuid(), '${A}', '{"kitchen":"x","newRecipes":[],"newVersions":[],"newBatches":0,"importId":null}', body, revision
     FROM kitchen_version WHERE kitchen_id = '${A}' ORDER BY revision DESC LIMIT 1 RETURNING id AS v`,
  );
  const order = {
    recipeId: 'smoked-parsnip-veloute',
    litres: 6,
    target: 150,
    vesselId: 'tall-steel-36',
    burnerId: 'front-left',
  };
  const query = new URLSearchParams({ recipe: order.recipeId, litres: '6' });
  const archive = readFileSync('demo/recipes/celeriac-and-pear-cream.json', 'utf8');
  const get = (path: string, more: { does?: false } = {}) => ({ method: 'GET', path, ...more });
  const post = (path: string, sent: unknown, more: { does?: false } = {}) => ({
    method: 'POST',
    path,
    body: sent,
    ...more,
  });
  const put = (path: string, sent: unknown) => ({ method: 'PUT', path, body: sent });
  return {
    'GET /api/health': get('/api/health'),
    'GET /api/health/live': get('/api/health/live'),
    'GET /api/health/ready': get('/api/health/ready'),
    'GET /api/clock': get('/api/clock'),
    // Served without TLS it has none.
    'GET /api/trust/root': get('/api/trust/root', { does: false }),
    'GET /api/stations/me': get('/api/stations/me'),
    'GET /api/record': get(`/api/record?lot=${lot}`),
    'POST /api/record/verify': post('/api/record/verify', { heads: [] }),
    'GET /api/live': get('/api/live'),
    'GET /api/rail': get('/api/rail'),
    'GET /api/help/[picture]': get('/api/help/nappe', { does: false }),
    'GET /api/recipes': get('/api/recipes'),
    'GET /api/recipes/list': get('/api/recipes/list'),
    'GET /api/recipes/[id]': get(`/api/recipes/${order.recipeId}`),
    'GET /api/kitchen': get('/api/kitchen'),
    'GET /api/services': get(`/api/services?day=${day}`),
    'GET /api/services/cycle': get(`/api/services/cycle?day=${day}`),
    'GET /api/services/[id]': get(`/api/services/${service}`),
    'GET /api/services/[id]/export': get(`/api/services/${service}/export?as=csv`),
    'GET /api/keep': get('/api/keep'),
    'GET /api/keep/labels': get(`/api/keep/labels?lot=${lot}&size=A4&count=1`),
    'GET /api/line-spread': get('/api/line-spread'),
    'GET /api/plan/export': get(`/api/plan/export?${query}`),
    'GET /api/batches/[id]': get(`/api/batches/${batch}`),
    'GET /api/log': get('/api/log'),
    'GET /api/log/[id]': get(`/api/log/${logged}`),
    'GET /api/log/knows': get('/api/log/knows'),
    'GET /api/log/numbers': get(`/api/log/numbers?key=${encodeURIComponent('flour plain-flour')}`),
    'GET /api/log/file': get('/api/log/file?as=json'),
    'GET /api/log/given': get('/api/log/given'),
    'GET /api/log/week': get('/api/log/week'),
    'GET /api/archive': get('/api/archive'),
    'GET /api/metrics': get('/api/metrics'),
    'GET /api/stations': get('/api/stations'),
    'GET /api/group': get('/api/group'),
    'POST /api/plan': post('/api/plan', order),
    'POST /api/foresight': post('/api/foresight', body),
    'POST /api/open': post('/api/open', archive),
    'POST /api/drafts': post(
      '/api/drafts',
      {
        name: 'Leek',
        open: { dose: true, liquid: true },
        lines: [
          { ingredient: 'leek', amount: '500 g', when: 'start' },
          { ingredient: 'plain-flour', amount: '60 g', when: 'start' },
          { ingredient: 'whole-milk', amount: '1 l', when: 'start' },
        ],
      },
      { does: false },
    ),
    'POST /api/services/open': post('/api/services/open', planned),
    'POST /api/stations/pin': post('/api/stations/pin', { pin: PIN }),
    'POST /api/batches/[id]/events': post(
      `/api/batches/${batch}/events`,
      line({ kind: 'note', text: 'from next door' }),
    ),
    'POST /api/keep/[id]/events': post(`/api/keep/${lot}/events`, line({ kind: 'temperature', celsius: 71 })),
    'POST /api/devices/[id]/[verb]': post('/api/devices/scale-1/tare', {}, { does: false }),
    'POST /api/batches': post('/api/batches', { ...order, id: randomUUID(), startedAt: at(), anyway: true }),
    'PUT /api/services': put('/api/services', { service: { ...planned, name: 'Renamed' }, base: 1 }),
    'PUT /api/services/cycle': { ...put('/api/services/cycle', { cycle: {}, base: 0 }), does: false },
    'POST /api/services/[id]/start': post(
      `/api/services/${service}/start`,
      { key: 'none', id: randomUUID(), startedAt: at(), serveAt: at() },
      { does: false },
    ),
    'POST /api/kitchen/water-tests': post('/api/kitchen/water-tests', {
      id: randomUUID(),
      vesselId: order.vesselId,
      burnerId: order.burnerId,
      readings: {
        litres: 10,
        startCelsius: 14,
        heatedTo: 95,
        heatMinutes: 22,
        keptAt: 95,
        keptMinutes: 30,
        by: 'weight',
        before: 15000,
        after: 14600,
      },
    }),
    'POST /api/kitchen/funnels': post('/api/kitchen/funnels', {
      name: 'Old brass',
      orificeMm: 8,
      ml: 200,
      thin: { nu: 1.004, seconds: 4.2 },
      thick: { nu: 45.45, seconds: 12 },
    }),
    'POST /api/recipes': post('/api/recipes', { body: { ...body, id: 'a-new-one', name: 'A new one' } }),
    'PUT /api/recipes/[id]': put(`/api/recipes/${order.recipeId}`, {
      body: { ...body, name: 'Renamed' },
      base: 1,
    }),
    'POST /api/recipes/[id]/restore': post(`/api/recipes/${order.recipeId}/restore`, { version: 1 }),
    'POST /api/recipes/[id]/archive': post(`/api/recipes/${order.recipeId}/archive`, { archived: true }),
    // Made by the route before it, where it was.
    'DELETE /api/recipes/[id]': { method: 'DELETE', path: '/api/recipes/a-new-one', body: {} },
    'POST /api/log/[id]/recipe': post(`/api/log/${logged}/recipe`, {}),
    'POST /api/log/notebook': post(
      '/api/log/notebook?take=all',
      'date,soup,litres\n2026-02-03,Smoked parsnip velouté,8\n',
    ),
    'POST /api/log/acts': post('/api/log/acts', {
      id: randomUUID(),
      body: { kind: 'leave out', batch: logged },
    }),
    'POST /api/stations/codes': post('/api/stations/codes', { name: 'Another', access: 'line' }),
    // By the other’s code: asked for below.
    'POST /api/stations/pair': post('/api/stations/pair', { code: '000000' }, { does: false }),
    'PUT /api/stations/[id]': put(`/api/stations/${second}`, { name: 'Renamed' }),
    'DELETE /api/stations/[id]': { method: 'DELETE', path: `/api/stations/${second}`, body: {} },
    'POST /api/archive/undo': post('/api/archive/undo', { id: undone, anyway: true }),
    'PUT /api/kitchen': {
      ...put('/api/kitchen', undefined),
      fits: async (of) => ({
        kitchen: renamed,
        revision: await one(`SELECT max(revision) AS v FROM kitchen_version WHERE kitchen_id = '${of}'`),
      }),
    },
    'POST /api/kitchen/restore': post('/api/kitchen/restore', { revision: 1 }),
    // Not answered by the first either: that is done by hand, below.
    'POST /api/group/published/[id]': post(
      `/api/group/published/${published}`,
      { answer: 'declined' },
      { does: false },
    ),
    'POST /api/group/published': post('/api/group/published', { kind: 'rules' }, { does: false }),
    'POST /api/archive': post('/api/archive?rehearse=1', JSON.parse(archive), { does: false }),
    'PUT /api/stations/pin': put('/api/stations/pin', { pin: PIN }),
    'DELETE /api/stations/pin': { method: 'DELETE', path: '/api/stations/pin', body: {} },
  };
}

/** Words only the first kitchen has: what it is called, its soups, its pots, its roles’ notes. What was asked is said back, so ids are none of them. */
const ITS_OWN =
  /Quay House|Cockle and leek|Roast-carrot|Haddock and sweetcorn|Tall steel|Low Wide|Pass of quay|for Quay House alone/i;

test('no route shows a kitchen anything of another’s or writes to it; the same asked of its own does', async () => {
  test.setTimeout(240_000);
  const all = Object.entries(await probes());
  expect(all).toHaveLength(Object.keys(NEEDS).length);
  const before = await printOf(A);
  const said: [string, number][] = [];
  for (const [route, probe] of all) {
    const { status, text } = await asked(ofB, await fitted(probe, B));
    said.push([route, status]);
    expect([route, ITS_OWN.exec(text)?.[0]]).toEqual([route, undefined]);
    expect([route, status < 500]).toEqual([route, true]);
    if (probe.method !== 'GET') expect([route, await printOf(A)]).toEqual([route, before]);
  }
  expect(await printOf(A)).toEqual(before);
  // Whatever names something of the first’s by its id is not known to the second.
  // (The recipe taken out it had made itself, a route before.)
  const named = said.filter(
    ([route]) => route.includes('[id]') && route !== 'DELETE /api/recipes/[id]' && !route.includes('devices'),
  );
  expect(named.filter(([, status]) => status < 400)).toEqual([]);

  // What is counted of the whole server is for the machine’s own kitchen.
  expect(Object.fromEntries(said)['GET /api/metrics']).toBe(403);

  // A kitchen of its own was written to meanwhile, and by nobody but itself.
  expect((await asked(ofB, { method: 'GET', path: '/api/recipes' })).status).toBe(200);
  const not: string[] = [];
  for (const [route, probe] of all.filter(([, p]) => p.does !== false)) {
    const { status, text } = await asked(ofA, await fitted(probe, A));
    if (status >= 300) not.push(`${route} ${status} ${text.slice(0, 200)}`);
  }
  expect(not).toEqual([]);
  expect(await printOf(A)).not.toEqual(before);
});

test('no page shows a kitchen another’s', async () => {
  test.setTimeout(240_000);
  const batch = await one<string>(
    `SELECT id AS v FROM batch WHERE kitchen_id = '${A}' ORDER BY started_at DESC LIMIT 1`,
  );
  const lot = await one<string>(`SELECT id AS v FROM lot WHERE kitchen_id = '${A}' LIMIT 1`);
  let shown = 0;
  for (const path of [
    ...VIEWS,
    `/stove/${batch}`,
    `/log/${batch}`,
    `/record/${lot}`,
    `/plan?recipe=cockle-and-leek-chowder`,
  ]) {
    const [a, b] = [await asked(ofA, { method: 'GET', path }), await asked(ofB, { method: 'GET', path })];
    expect([path, ITS_OWN.exec(b.text)?.[0]]).toEqual([path, undefined]);
    expect([path, b.status < 500]).toEqual([path, true]);
    if (ITS_OWN.test(a.text)) shown += 1;
  }
  expect(shown).toBeGreaterThan(15);
});

test('a stream tells its own kitchen what is written there, and no other', async () => {
  const batch = await one<string>(
    `SELECT id AS v FROM batch WHERE kitchen_id = '${A}' AND over_at IS NULL AND off_stove_at IS NULL ORDER BY started_at DESC LIMIT 1`,
  );
  const heard = [ofA, ofB].map((s) => asked(s, { method: 'GET', path: '/api/live?devices=no' }));
  await new Promise((r) => setTimeout(r, 300));
  const note = line({ kind: 'note', text: 'heard where it was said' });
  expect(
    (await asked(ofA, { method: 'POST', path: `/api/batches/${batch}/events`, body: note })).status,
  ).toBe(201);
  const [a, b] = await Promise.all(heard);
  expect(a?.text).toContain('heard where it was said');
  expect(b?.text).not.toContain('heard where it was said');
  expect(b?.text).not.toMatch(ITS_OWN);
  expect(b?.text).toContain('event: alive');
});

test('a lead sees what the group published and what it would change, declines it, and holds the kitchen to it after all', async () => {
  const browser = await chromium.launch({
    ...chromiumOptions,
    args: [...chromiumOptions.args, `--host-resolver-rules=MAP ${HOST} 127.0.0.1`],
  });
  try {
    const { port } = new URL(app.address);
    const baseURL = `http://${HOST}:${port}`;
    const context = await browser.newContext({ baseURL, viewport: { width: 1280, height: 800 } });
    const [key = ''] = ofA?.cookie.split('; ') ?? [];
    await context.addCookies([{ name: 'panache-key', value: key.split('=')[1] ?? '', url: baseURL }]);
    const page = await context.newPage();
    await page.goto('/kitchen');
    await page.getByRole('button', { name: 'Group: 1 new' }).click();
    const rules = page.getByRole('article', { name: 'The rules' });
    await expect(rules).toContainText('for Quay House alone');
    await expect(rules).toContainText('not answered yet');
    await looksRight(page, 'group');
    await rules.getByRole('button', { name: 'Decline' }).click();
    await page.getByRole('textbox', { name: 'PIN' }).fill(PIN);
    await page.getByRole('button', { name: 'Go on', exact: true }).click();
    await expect(rules).toContainText('Declined');
    await expect(page.getByRole('button', { name: 'Group', exact: true })).toBeVisible();
    await rules.getByRole('button', { name: 'Hold this kitchen to them' }).click();
    await expect(rules).toContainText(/Taken as revision \d+/);
    await expect(rules.getByRole('button')).toHaveCount(0);
  } finally {
    await browser.close();
  }
});

test('a code lets in where it was made; at another’s door, or with no kitchen said, it lets nobody in', async () => {
  await asked(ofB, { method: 'POST', path: '/api/stations/pin', body: { pin: PIN } });
  const { code, kitchen } = JSON.parse(
    (await asked(ofB, { method: 'POST', path: '/api/stations/codes', body: { name: 'New', access: 'line' } }))
      .text,
  );
  expect(kitchen).toBe(B);
  const at_ = (of: object) =>
    asked(undefined, { method: 'POST', path: '/api/stations/pair', body: { code, ...of } });
  expect((await at_({})).status).toBe(422);
  expect((await at_({ kitchen: A })).status).toBe(422);
  const let_ = await at_({ kitchen: B });
  expect(let_.status).toBe(200);
  const key = let_.cookies[0]?.split(';')[0] ?? '';
  const { text } = await asked({ id: '', cookie: key }, { method: 'GET', path: '/api/kitchen' });
  expect(JSON.parse(text).kitchen.name).toBe('Harbour View');
});
