import { EventEmitter } from 'node:events';
import type { IncomingMessage, ServerResponse } from 'node:http';
import { direct } from './direct';

// The line to the database is another test's.
jest.mock('./live/live', () => ({ listen: () => () => {}, isListening: () => true }));

/** A response that holds back what it is given, as one whose reader has stopped reading. */
class Held extends EventEmitter {
  writableLength = 0;
  destroyed = false;
  status = 0;
  headersSent = false;
  readonly headers: Record<string, string> = {};
  written: string[] = [];
  writeHead(status: number, headers: Record<string, string> = {}) {
    this.status = status;
    this.headersSent = true;
    Object.assign(this.headers, headers);
    return this;
  }
  setHeader(name: string, value: string) {
    this.headers[name] = value;
  }
  write(text: string) {
    this.written.push(text);
    this.writableLength += text.length;
    return false;
  }
  end(text = '') {
    this.write(text);
  }
  destroy() {
    this.destroyed = true;
    this.emit('close');
  }
}

const open = (remoteAddress = '192.168.1.20', method = 'GET') => {
  const response = new Held();
  direct(
    { method, url: '/api/live', complete: true, headers: {}, socket: { remoteAddress } } as IncomingMessage,
    response as unknown as ServerResponse,
  );
  return response;
};

/** The server's own breath, to be drawn when the test says. */
let breaths: (() => void)[] = [];
beforeEach(() => {
  breaths = [];
  jest.spyOn(globalThis, 'setInterval').mockImplementation(((breath: () => void) => {
    breaths.push(breath);
    return 0;
  }) as unknown as typeof setInterval);
});
afterEach(() => jest.restoreAllMocks());
const breathe = () => {
  for (const breath of breaths) breath();
};

test('a station that reads is told now and then that the line lives, with the time', () => {
  const station = open();
  for (let n = 0; n < 5; n++) breathe();
  const alive = station.written.filter((t) => t.startsWith('event: alive'));
  expect(alive).toHaveLength(6);
  expect(alive[0]).toMatch(/"now":\d{13}/);
  station.destroy();
});

test('one that leaves a quarter of a megabyte unread is cut; one that leaves a little less is not', () => {
  const station = open();
  station.writableLength = 256 * 1024 - 100;
  breathe();
  expect(station.destroyed).toBe(false);
  const so = station.written.length;
  station.writableLength = 256 * 1024 + 1;
  breathe();
  expect(station.destroyed).toBe(true);
  expect(station.written).toHaveLength(so);
});

test('beyond the limit the next is refused plainly; when one goes there is room', async () => {
  const stations = Array.from({ length: 400 }, (_, n) => open(`192.168.1.${n % 200}`));
  const one = open();
  await new Promise((r) => setTimeout(r, 20));
  expect(one.status).toBe(503);
  expect(one.written.join('')).toMatch(/400 stations are told already/);
  stations.pop()?.destroy();
  const next = open();
  expect(next.status).toBe(200);
  for (const s of [...stations, next]) s.destroy();
});

test('one address does not take the places of all: past its own the next is refused, and others get in', async () => {
  const mine = Array.from({ length: 100 }, () => open('192.168.1.66'));
  const more = open('192.168.1.66');
  const other = open('192.168.1.67');
  await new Promise((r) => setTimeout(r, 20));
  expect([more.status, other.status]).toEqual([503, 200]);
  expect(more.written.join('')).toMatch(/100 pages of this device are told already/);
  mine.pop()?.destroy();
  const next = open('192.168.1.66');
  expect(next.status).toBe(200);
  for (const s of [...mine, other, next]) s.destroy();
});

test('who asks only what the stream would be is answered, and takes no place', () => {
  const asked = Array.from({ length: 150 }, () => open('192.168.1.68', 'HEAD'));
  expect(new Set(asked.map((a) => a.status))).toEqual(new Set([200]));
  const station = open('192.168.1.68');
  expect(station.status).toBe(200);
  station.destroy();
});

test('a tap for a batch whose id is no text is answered, with which field was wrong', async () => {
  const response = new Held();
  const taken = direct(
    { method: 'POST', url: '/api/batches/%ff/events', complete: true, headers: {} } as IncomingMessage,
    response as unknown as ServerResponse,
  );
  await new Promise((r) => setTimeout(r, 10));
  expect(taken).toBe(true);
  expect(response.status).toBe(404);
  expect(response.written.join('')).toContain('"field":"batch"');
});

test('what is refused is told in the language of the station that asked', async () => {
  const response = new Held();
  direct(
    {
      method: 'POST',
      url: '/api/batches/%ff/events',
      complete: true,
      headers: { cookie: 'a=b; panache.language=en-XA; c=d' },
    } as IncomingMessage,
    response as unknown as ServerResponse,
  );
  await new Promise((r) => setTimeout(r, 10));
  expect(response.written.join('')).toContain('"field":"batch"');
  expect(response.written.join('')).not.toMatch(/is not known|none is stored/);
});
