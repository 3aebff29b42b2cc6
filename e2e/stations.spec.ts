import { spawn } from 'node:child_process';
import { createHash, randomUUID, X509Certificate } from 'node:crypto';
import { existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { get, type RequestOptions, request } from 'node:https';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type BrowserContext, expect, type Page, test } from '@playwright/test';
import jsQR from 'jsqr';
import pg from 'pg';
import { PNG } from 'pngjs';
import { prepare, serve } from '../cli/app.mjs';
import { debianProgram } from '../cli/packages.mjs';
import { certificate } from '../cli/tls.mjs';
import { forgetPin, makeCode, setPin } from '../src/server/actions/stations';
import { emptyDatabase, watch } from './kit';
import { looksRight } from './looks';
import { type Stranger, stranger } from './stranger';

/** A kitchen that is served to its network, and somebody on that network who is not this machine. */
const NAME = 'panache_test_stations';

let app: Awaited<ReturnType<typeof serve>>;
let outside: Stranger;
let address: string;
let appAddress: string;
let db: pg.Pool;
let end: () => Promise<void>;

test.beforeAll(async () => {
  test.setTimeout(240_000);
  const base = await emptyDatabase(NAME);
  const { url } = await prepare(base.url);
  appAddress = url;
  db = new pg.Pool({ connectionString: base.url, max: 2 });
  db.on('error', () => {});
  app = await serve({
    mode: 'start',
    host: '0.0.0.0',
    from: 3580,
    databaseUrl: url,
    env: { DEVICES_URL: '' },
  });
  outside = await stranger(Number(process.env.TEST_PARALLEL_INDEX ?? 0));
  address = `http://${outside.machine}:${new URL(app.address).port}`;
  end = async () => {
    await outside.leave();
    await app.stop();
    await db.end();
    await base.drop();
  };
});
test.afterAll(() => end());

/** Another device: a browser with cookies of its own. */
async function device(): Promise<{ page: Page; context: BrowserContext }> {
  const context = await outside.browser.newContext({
    baseURL: address,
    locale: 'en-GB',
    viewport: { width: 1280, height: 800 },
  });
  const page = await context.newPage();
  watch(page);
  return { page, context };
}
/** A device let in by a code that was made at the machine. */
async function letIn(access: string, name: string, worksAs = '') {
  const { code } = await makeCode(db, { name, access, worksAs });
  const let_ = await device();
  await let_.page.goto('/');
  await expect(let_.page).toHaveURL(/\/pair\?to=%2F/);
  await let_.page.getByLabel('The code').fill(code);
  await let_.page.getByRole('button', { name: 'Pair', exact: true }).click();
  await expect(let_.page).not.toHaveURL(/\/pair/);
  return let_;
}
const status = (page: Page, path: string, init: object = {}) =>
  page.evaluate(async ([p, i]) => (await fetch(p as string, i as RequestInit)).status, [path, init] as const);
const JSON_TYPE = { 'content-type': 'application/json' };

test('this machine’s own browser is in; one on the network is shown where a code is typed, and nothing else', async ({
  browser,
}) => {
  const here = await browser.newPage({ baseURL: app.address });
  await here.goto('/kitchen');
  await expect(here.getByRole('heading', { name: 'Kitchen' })).toBeVisible();
  await here.close();
  const { page, context } = await device();
  for (const path of ['/', '/kitchen', '/record', '/stove']) {
    await page.goto(path);
    await expect(page.getByRole('heading', { name: 'Pair this screen' })).toBeVisible();
  }
  expect(await page.content()).not.toContain('Quay House');
  await looksRight(page, '/pair');
  for (const path of ['/api/kitchen', '/api/record', '/api/live', '/api/archive', '/api/rail'])
    expect([path, await status(page, path)]).toEqual([path, 401]);
  const lie = { method: 'POST', headers: JSON_TYPE, body: JSON.stringify({ kind: 'put by' }) };
  expect(await status(page, `/api/keep/${randomUUID()}/events`, lie)).toBe(401);
  await context.close();
});

