import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { ACCESS, type Access } from '../../core/record/access';
import { mayDo, NEEDS, type Need, needOf, needOfLine } from './access';
import { HERE, type PairedStation } from './asking';
import { turnedAway } from './turnedAway';

const APP = join(process.cwd(), 'src/app');
const METHODS = /export (?:async )?(?:function|const) (GET|POST|PUT|PATCH|DELETE)\b/g;

/** Every route there is a file for: “METHOD /path”. */
const routes: readonly string[] = readdirSync(APP, { recursive: true, encoding: 'utf8' })
  .filter((f) => f.endsWith('/route.ts'))
  .flatMap((file) => {
    const text = readFileSync(join(APP, file), 'utf8');
    return [...text.matchAll(METHODS)].map(([, method]) => `${method} /${relative('.', dirname(file))}`);
  })
  // A picture, a manifest: what any browser may have.
  .filter((route) => route.includes(' /api/'));

const pathOf = (route: string): string =>
  (route.split(' ')[1] ?? '').replaceAll(/\[[^\]]+\]/g, '3f1c0f2e-0000-4000-8000-000000000001');
const methodOf = (route: string): string => route.split(' ')[0] ?? '';

const station = (access: Access, raised = false): PairedStation => ({
  kind: 'station',
  id: '3f1c0f2e-0000-4000-8000-000000000002',
  kitchenId: 'quay-house',
  name: 'Pass',
  access,
  worksAs: '',
  raised,
});
const STRANGER = { kind: 'stranger' } as const;

/** What whoever has no key may ask. */
const OPEN = [
  'GET /api/health',
  'GET /api/health/live',
  'GET /api/health/ready',
  'GET /api/clock',
  'GET /api/trust/root',
  'GET /api/stations/me',
  'POST /api/stations/pair',
];

/** Answered by the process itself, before any file of a page. */
const DIRECT = [
  'GET /api/live',
  'POST /api/batches/[id]/events',
  'POST /api/keep/[id]/events',
  'POST /api/devices/[id]/[verb]',
  'GET /api/rail',
  'GET /api/metrics',
  'GET /api/health',
  'GET /api/health/live',
  'GET /api/health/ready',
  'GET /api/clock',
];

test('each route that has a file has its need written down, and nothing stands there that has none', () => {
  const known = Object.keys(NEEDS);
  expect(routes.length).toBeGreaterThan(50);
  expect(routes.filter((r) => !known.includes(r))).toEqual([]);
  expect(known.filter((r) => !routes.includes(r) && !DIRECT.includes(r))).toEqual([]);
});

test('a path is asked for what its own row says, whatever stands in its brackets', () => {
  for (const [route, need] of Object.entries(NEEDS))
    expect([route, needOf(methodOf(route), pathOf(route))]).toEqual([route, need]);
  expect(needOf('HEAD', '/api/kitchen')).toBe('to cook');
  expect(needOf('GET', '/api/kitchen/')).toBe('to cook');
});

test.each([
  ['PATCH', '/api/kitchen'],
  ['GET', '/api/there-is-none'],
  ['POST', '/api/kitchen/x/y'],
  ['OPTIONS', '/api/archive'],
])('%s %s, which nobody wrote down, asks for the PIN', (method, path) => {
  expect(needOf(method, path)).toBe('the PIN');
});

describe('a stranger', () => {
  test.each(Object.keys(NEEDS).filter((r) => !OPEN.includes(r)))('is refused %s with a 401', (route) => {
    const away = turnedAway({ method: methodOf(route), url: pathOf(route), headers: {} }, STRANGER);
    expect(away?.refusal).toMatchObject({ status: 401, wants: 'key' });
  });
  test.each(OPEN)('may have %s', (route) => {
    expect(turnedAway({ method: methodOf(route), url: pathOf(route), headers: {} }, STRANGER)).toBeNull();
  });
  test.each(['/', '/plan?target=153', '/kitchen', '/record', '/log/x', '/_next/image?url=x'])(
    'who opens %s is shown where a code is typed',
    (url) => {
      expect(turnedAway({ method: 'GET', url, headers: {} }, STRANGER)).toEqual({
        to: `/pair?to=${encodeURIComponent(url)}`,
      });
    },
  );
  test('who asks for what is on a page without the page is refused', () => {
    expect(
      turnedAway({ method: 'GET', url: '/plan?_rsc=1', headers: { rsc: '1' } }, STRANGER)?.refusal?.status,
    ).toBe(401);
  });
  test('who sends to a page is refused', () => {
    expect(turnedAway({ method: 'POST', url: '/plan', headers: {} }, STRANGER)?.refusal?.status).toBe(401);
  });
  test.each(['/_next/static/chunks/a.js', '/sw.js', '/theme.js', '/icon.svg', '/pair'])(
    'may have %s',
    (url) => {
      expect(turnedAway({ method: 'GET', url, headers: {} }, STRANGER)).toBeNull();
    },
  );
});

