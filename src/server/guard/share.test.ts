import { EventEmitter } from 'node:events';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { inTurn } from './share';

const asked = (remoteAddress: string, url = '/api/plan/export?as=pdf') => {
  const response = new EventEmitter();
  const so = { begun: false, let: false, end: () => response.emit('close') };
  so.let = inTurn(
    { url, socket: { remoteAddress } } as unknown as IncomingMessage,
    response as unknown as ServerResponse,
    () => {
      so.begun = true;
    },
  );
  return so;
};

test('whoever asks for very much waits behind themselves, and nobody else does', () => {
  const many = Array.from({ length: 30 }, () => asked('192.168.1.5'));
  expect(many.filter((a) => a.begun)).toHaveLength(12);
  expect(asked('192.168.1.6').begun).toBe(true);
  // In the order they came, as those before are done.
  many[0]?.end();
  many[3]?.end();
  expect(many.map((a) => a.begun).lastIndexOf(true)).toBe(13);
  for (const a of many) a.end();
  expect(many.every((a) => a.begun)).toBe(true);
  expect(asked('192.168.1.5').begun).toBe(true);
});

test('whoever hangs up while waiting is not begun, and holds nobody up', () => {
  const under = Array.from({ length: 12 }, () => asked('192.168.1.7'));
  const [gone, next] = [asked('192.168.1.7'), asked('192.168.1.7')];
  gone?.end();
  under[0]?.end();
  expect([gone?.begun, next?.begun]).toEqual([false, true]);
  for (const a of [...under.slice(1), next]) a?.end();
});

test('two hundred wait, one more is told to come again; what lies ready is never in a lane, a page is', () => {
  const all = Array.from({ length: 212 }, () => asked('192.168.1.8'));
  expect(all.every((a) => a.let)).toBe(true);
  expect(asked('192.168.1.8').let).toBe(false);
  for (const url of ['/_next/static/x.js', '/api/health', '/theme.js', '/icon.svg?v=1'])
    expect(asked('192.168.1.8', url).begun).toBe(true);
  for (const url of ['/', '/stove', '/api/kitchen']) expect(asked('192.168.1.8', url).let).toBe(false);
  for (const a of all) a.end();
});