test('a second browser is paired by the code the lead sees, as QR too, writes under its own name, and is revoked', async () => {
  test.setTimeout(240_000);
  await forgetPin(db);
  const lead = await letIn('lead', 'Office');
  await lead.page.goto('/kitchen?part=stations');
  await lead.page.getByLabel('What it is called').fill('Stove tablet');
  await lead.page.getByLabel('Whose it is').selectOption('Closer');
  await lead.page.getByRole('button', { name: 'Show a code' }).click();
  // The first thing only a lead may do: the PIN is set, and asked for from now on.
  await lead.page.getByLabel('PIN', { exact: true }).fill('2468');
  await lead.page.getByRole('button', { name: 'Set it, and go on' }).click();
  const card = lead.page.getByRole('region', { name: 'Code for Stove tablet' });
  await expect(card).toBeVisible();
  const code = (/\d{3} \d{3}/.exec(await card.innerText())?.[0] ?? '').replace(' ', '');
  // What a camera reads off the screen opens the page with the code in it.
  const png = PNG.sync.read(await card.getByRole('img').screenshot());
  const link = jsQR(new Uint8ClampedArray(png.data), png.width, png.height)?.data ?? '';
  expect(link).toBe(`${address}/pair?code=${code}`);

  const { page, context } = await device();
  await page.goto(link);
  await page.getByRole('button', { name: 'Pair', exact: true }).click();
  await expect(page).toHaveURL(/\/service/);
  const [key] = await context.cookies();
  expect(key).toMatchObject({ name: 'panache-key', httpOnly: true, sameSite: 'Strict' });
  await expect(card).toBeHidden();
  await expect(lead.page.getByRole('listitem').filter({ hasText: 'Stove tablet' })).toContainText(
    'Line · Closer',
  );
  // The code was for one.
  const second = await device();
  await second.page.goto(link);
  await second.page.getByRole('button', { name: 'Pair', exact: true }).click();
  await expect(second.page.getByRole('alert').filter({ hasText: 'no station is waited for' })).toBeVisible();
  await second.context.close();

  const lot = randomUUID();
  const line = {
    id: randomUUID(),
    at: new Date().toISOString(),
    station: 'Head chef',
    via: { station: lot, name: 'Head chef', access: 'lead' },
    body: {
      kind: 'put by',
      what: 'stock',
      name: 'Brown chicken stock',
      madeAt: new Date().toISOString(),
      ml: 3000,
      allergens: ['celery'],
      container: { kind: 'pans', pan: 'tub-2', count: 2 },
      place: 'fridge',
    },
  };
  const put = { method: 'POST', headers: JSON_TYPE, body: JSON.stringify(line) };
  expect(await status(page, `/api/keep/${lot}/events`, put)).toBe(201);
  await lead.page.goto('/record');
  const row = lead.page.getByRole('row').filter({ hasText: 'Brown chicken stock' });
  await expect(row).toContainText('Closer');
  await expect(row).toContainText('Stove tablet');

  await page.goto('/stove');
  await lead.page.goto('/kitchen?part=stations');
  await lead.page.getByRole('button', { name: 'Revoke Stove tablet' }).click();
  await lead.page.getByRole('button', { name: 'Yes, that is right' }).click();
  await expect(lead.page.getByRole('listitem').filter({ hasText: 'Stove tablet' })).toContainText('revoked');
  // It hears nothing more, and is shown the way in again by itself.
  await expect(page.getByRole('heading', { name: 'Pair this screen' })).toBeVisible({ timeout: 30_000 });
  expect(await status(page, '/api/kitchen')).toBe(401);
  expect(await status(page, `/api/keep/${randomUUID()}/events`, put)).toBe(401);
  await context.close();
  await lead.context.close();
});