describe('an inspector', () => {
  const inspector = station('inspector');
  const reads = ['GET /api/record', 'POST /api/record/verify', ...OPEN];
  test.each(Object.keys(NEEDS))('%s: the record and nothing else', (route) => {
    const away = turnedAway({ method: methodOf(route), url: pathOf(route), headers: {} }, inspector);
    if (reads.includes(route)) expect(away).toBeNull();
    else expect(away?.refusal).toMatchObject({ status: 403 });
    expect(away?.refusal?.wants ?? null).toBeNull();
  });
  test('who opens a page is shown the record', () => {
    expect(turnedAway({ method: 'GET', url: '/kitchen', headers: {} }, inspector)).toEqual({ to: '/record' });
    expect(turnedAway({ method: 'GET', url: '/record?from=2026-01-01', headers: {} }, inspector)).toBeNull();
  });
  test('is nobody a PIN makes a lead', () => {
    expect(mayDo(inspector, 'the PIN')).toBe('no');
  });
});

/** What each may do at once, and what with the PIN; the rest they may not. */
const MAY: Record<Access, { readonly does: readonly Need[]; readonly raised: readonly Need[] }> = {
  line: { does: ['nothing', 'a key', 'to cook', 'the day'], raised: ['a lead', 'the PIN'] },
  lead: { does: ['nothing', 'a key', 'to cook', 'the day', 'a lead'], raised: ['the PIN'] },
  trainee: { does: ['nothing', 'a key', 'to cook'], raised: [] },
  inspector: { does: ['nothing', 'a key'], raised: [] },
};
const ALL: readonly Need[] = ['nothing', 'a key', 'to cook', 'the day', 'a lead', 'the PIN'];

describe.each(ACCESS.map((a) => [a] as const))('%s', (access) => {
  test.each(ALL)('what asks for: %s', (need) => {
    const { does, raised } = MAY[access];
    expect(mayDo(station(access), need)).toBe(
      does.includes(need) ? 'yes' : raised.includes(need) ? 'with the PIN' : 'no',
    );
  });
});

test('this machine itself may do all; a station where the PIN was typed may too', () => {
  for (const need of ALL) {
    expect(mayDo(HERE, need)).toBe('yes');
    expect(mayDo(station('line', true), need)).toBe('yes');
  }
});

test.each([
  'PUT /api/kitchen',
  'POST /api/recipes',
  'PUT /api/recipes/[id]',
  'DELETE /api/recipes/[id]',
  'POST /api/archive',
  'POST /api/archive/undo',
  'POST /api/stations/codes',
  'DELETE /api/stations/[id]',
  'POST /api/kitchen/restore',
  'POST /api/log/acts',
])('%s is for a lead with the PIN: neither line nor lead does it without', (route) => {
  for (const access of ['line', 'lead'] as const)
    expect(
      turnedAway({ method: methodOf(route), url: pathOf(route), headers: {} }, station(access))?.refusal,
    ).toMatchObject({ status: 403, wants: 'pin' });
});

test('a day is signed with the PIN; a trainee throws nothing away and puts no probe right', () => {
  expect(needOfLine('signed')).toBe('the PIN');
  for (const kind of ['thrown away', 'put right', 'probe checked', 'probe put right'] as const)
    expect(mayDo(station('trainee'), needOfLine(kind))).toBe('no');
  expect(mayDo(station('trainee'), needOfLine('note'))).toBe('yes');
});
