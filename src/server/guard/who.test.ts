import type { IncomingMessage } from 'node:http';
import { addressOf, isLoopback, protoOf } from './network/address';
import { isHere } from './who';

const from = (remoteAddress: string, headers: Record<string, string> = {}) =>
  ({
    socket: { remoteAddress },
    headers: { host: '127.0.0.1:3000', ...headers },
  }) as unknown as IncomingMessage;

describe('this machine itself', () => {
  test.each([
    ['127.0.0.1', '127.0.0.1:3000'],
    ['127.0.0.1', 'localhost:3000'],
    ['127.8.9.1', 'LOCALHOST'],
    ['::1', '[::1]:3000'],
    ['::ffff:127.0.0.1', '127.0.0.1'],
  ])('is who comes from %s and asks for %s', (address, host) => {
    expect(isHere(from(address, { host }))).toBe(true);
  });

  test.each([
    ['from the network', '192.168.1.5', {}],
    ['from the network by the machine’s own name', '192.168.1.5', { host: 'localhost:3000' }],
    ['from the network, in the form of IPv6', '::ffff:192.168.1.5', {}],
    ['from nowhere', '', {}],
    ['by a name of the network', '127.0.0.1', { host: 'kitchen.local:3000' }],
    ['by an address of the network', '127.0.0.1', { host: '192.168.1.2:3000' }],
    ['by a name that begins like it', '127.0.0.1', { host: 'localhost.evil.example' }],
    ['by a name that ends like it', '127.0.0.1', { host: 'evil-127.0.0.1' }],
    ['through a proxy that says for whom', '127.0.0.1', { 'x-forwarded-for': '127.0.0.1' }],
    ['through one that says it otherwise', '127.0.0.1', { forwarded: 'for=127.0.0.1' }],
    ['through one that says its name', '127.0.0.1', { via: '1.1 proxy' }],
    ['through one that says how it came', '127.0.0.1', { 'x-forwarded-proto': 'http' }],
  ])('is not who comes %s', (_how, address, headers) => {
    expect(isHere(from(address, headers))).toBe(false);
  });

  test('is not who comes through a proxy that is trusted', () => {
    process.env.TRUST_PROXY = '1';
    expect(isHere(from('127.0.0.1', { 'x-forwarded-for': '127.0.0.1' }))).toBe(false);
    delete process.env.TRUST_PROXY;
  });
});

describe('whom a proxy speaks for', () => {
  afterEach(() => delete process.env.TRUST_PROXY);
  const SAID = { 'x-forwarded-for': '6.6.6.6, 192.168.1.9', 'x-forwarded-proto': 'https' };

  test.each([
    ['nobody is trusted', undefined, '127.0.0.1', '127.0.0.1', null],
    ['the machine’s own is', '1', '127.0.0.1', '192.168.1.9', 'https'],
    ['the machine’s own is, by its name', 'loopback', '::1', '192.168.1.9', 'https'],
    ['the machine’s own is, and another speaks', '1', '10.0.0.7', '10.0.0.7', null],
    ['one by its address is', '10.0.0.7, 10.0.0.8', '::ffff:10.0.0.7', '192.168.1.9', 'https'],
    ['another is', '10.0.0.8', '10.0.0.7', '10.0.0.7', null],
  ])('where %s', (_what, told, socket, address, proto) => {
    if (told) process.env.TRUST_PROXY = told;
    expect([addressOf(from(socket, SAID)), protoOf(from(socket, SAID))]).toEqual([address, proto]);
  });
});

test.each([
  ['127.0.0.1', true],
  ['127.255.255.254', true],
  ['::1', true],
  ['::ffff:127.0.0.1', true],
  ['128.0.0.1', false],
  ['::2', false],
  ['', false],
])('%s is loopback: %s (RFC 1122 3.2.1.3, RFC 4291 2.5.3)', (address, is) => {
  expect(isLoopback(address)).toBe(is);
});