test('an inspector sees the record, follows it, takes it away, and sees nothing else', async () => {
  const { page, context } = await letIn('inspector', 'Health office');
  await expect(page).toHaveURL(/\/record$/);
  await expect(page.getByRole('heading', { name: /^Record, / })).toBeVisible();
  await expect(page.getByRole('navigation', { name: 'Views' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Was anything changed?' }).click();
  await expect(page.getByRole('status').filter({ hasText: /^Nothing: all \d+ lines follow/ })).toBeVisible();
  await looksRight(page, '/record');
  await page.getByLabel('From').fill('2026-01-01');
  await page.getByRole('button', { name: 'Show these days' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'days at once' })).toBeVisible();
  expect(await status(page, '/api/record?as=csv')).toBe(200);
  for (const path of ['/kitchen', '/keep', '/stove', '/log']) {
    await page.goto(path);
    await expect(page).toHaveURL(/\/record$/);
  }
  for (const path of ['/api/kitchen', '/api/keep', '/api/live', '/api/archive', '/api/log', '/api/stations'])
    expect([path, await status(page, path)]).toEqual([path, 403]);
  await context.close();
});

test('a cook’s change of a recipe waits for the lead’s PIN; five wrong ones, and it waits for everybody', async () => {
  await setPin(db, { pin: '2468' });
  const { page, context } = await letIn('line', 'Larder');
  await page.goto('/kitchen');
  await page.locator('#k-name').fill('Quay House, upstairs');
  await page.getByRole('button', { name: /^Save/ }).click();
  const sheet = page.getByRole('dialog', { name: 'The lead’s PIN' });
  await expect(sheet).toBeVisible();
  for (const says of ['4 tries left', '3 tries left', '2 tries left', 'one try left', 'again in 60 s']) {
    await sheet.getByLabel('PIN', { exact: true }).fill('1111');
    await sheet.getByRole('button', { name: 'Go on' }).click();
    await expect(sheet.getByText(says)).toBeVisible();
  }
  await sheet.getByLabel('PIN', { exact: true }).fill('2468');
  await sheet.getByRole('button', { name: 'Go on' }).click();
  await expect(sheet.getByText('too many wrong PINs')).toBeVisible();
  // A minute later the right one is right, and what was tapped goes on by itself.
  await db.query("UPDATE lead_pin SET wait_until = wait_until - interval '61 seconds'");
  await sheet.getByLabel('PIN', { exact: true }).fill('2468');
  await sheet.getByRole('button', { name: 'Go on' }).click();
  await expect(sheet).toBeHidden();
  await expect(page.getByText('Revision 2')).toBeVisible();
  const { rows } = await db.query('SELECT made_by FROM kitchen_version ORDER BY revision DESC LIMIT 1');
  expect(rows[0].made_by).toBe('Larder, lead');
  await context.close();
});

test('by https with the kitchen’s own authority: its names hold, http leads there, and a page is kept for when the server is away', async () => {
  test.setTimeout(240_000);
  const { cert, key, root, names, fingerprint } = await certificate();
  const env = { DEVICES_URL: '', PANACHE_TLS_CERT: cert, PANACHE_TLS_KEY: key, PANACHE_TLS_ROOT: root };
  const start = (port: number | null) =>
    serve({ mode: 'start', host: '0.0.0.0', port, from: 3590, databaseUrl: appAddress, env });
  let tls = await start(null);
  const { port } = new URL(tls.address);
  const at = `https://${outside.machine}:${port}`;
  // Whoever has the root and nothing else takes it for what it is, by address and by name; whoever has not, does not.
  const asked = (host: string, ca?: Buffer) =>
    new Promise<string>((resolve) => {
      get(
        {
          host: outside.machine,
          port,
          path: '/api/health',
          ca,
          servername: host,
          headers: { host: `${host}:${port}` },
        },
        (answer) => {
          answer.resume();
          resolve(String(answer.statusCode));
        },
      ).on('error', (error: NodeJS.ErrnoException) => resolve(error.code ?? 'failed'));
    });
  const ca = readFileSync(root);
  expect(await asked(names[0] ?? '', ca)).toBe('200');
  expect(await asked('kitchen.example', ca)).toBe('ERR_TLS_CERT_ALTNAME_INVALID');
  expect(await asked(names[0] ?? '')).toBe('UNABLE_TO_VERIFY_LEAF_SIGNATURE');

  const spki = createHash('sha256')
    .update(new X509Certificate(readFileSync(cert)).publicKey.export({ type: 'spki', format: 'der' }))
    .digest('base64');
  const browser = await outside.another(`--ignore-certificate-errors-spki-list=${spki}`);
  try {
    const page = await (await browser.newContext({ locale: 'en-GB' })).newPage();
    watch(page);
    await page.goto(`http://${outside.machine}:${port}/trust`);
    await expect(page.getByText(fingerprint)).toBeVisible();
    await looksRight(page, '/trust');
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'The root, for this device' }).click();
    expect(readFileSync(await (await download).path())).toEqual(ca);
    await page.goto(`http://${outside.machine}:${port}/stove`);
    await expect(page).toHaveURL(`${at}/pair?to=%2Fstove`);
    const { code } = await makeCode(db, { name: 'Stove', access: 'line', worksAs: '' });
    await page.getByLabel('The code').fill(code);
    await page.getByRole('button', { name: 'Pair', exact: true }).click();
    await expect(page).toHaveURL(/\/stove/);
    const [cookie] = await page.context().cookies();
    expect(cookie).toMatchObject({ name: 'panache-key', secure: true, httpOnly: true, sameSite: 'Strict' });
    const { rows } = await db.query('SELECT id FROM batch WHERE over_at IS NULL LIMIT 1');
    await page.goto(`${at}/stove/${rows[0].id}`);
    const step = page.getByRole('heading', { name: 'Simmer until tender' });
    await expect(step).toBeVisible();
    await expect
      .poll(() => page.evaluate(async () => (await (await caches.open('panache-parts-1')).keys()).length))
      .toBeGreaterThan(5);
    await page.waitForTimeout(1500);
    await tls.kill();
    await page.reload();
    await expect(step).toBeVisible({ timeout: 40_000 });
    tls = await start(Number(port));
    await expect(page.getByText('Server away')).toBeHidden({ timeout: 40_000 });
  } finally {
    await browser.close();
    await tls.stop();
  }
});

