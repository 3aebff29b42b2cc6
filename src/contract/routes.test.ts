import { existsSync, readFileSync } from 'node:fs';
import { addressOf, jsonText } from './routes';

test('what was given stands in the path and behind it, whatever signs are in it', () => {
  expect(addressOf('GET /api/keep', {})).toEqual({ method: 'GET', url: '/api/keep' });
  expect(addressOf('PUT /api/recipes/[id]', { at: { id: 'crème d’oignon/2' } })).toEqual({
    method: 'PUT',
    url: `/api/recipes/${encodeURIComponent('crème d’oignon/2')}`,
  });
  expect(addressOf('POST /api/devices/[id]/[verb]', { at: { id: 'timer 1', verb: 'arm' } }).url).toBe(
    '/api/devices/timer%201/arm',
  );
  expect(addressOf('GET /api/record', { query: { from: '2026-01-31', page: 0 } }).url).toBe(
    '/api/record?from=2026-01-31&page=0',
  );
});

test('text that is sent as it is says what it was made of', () => {
  expect(JSON.parse(jsonText({ lots: [1] }))).toEqual({ lots: [1] });
});

const named = [...readFileSync('src/contract/routes.ts', 'utf8').matchAll(/^ {2}'(\w+) (\/api\/\S+)':/gm)];

test('there are routes', () => {
  expect(named.length).toBeGreaterThan(25);
});

test.each(named.map(([, method = '', path = '']) => [method, path]))('%s %s is there', (method, path) => {
  // Taps are answered before anything else is (server/direct).
  if (path.endsWith('/events')) {
    expect(readFileSync('src/server/direct.ts', 'utf8')).toMatch(/events/);
    return;
  }
  const file = `src/app${path}/route.ts`;
  expect(existsSync(file)).toBe(true);
  expect(readFileSync(file, 'utf8')).toMatch(new RegExp(`export function ${method}\\(`));
});
