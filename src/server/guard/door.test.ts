import type { IncomingMessage } from 'node:http';
import { hostsOf, refusedAtTheDoor } from './door';
import { policyOf } from './headers';

const HOSTS = hostsOf('127.0.0.1', 'kitchen.example, soup.local');

const asked = (more: { method?: string; url?: string; headers?: Record<string, string> }) =>
  ({
    method: 'GET',
    url: '/plan',
    ...more,
    headers: { host: '127.0.0.1:3000', ...more.headers },
  }) as unknown as IncomingMessage;

const JSON_TYPE = { 'content-type': 'application/json' };

describe('what may come in', () => {
  test.each([
    ['a page', {}],
    ['by the name of a proxy in front', { headers: { host: 'kitchen.example' } }],
    ['by the other, in capitals and with its dot', { headers: { host: 'SOUP.local.:80' } }],
    ['by the machine’s own six', { headers: { host: '[::1]:3000' } }],
    ['a program that writes JSON', { method: 'POST', url: '/api/batches', headers: JSON_TYPE }],
    [
      'a page of ours that writes',
      {
        method: 'PUT',
        url: '/api/kitchen',
        headers: { ...JSON_TYPE, origin: 'http://127.0.0.1:3000', 'sec-fetch-site': 'same-origin' },
      },
    ],
    ['a link from another site to a page', { headers: { 'sec-fetch-site': 'cross-site' } }],
    [
      'and to a file of ours',
      { url: '/api/archive', headers: { 'sec-fetch-site': 'cross-site', 'sec-fetch-mode': 'navigate' } },
    ],
    [
      'JSON with its letters named',
      {
        method: 'POST',
        url: '/api/batches',
        headers: { 'content-type': 'application/json; charset=utf-8' },
      },
    ],
  ])('%s', (_what, request) => {
    expect(refusedAtTheDoor(asked(request), HOSTS)).toBeNull();
  });
});

describe('what may not', () => {
  test.each([
    ['a name pointed at this machine', { headers: { host: 'evil.example' } }, 421, 'Host'],
    ['no name', { headers: { host: '' } }, 421, 'Host'],
    ['a name with a path in it', { headers: { host: 'localhost/../x' } }, 421, 'Host'],
    [
      'a form of another site, as text',
      {
        method: 'POST',
        url: '/api/batches',
        headers: { 'content-type': 'text/plain', origin: 'http://evil.example' },
      },
      403,
      'Origin',
    ],
    [
      'another site with JSON',
      { method: 'POST', url: '/api/batches', headers: { ...JSON_TYPE, 'sec-fetch-site': 'cross-site' } },
      403,
      'Origin',
    ],
    [
      'another port of this machine',
      { method: 'PUT', url: '/api/kitchen', headers: { ...JSON_TYPE, origin: 'http://127.0.0.1:3001' } },
      403,
      'Origin',
    ],
    [
      'a sandboxed frame',
      { method: 'POST', url: '/api/batches', headers: { ...JSON_TYPE, origin: 'null' } },
      403,
      'Origin',
    ],
    [
      'another site that listens',
      { url: '/api/live', headers: { 'sec-fetch-site': 'same-site' } },
      403,
      'Origin',
    ],
    [
      'text',
      { method: 'POST', url: '/api/batches', headers: { 'content-type': 'text/plain' } },
      415,
      'content-type',
    ],
    ['a script, written to', { method: 'PUT', url: '/sw.js', headers: JSON_TYPE }, 405, 'method'],
    ['no type at all', { method: 'POST', url: '/api/batches' }, 415, 'content-type'],
    [
      'a type that only begins like it',
      { method: 'POST', url: '/api/batches', headers: { 'content-type': 'application/jsonp' } },
      415,
      'content-type',
    ],
    ['TRACE', { method: 'TRACE' }, 405, 'method'],
    ['DELETE', { method: 'DELETE', headers: JSON_TYPE }, 405, 'method'],
    ['a broken %', { url: '/api/batches/%/events' }, 400, 'address'],
    ['a NUL', { url: '/plan?recipe=%00' }, 400, 'address'],
    ['a whole address', { url: 'http://evil.example/plan' }, 400, 'address'],
    ['an endless one', { url: `/plan?${'x'.repeat(9000)}` }, 400, 'address'],
  ])('%s', (_what, request, status, field) => {
    const refused = refusedAtTheDoor(asked(request), HOSTS);
    expect([refused?.status, refused?.problems[0]?.field]).toEqual([status, field]);
  });

  test('an address of this machine, unless it serves to the network', () => {
    const own = [...hostsOf('0.0.0.0').addresses()][0] ?? '';
    const host = own.includes(':') ? `[${own}]` : own;
    const request = asked({ headers: { host } });
    expect(refusedAtTheDoor(request, hostsOf('0.0.0.0'))).toBeNull();
    if (own !== '127.0.0.1' && own !== '::1') expect(refusedAtTheDoor(request, HOSTS)?.status).toBe(421);
    expect(hostsOf('127.0.0.1').addresses().size).toBe(0);
  });
});

test('pages run no script that does not bear the answer’s number, and stand in no frame', () => {
  const policy = policyOf('abc', false);
  expect(policy).toMatch(/script-src 'self' 'nonce-abc'(;|$)/);
  expect(policy).toMatch(/frame-ancestors 'none'/);
  expect(policy).toMatch(/default-src 'none'/);
  expect(policy.match(/script-src[^;]*unsafe/)).toBeNull();
});