test('behind Caddy, by the file in deploy/: who comes through it is a stranger by its own address, and is let in by a code', async () => {
  test.setTimeout(240_000);
  const caddy = await debianProgram('caddy', '/usr/bin/caddy');
  const data = mkdtempSync(join(tmpdir(), 'panache-caddy-'));
  const port = 9600 + Number(process.env.TEST_PARALLEL_INDEX ?? 0);
  const name = 'soup.local';
  const behind = await serve({
    mode: 'start',
    from: 3595,
    databaseUrl: appAddress,
    env: { DEVICES_URL: '', TRUST_PROXY: '1', PANACHE_HOSTS: name },
  });
  const proxy = spawn(caddy, ['run', '--config', 'deploy/Caddyfile', '--adapter', 'caddyfile'], {
    env: {
      ...process.env,
      HOME: data,
      XDG_DATA_HOME: data,
      XDG_CONFIG_HOME: data,
      PANACHE_NAME: `${name}:${port}`,
      PANACHE_PORT: new URL(behind.address).port,
      PANACHE_TLS: 'internal',
    },
    stdio: 'ignore',
  });
  try {
    const root = join(data, 'caddy/pki/authorities/local/root.crt');
    await expect.poll(() => existsSync(root), { timeout: 30_000 }).toBe(true);
    const asked = (path: string, more: RequestOptions = {}, body?: string) =>
      new Promise<{ status: number | undefined; cookie: string; text: string }>((resolve) => {
        const sent = request(
          {
            host: '127.0.0.1',
            port,
            path,
            ca: readFileSync(root),
            servername: name,
            ...more,
            headers: { host: `${name}:${port}`, ...more.headers },
          },
          async (answer) => {
            let text = '';
            for await (const piece of answer) text += piece;
            resolve({ status: answer.statusCode, cookie: String(answer.headers['set-cookie'] ?? ''), text });
          },
        );
        sent.on('error', (error) => resolve({ status: undefined, cookie: '', text: String(error) }));
        sent.end(body);
      });
    await expect.poll(async () => (await asked('/api/health/ready')).status, { timeout: 30_000 }).toBe(200);
    // Over loopback, and not this machine: neither as it comes nor with what it makes up.
    for (const headers of [{}, { 'x-forwarded-for': '127.0.0.1' }, { forwarded: 'for=127.0.0.1' }])
      expect((await asked('/api/kitchen', { headers })).status).toBe(401);
    const { code } = await makeCode(db, { name: 'Proxied', access: 'line', worksAs: '' });
    const paired = await asked(
      '/api/stations/pair',
      { method: 'POST', headers: JSON_TYPE },
      JSON.stringify({ code }),
    );
    expect(paired.status).toBe(200);
    expect(paired.cookie).toContain('Secure');
    const cookie = paired.cookie.split(';')[0] ?? '';
    expect((await asked('/api/kitchen', { headers: { cookie } })).status).toBe(200);
    expect((await asked('/plan', { headers: { cookie } })).text).toContain('Panache');
    // What stations are told comes at once, not when something is full.
    const first = await new Promise<string>((resolve, reject) => {
      const sent = request(
        {
          host: '127.0.0.1',
          port,
          path: '/api/live',
          ca: readFileSync(root),
          servername: name,
          headers: { host: `${name}:${port}`, cookie },
        },
        (answer) => answer.once('data', (piece: Buffer) => resolve(String(piece))),
      );
      sent.setTimeout(20_000, () => reject(new Error('nothing was told')));
      sent.on('error', reject);
      sent.end();
      setTimeout(() => sent.destroy(), 20_000).unref();
    });
    expect(first).toContain('event: ');
    // At the machine itself, past the proxy, it is as ever.
    expect((await fetch(`${behind.address}/api/kitchen`)).status).toBe(200);
  } finally {
    proxy.kill();
    await behind.stop();
    rmSync(data, { recursive: true, force: true });
  }
});
